import type { Child } from '../document/content';
import { childIds, isRun, isWritten } from '../document/content';
import type { PageElement } from '../document/element';
import { suggestName } from '../document/element';
import { surroundingsIn } from '../document/room';
import { whyNoText } from '../document/html';
import type { Page } from '../document/project';
import { parentOf, subtreeOf } from '../document/tree';
import { shapeOf, whyNotConformingThere } from '../document/trees';
import type { Edit } from '../edits/edit';
import { EditError } from '../edits/edit-error';
import type { Piece } from '../written';
import { MARK_TAGS } from '../written';

type Element = PageElement;

/** What stands in an element, as it is written: the way from the document to a frame. */
export function piecesIn(page: Page, id: string): Piece[] {
  return page.elements[id]!.children.flatMap((child): Piece[] => {
    if (isRun(child)) return child.text === '' ? [] : [child.text];
    const { tag, children } = page.elements[child]!;
    const open = MARK_TAGS.has(tag) && children.length > 0;
    return [{ id: child, tag, ...(!open && { whole: true as const }), children: open ? piecesIn(page, child) : [] }];
  });
}

const wordsIn = (pieces: readonly Piece[]): string =>
  pieces.map((piece) => (typeof piece === 'string' ? piece : wordsIn(piece.children))).join('');

/** Pieces as the inside of an element: its children, and everything below it. */
function contentOf(page: Page, pieces: readonly Piece[]): { readonly children: readonly Child[]; readonly elements: Element[] } {
  const elements: Element[] = [];
  const put = (list: readonly Piece[]): readonly Child[] => {
    const children = list.map((piece): Child => {
      if (typeof piece === 'string') return { text: piece };
      const element = elementOf(page, piece);
      if (piece.whole && page.elements[piece.id]) elements.push(...subtreeOf(page, piece.id));
      else elements.push({ ...element, children: put(piece.children) });
      return piece.id;
    });
    // Nothing but what is written stands between elements, even where there is no text at all.
    return children.length > 0 && !children.some(isRun) ? [...children, { text: '' }] : children;
  };
  return { children: put(pieces), elements };
}

function elementOf(page: Page, piece: Exclude<Piece, string>): Element {
  const known = page.elements[piece.id];
  if (known) return known;
  const model = piece.of === undefined ? undefined : page.elements[piece.of];
  if (model) {
    const { id: _, ...attributes } = model.attributes;
    return { ...withoutFlags(model), id: piece.id, attributes };
  }
  const { id, tag, attributes = {}, shared = [] } = piece;
  return { id, tag, name: suggestName(tag, wordsIn(piece.children)), attributes, children: [], shared, styles: {} };
}

const withoutFlags = ({ first: _, locked: __, ...element }: Element): Element => element;

function requireWritable(page: Page, id: string): Element {
  const element = page.elements[id];
  if (!element) throw new EditError('The element has been removed.');
  if (element.locked) throw new EditError(`${element.name} is locked. Unlock it to write in it.`);
  const why = whyNoText(element.tag);
  if (why) throw new EditError(why);
  return element;
}

/**
 * The edit that makes the inside of an element what was written.
 * @throws EditError when it can't be, in words: a link in a link, a text where none may stand
 */
export function planContent(page: Page, id: string, pieces: readonly Piece[]): Edit {
  const element = requireWritable(page, id);
  const { children, elements } = contentOf(page, pieces);
  if (elements.length === 0 && childIds(element).length === 0)
    return { type: 'setText', node: id, text: children.map((child) => (isRun(child) ? child.text : '')).join('') || null };
  const all = Object.fromEntries([{ ...element, children }, ...elements].map((one) => [one.id, one]));
  const parent = parentOf(page, id);
  const around = parent && surroundingsIn(page, parent.id);
  // What the element broke before is not the fault of what is written now.
  const before = around && whyNotConformingThere(shapeOf(page.elements, id), around, true);
  const why = around && whyNotConformingThere(shapeOf(all, id), around, true);
  if (why && why !== before) throw new EditError(why);
  return { type: 'setContent', node: id, children, elements };
}

/** An element that stands after the one that was written in. */
export interface NextElement {
  readonly id: string;
  readonly tag: string;
  readonly pieces: readonly Piece[];
}

/** What Enter or a paste of several lines made: the element keeps its first part, new ones after it have the others. */
export function planSplit(page: Page, id: string, pieces: readonly Piece[], next: readonly NextElement[]): Edit {
  const element = requireWritable(page, id);
  const parent = parentOf(page, id);
  if (!parent) throw new EditError("A page's body stands alone.");
  const { id: _, ...attributes } = element.attributes;
  const index = childIds(parent).indexOf(id) + 1;
  const inserts = next.map((one, i): Edit => {
    const { children, elements } = contentOf(page, one.pieces);
    const own = { id: one.id, name: suggestName(one.tag, wordsIn(one.pieces)), children };
    const top: Element =
      one.tag === element.tag
        ? { ...withoutFlags(element), ...own, attributes }
        : { ...own, tag: one.tag, attributes: {}, shared: [], styles: {} };
    const place = { index: index + i, ...(isWritten(parent) && { offset: 0 }) };
    return { type: 'insertElement', page: page.id, parent: parent.id, ...place, elements: [top, ...elements] };
  });
  const label = `Split ${element.name}`.slice(0, 300);
  return { type: 'group', label, edits: [planContent(page, id, pieces), ...inserts] };
}

/** What Backspace made at the start of an element: the one before it has what stands in both. */
export function planJoin(page: Page, id: string, gone: string, pieces: readonly Piece[]): Edit {
  const element = requireWritable(page, id);
  const { name } = requireWritable(page, gone);
  return {
    type: 'group',
    label: `Join ${name} to ${element.name}`.slice(0, 300),
    edits: [{ type: 'removeElement', node: gone }, planContent(page, id, pieces)],
  };
}
