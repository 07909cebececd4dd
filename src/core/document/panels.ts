import type { PageElement } from './element';
import type { Page } from './project';

/** The panels of a page, or a part, in the order in which they are kept. */
export const panelsOn = ({ elements }: Pick<Page, 'elements'>): readonly PageElement[] =>
  Object.values(elements).filter(({ panel }) => panel !== undefined);

/** The elements that open, close or toggle a panel, by the HTML id that they name. */
export const openersOf = ({ elements }: Pick<Page, 'elements'>, { attributes: { id } }: PageElement): readonly PageElement[] =>
  id === undefined ? [] : Object.values(elements).filter(({ attributes }) => attributes.popovertarget === id);
