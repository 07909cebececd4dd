import { BASE } from '../breakpoints/breakpoint';
import type { Term } from '../breakpoints/choice';
import { termsWhere } from '../breakpoints/choice';
import type { AlternateSet } from '../document/alternates';
import type { PageElement } from '../document/element';
import type { Panel } from '../document/panel';
import { isOver, panelChoice } from '../document/panel';
import type { Project } from '../document/project';
import type { Layer, Source } from './source';

/** What hides elements whatever their own values say. */
export const HIDDEN = { display: 'none' } as const;

/** Where an element is hidden because another of its alternates shows. */
export const hiddenAlternate = ({ breakpoints }: Pick<Project, 'breakpoints'>, set: AlternateSet, id: string): readonly Term[] =>
  termsWhere(breakpoints, set.choice, set.members[0]!, (member) => member !== id);

/** Where something is a panel, or with `isPanel` false part of the page. */
export const panelTerms = (
  { breakpoints }: Pick<Project, 'breakpoints'>,
  { panel }: Pick<PageElement, 'panel'>,
  isPanel = true,
): readonly Term[] => (panel ? termsWhere(breakpoints, panelChoice(panel), true, (one) => one === isPanel) : []);

/** What unfolds around a summary, which shows only where that is a panel. */
export const foldAround = (element: PageElement, parent: PageElement | undefined): Panel | undefined =>
  element.tag === 'summary' && parent?.panel && !isOver(parent.panel) ? parent.panel : undefined;

/** What hides an element: the alternates that it is one of, itself as a panel that is closed, what it would unfold. */
export function hidingOf(
  project: Pick<Project, 'breakpoints'>,
  element: PageElement,
  set: AlternateSet | undefined,
  fold: Panel | undefined,
): Source[] {
  const over = element.panel && isOver(element.panel) ? panelTerms(project, element) : [];
  const source = (layer: Layer, { when, unless }: Term, more: Partial<Source> = {}): Source => ({
    ...{ layer, at: BASE, important: true, declarations: HIDDEN },
    ...(when && { when: [when] }),
    ...(unless.length > 0 && { unless }),
    ...more,
  });
  return [
    ...(set ? hiddenAlternate(project, set, element.id).map((term) => source('alternates', term, { owner: set.id })) : []),
    ...over.map((term) => source('panel', term, { closed: element.id })),
    ...(fold ? panelTerms(project, { panel: fold }, false) : []).map((term) => source('panel', term)),
  ];
}

/**
 * Puts what hides an element among its declarations. It is important, and in no layer: weaker than what is important in the
 * layer of sheets from elsewhere, stronger than what is so on a page that was brought in, where its selector is more specific.
 */
export function addHiding(list: Source[], hiding: readonly Source[], isBrought: boolean): void {
  if (hiding.length === 0) return;
  const place = isBrought
    ? list.findLastIndex(({ layer, important }) => layer === 'browser' && important)
    : list.findIndex(({ important }) => important);
  list.splice(place < 0 ? list.length : place, 0, ...hiding);
}
