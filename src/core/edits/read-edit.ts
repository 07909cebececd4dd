import { withTextInside } from '../document/content';
import { MALFORMED, malformedAt } from '../text';
import { GROUP_MOST } from './apply-edit';
import type { Edit, GroupEdit } from './edit';
import { EditError } from './edit';
import { kindNamed } from './registry';

const LABEL_MOST = 300;
/** Groups in groups; plans make two. */
const NESTED_MOST = 4;

/** What has type, label and edits; nothing else of it has been looked at. */
interface RawGroup {
  readonly type: 'group';
  readonly label: unknown;
  readonly edits: readonly unknown[];
}

const isGroup = (input: unknown): input is RawGroup =>
  typeof input === 'object' && input !== null && (input as RawGroup).type === 'group';

/**
 * An edit from outside: a request, a clipboard, a gesture. What is too much is refused before any part of it is read,
 * and reading stops at the first thing that is wrong.
 * @throws EditError with a sentence and the place
 */
export function readEdit(input: unknown): Edit {
  const malformed = malformedAt(input);
  if (malformed !== undefined) throw new EditError(placed(MALFORMED, malformed));
  if (isGroup(input)) {
    const count = countEdits(input, 0);
    if (count > GROUP_MOST) throw new EditError(`That is ${count} changes at once; at most ${GROUP_MOST} can be made.`);
  }
  return read(input, []);
}

function countEdits({ edits }: RawGroup, depth: number): number {
  if (!Array.isArray(edits)) throw new EditError('A group of edits needs a list of them.');
  if (depth >= NESTED_MOST) throw new EditError('Groups of edits are nested too deep.');
  let count = 0;
  for (const one of edits) count += isGroup(one) ? countEdits(one, depth + 1) : 1;
  return count;
}

function read(input: unknown, path: readonly PropertyKey[]): Edit {
  if (isGroup(input)) return readGroup(input, path);
  const type = (input as { readonly type?: unknown } | null | undefined)?.type;
  const kind = typeof type === 'string' ? kindNamed(type) : undefined;
  if (!kind) throw new EditError(placed('There is no such kind of edit.', [...path, 'type'].join('.')));
  const result = kind.schema.safeParse(upgradedEdit(input as Record<string, unknown>));
  if (result.success) return result.data;
  const issue = result.error.issues[0]!;
  throw new EditError(placed(issue.message, [...path, ...issue.path].join('.')));
}

function readGroup({ label, edits, ...rest }: RawGroup, path: readonly PropertyKey[]): GroupEdit {
  if (typeof label !== 'string' || label.length > LABEL_MOST)
    throw new EditError(
      placed(`A group of edits has a label of at most ${LABEL_MOST} characters.`, [...path, 'label'].join('.')),
    );
  const more = Object.keys(rest).find((key) => key !== 'type');
  if (more !== undefined) throw new EditError(placed(`A group of edits has no "${more.slice(0, 40)}".`, path.join('.')));
  return { type: 'group', label, edits: edits.map((one, index) => read(one, [...path, 'edits', index])) };
}

const placed = (message: string, place: string) => (place ? `${message} (at ${place})` : message);

/**
 * An edit as it is written now. Values used to be written on a `node`, and elements had a text of their own; logs keep
 * such edits for ever.
 */
export function upgradedEdit(edit: Edit | Readonly<Record<string, unknown>>): Edit {
  const old = edit as Readonly<Record<string, unknown>>;
  if (isGroup(old)) return { ...old, edits: old.edits.map((one) => upgradedEdit(one as Edit)) } as GroupEdit;
  if (old.type === 'insertElement') return { ...old, elements: textsInside(old.elements) } as unknown as Edit;
  if (old.type === 'addBlock' && typeof old.block === 'object' && old.block !== null && 'elements' in old.block)
    return { ...old, block: { ...old.block, elements: textsInside(old.block.elements) } } as unknown as Edit;
  if ((old.type !== 'setStyle' && old.type !== 'clearStyle') || !('node' in old)) return old as unknown as Edit;
  const { node, ...rest } = old;
  return { ...rest, owner: node } as unknown as Edit;
}

const textsInside = (elements: unknown) => (Array.isArray(elements) ? elements.map(withTextInside) : elements);
