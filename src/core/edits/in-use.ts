import type { PageElement } from '../document/element';
import { expandedParts } from '../document/expand';
import { partNamed, topOf } from '../document/parts';
import type { Saying, Use } from '../document/use';
import { splitShownId, withSaying } from '../document/use';
import type { DocumentWriter } from './document-writer';
import { EditError } from './edit-error';

/** An element that the use of a part shows, seen by an edit that is to say something of it for that use alone. */
export interface InUse {
  readonly pageId: string;
  /** The use, as it is kept. */
  readonly holder: PageElement & { readonly use: Use };
  /** Which element of the part; empty for its top. */
  readonly path: string;
  /** That element as the part has it, with what stands in it through other parts. */
  readonly of: PageElement;
  readonly said: Saying | undefined;
}

/** Undefined for an element that stands in its page itself. @throws EditError when it has gone, or is shown no more */
export function inUse(writer: DocumentWriter, node: string): InUse | undefined {
  const { holder: holderId, path } = splitShownId(node);
  const { page, element: holder } = writer.require(holderId);
  const { use } = holder;
  if (!use) {
    if (path !== '') throw new EditError(`"${holder.name}" is no use of a part any more.`);
    return undefined;
  }
  const part = partNamed({ parts: expandedParts(writer.settled()) }, use.part);
  const of = part && (path === '' ? topOf(part) : part.elements[path]);
  if (!part || !of || path === part.root) throw new EditError('The part no longer has the element that this edit is about.');
  return { pageId: page.id, holder: { ...holder, use }, path, of, said: use.says[path] };
}

/** Has a use say something else of one element of its part. */
export function say(writer: DocumentWriter, { pageId, holder, path }: InUse, change: Partial<Saying>): void {
  writer.put(pageId, { ...holder, use: withSaying(holder.use, path, change) });
}
