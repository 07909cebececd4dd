import type { At } from '../breakpoints';
import type { PanelEdge } from '../document/panel';
import type { PanelWish } from '../plans/panels';

const USUAL = { covers: 'part', opener: undefined } as const;

/** A drawer as arrangements make it: the page behind holds still, and everything usual closes it. */
export const drawerWish = (at: At, edge: PanelEdge): PanelWish => ({
  ...{ ...USUAL, kind: 'drawer', at, edge },
  ...{ locks: true, outside: true, links: true, slides: true },
});

export const menuWish = (at: At): PanelWish => ({
  ...{ ...USUAL, kind: 'menu', at, edge: 'right' },
  ...{ locks: false, outside: true, links: true, slides: false },
});

export const disclosureWish = (at: At): PanelWish => ({
  ...{ ...USUAL, kind: 'disclosure', at, edge: 'top' },
  ...{ locks: false, outside: false, links: false, slides: false },
});
