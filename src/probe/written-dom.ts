import type { Mark, Piece } from '@/core/written';
import { MARK_TAGS } from '@/core/written';
import { idOf } from './nodes';

/* What is written in an element of the frame, to and from pieces, and places in it as numbers. */

export const newId = (): string =>
  `e${crypto.getRandomValues(new Uint32Array(2)).reduce((text, one) => text + one.toString(36), '')}`.slice(0, 20);

/** Browsers put a line break of their own where nothing else would give a line its height. */
const isFiller = (node: Node) => node instanceof HTMLBRElement && !idOf(node);

const isOpen = (element: Element) => MARK_TAGS.has(element.localName) && element.childNodes.length > 0;

/** What is known of elements that were made here, as long as the document may not know them. */
const made = new Map<string, Pick<Mark, 'of' | 'attributes' | 'shared'>>();

export function readPieces(root: Element, seen: Set<string> = new Set()): Piece[] {
  const pieces: Piece[] = [];
  for (const node of root.childNodes) {
    if (node instanceof Text) {
      const last = pieces[pieces.length - 1];
      if (node.data === '') continue;
      if (typeof last === 'string') pieces[pieces.length - 1] = last + node.data;
      else pieces.push(node.data);
    } else if (node instanceof Element && !isFiller(node)) {
      const id = idOf(node);
      // What a browser put around something while it deleted is nothing that anybody wrote.
      if (!id || seen.has(id)) pieces.push(...readPieces(node, seen));
      else {
        seen.add(id);
        const open = isOpen(node);
        pieces.push({
          id,
          tag: node.localName,
          ...made.get(id),
          ...(!open && { whole: true as const }),
          children: open ? readPieces(node, seen) : [],
        });
      }
    }
  }
  return pieces;
}

/** Makes the inside of an element what the pieces say, with the nodes that are there already. */
export function writePieces(root: Element, pieces: readonly Piece[], known = nodesIn(root)): void {
  const wanted = pieces.map((piece): Node => {
    if (typeof piece === 'string') return document.createTextNode(piece);
    const node = known.get(piece.id) ?? cutFrom(known.get(piece.of ?? '')) ?? document.createElement(piece.tag);
    if (!known.has(piece.id)) noteMade(piece);
    known.set(piece.id, node);
    node.setAttribute('data-mp-node', piece.id);
    for (const [name, value] of Object.entries(piece.attributes ?? {})) node.setAttribute(name, value);
    if (!piece.whole) writePieces(node, piece.children, known);
    return node;
  });
  const there = [...root.childNodes];
  const same =
    wanted.length === there.length &&
    wanted.every(
      (node, i) => node === there[i] || (node instanceof Text && there[i] instanceof Text && node.data === there[i].data),
    );
  if (!same) root.replaceChildren(...wanted);
}

function noteMade({ id, of, attributes, shared }: Mark): void {
  made.set(id, { ...(of && { of }), ...(attributes && { attributes }), ...(shared && { shared }) });
}

function nodesIn(root: Element): Map<string, Element> {
  return new Map([...root.querySelectorAll('[data-mp-node]')].map((node) => [idOf(node)!, node]));
}

function cutFrom(node: Element | undefined): Element | undefined {
  const copy = node?.cloneNode(false) as Element | undefined;
  copy?.removeAttribute('id');
  return copy;
}

/** How far into what is written a point of the document lies. */
export function placeOf(root: Element, node: Node, offset: number): number {
  let place = 0;
  const visit = (one: Node): boolean => {
    if (one === node && one instanceof Text) {
      place += offset;
      return true;
    }
    if (one instanceof Text) {
      place += one.data.length;
      return false;
    }
    if (one !== root && one instanceof Element && !isOpen(one)) {
      if (one.contains(node)) return true;
      place += isFiller(one) ? 0 : 1;
      return false;
    }
    for (const [index, child] of [...one.childNodes].entries()) {
      if (one === node && index === offset) return true;
      if (visit(child)) return true;
    }
    return one === node;
  };
  visit(root);
  return place;
}

/** The point of the document at a place; in a text where there is one, after what comes before it. */
export function pointAt(root: Element, place: number): readonly [Node, number] {
  let left = place;
  let found: readonly [Node, number] | undefined;
  const visit = (one: Node): boolean => {
    if (one instanceof Text) {
      if (left <= one.data.length) {
        found = [one, left];
        return true;
      }
      left -= one.data.length;
      return false;
    }
    if (one !== root && one instanceof Element && !isOpen(one)) {
      const at = [...one.parentNode!.childNodes].indexOf(one);
      if (left === 0) found = [one.parentNode!, at];
      else if (left === 1) found = [one.parentNode!, at + 1];
      // A text that follows takes the caret rather than the place beside something.
      if (left === 0) return true;
      left -= isFiller(one) ? 0 : 1;
      return false;
    }
    return [...one.childNodes].some(visit);
  };
  visit(root);
  return found ?? [root, root.childNodes.length];
}
