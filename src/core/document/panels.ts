import type { PageElement } from './element';
import type { Page } from './project';
import { carried } from './versions';

const panelIds = carried(
  (elements) => {
    const ids: string[] = [];
    for (const id in elements) if (elements[id]!.panel) ids.push(id);
    return ids;
  },
  (before, after) => (before?.panel === undefined) !== (after?.panel === undefined),
);

/** The panels of a page, or a part, in the order in which they are kept. */
export const panelsOn = ({ elements }: Pick<Page, 'elements'>): readonly PageElement[] =>
  panelIds(elements).map((id) => elements[id]!);

/** The elements that open, close or toggle a panel, by the HTML id that they name. */
export const openersOf = ({ elements }: Pick<Page, 'elements'>, { attributes: { id } }: PageElement): readonly PageElement[] =>
  id === undefined ? [] : Object.values(elements).filter(({ attributes }) => attributes.popovertarget === id);
