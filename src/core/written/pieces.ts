/*
 * What is written in an element, as a frame knows it: texts, and elements around or among them. Places are counted in
 * UTF-16 units of all text in reading order; what holds no text counts as one. Nothing here knows of documents, so that
 * frames can use it.
 */

/** An element in what is written, without what stands in it. */
export interface Mark {
  readonly id: string;
  readonly tag: string;
  /** The element that it was a part of before it was cut. */
  readonly of?: string | undefined;
  /** Only of new ones. */
  readonly attributes?: Readonly<Record<string, string>> | undefined;
  readonly shared?: readonly string[] | undefined;
  /** Not looked into: what stands in it stays as it is. */
  readonly whole?: true | undefined;
}
export type Piece = string | (Mark & { readonly children: readonly Piece[] });

/** A text, or an element that holds none, with the elements around it, outermost first. */
export type Leaf =
  { readonly text: string; readonly path: readonly Mark[] } | { readonly atom: Mark; readonly path: readonly Mark[] };

export const lengthOf = (leaf: Leaf): number => ('text' in leaf ? leaf.text.length : 1);

export function leavesOf(pieces: readonly Piece[], path: readonly Mark[] = []): Leaf[] {
  return pieces.flatMap((piece): Leaf[] => {
    if (typeof piece === 'string') return piece === '' ? [] : [{ text: piece, path }];
    const { children, ...mark } = piece;
    return children.length === 0 ? [{ atom: mark, path }] : leavesOf(children, [...path, mark]);
  });
}

/**
 * Leaves as pieces again. Neighbours under the same element stand in one; an element that turns up a second time has
 * been cut, and its other part becomes one of its own.
 * @param newId an element id that nothing has
 */
export function piecesOf(leaves: readonly Leaf[], newId: () => string, seen: Set<string> = new Set()): Piece[] {
  const pieces: Piece[] = [];
  const own = (mark: Mark): Mark => {
    if (!seen.has(mark.id)) {
      seen.add(mark.id);
      return mark;
    }
    const { id: _, attributes, ...rest } = mark;
    const { id: __, ...others } = attributes ?? {};
    return { ...rest, id: newId(), of: mark.of ?? mark.id, ...(attributes && { attributes: others }) };
  };
  for (let at = 0; at < leaves.length;) {
    const leaf = leaves[at]!;
    const [outer] = leaf.path;
    if (outer) {
      let end = at;
      while (leaves[end]?.path[0]?.id === outer.id) end++;
      const mark = own(outer);
      const inside = leaves.slice(at, end).map((one) => ({ ...one, path: one.path.slice(1) }));
      pieces.push({ ...mark, children: piecesOf(inside, newId, seen) });
      at = end;
      continue;
    }
    const last = pieces[pieces.length - 1];
    if ('atom' in leaf) pieces.push({ ...own(leaf.atom), children: [] });
    else if (typeof last === 'string') pieces[pieces.length - 1] = last + leaf.text;
    else pieces.push(leaf.text);
    at++;
  }
  return pieces;
}
