import { z } from 'zod';
import type { Project } from '../document/project';
import { addBreakpoint } from './add-breakpoint';
import type { AddBreakpoint } from './add-breakpoint';
import { addShared } from './add-shared';
import type { AddShared } from './add-shared';
import { removeShared } from './remove-shared';
import type { RemoveShared } from './remove-shared';
import { changeShared } from './change-shared';
import type { ChangeShared } from './change-shared';
import { carryShared } from './carry-shared';
import type { CarryShared } from './carry-shared';
import { setKind } from './set-kind';
import type { SetKind } from './set-kind';
import { addSheet } from './add-sheet';
import type { AddSheet } from './add-sheet';
import { removeSheet } from './remove-sheet';
import type { RemoveSheet } from './remove-sheet';
import { changeSheet } from './change-sheet';
import type { ChangeSheet } from './change-sheet';
import { changeBreakpoint } from './change-breakpoint';
import type { ChangeBreakpoint } from './change-breakpoint';
import { restyle } from './restyle';
import type { Restyle } from './restyle';
import { clearStyle } from './clear-style';
import type { ClearStyle } from './clear-style';
import { duplicateElement } from './duplicate-element';
import type { DuplicateElement } from './duplicate-element';
import type { Applied, EditKind, Footprint } from './edit';
import { EditError } from './edit';
import { classesFootprint, mergeFootprints } from './footprint';
import { insertElement } from './insert-element';
import type { InsertElement } from './insert-element';
import { moveBreakpoint } from './move-breakpoint';
import type { MoveBreakpoint } from './move-breakpoint';
import { moveElement } from './move-element';
import type { MoveElement } from './move-element';
import { removeBreakpoint } from './remove-breakpoint';
import type { RemoveBreakpoint } from './remove-breakpoint';
import { removeElement } from './remove-element';
import type { RemoveElement } from './remove-element';
import { renameBreakpoint } from './rename-breakpoint';
import type { RenameBreakpoint } from './rename-breakpoint';
import { renameElement } from './rename-element';
import type { RenameElement } from './rename-element';
import { setLocked } from './set-locked';
import type { SetLocked } from './set-locked';
import { setAttribute } from './set-attribute';
import type { SetAttribute } from './set-attribute';
import { addPicture } from './add-picture';
import type { AddPicture } from './add-picture';
import { removePicture } from './remove-picture';
import type { RemovePicture } from './remove-picture';
import { addBlock } from './add-block';
import type { AddBlock } from './add-block';
import { removeBlock } from './remove-block';
import type { RemoveBlock } from './remove-block';
import { renameBlock } from './rename-block';
import type { RenameBlock } from './rename-block';
import { setColumns } from './set-columns';
import type { SetColumns } from './set-columns';
import { removeGrid, saveGrid } from './save-grid';
import type { RemoveGrid, SaveGrid } from './save-grid';
import { removeDevice, saveDevice } from './save-device';
import type { RemoveDevice, SaveDevice } from './save-device';
import { removeDeviceSet, saveDeviceSet } from './save-device-set';
import type { RemoveDeviceSet, SaveDeviceSet } from './save-device-set';
import { setFirst } from './set-first';
import type { SetFirst } from './set-first';
import { tuneCheck } from './tune-check';
import type { TuneCheck } from './tune-check';
import { acceptFinding } from './accept-finding';
import type { AcceptFinding } from './accept-finding';
import { setStyle } from './set-style';
import type { SetStyle } from './set-style';
import { setText } from './set-text';
import type { SetText } from './set-text';

export type SingleEdit =
  | SetStyle
  | ClearStyle
  | AddBreakpoint
  | MoveBreakpoint
  | RenameBreakpoint
  | RemoveBreakpoint
  | RenameElement
  | SetText
  | InsertElement
  | RemoveElement
  | MoveElement
  | DuplicateElement
  | AddShared
  | RemoveShared
  | ChangeShared
  | CarryShared
  | SetKind
  | AddSheet
  | RemoveSheet
  | ChangeSheet
  | ChangeBreakpoint
  | Restyle
  | SetLocked
  | SetAttribute
  | AddPicture
  | RemovePicture
  | AddBlock
  | RemoveBlock
  | RenameBlock
  | SetColumns
  | SaveGrid
  | RemoveGrid
  | SaveDevice
  | RemoveDevice
  | SaveDeviceSet
  | RemoveDeviceSet
  | SetFirst
  | TuneCheck
  | AcceptFinding;

const GROUP_MOST = 2_000;

/** Several edits that are made, undone and named as one. */
export interface GroupEdit {
  readonly type: 'group';
  readonly label: string;
  readonly edits: readonly Edit[];
}

export type Edit = SingleEdit | GroupEdit;

type Kinds = { readonly [T in SingleEdit['type']]: EditKind<Extract<SingleEdit, { type: T }>> };

const KINDS: Kinds = {
  setStyle, clearStyle, addBreakpoint, moveBreakpoint, renameBreakpoint, removeBreakpoint,
  renameElement, setText, insertElement, removeElement, moveElement, duplicateElement,
  addShared, removeShared, changeShared, carryShared, setKind, addSheet, removeSheet, changeSheet, changeBreakpoint, restyle,
  setLocked, setAttribute, addPicture, removePicture, addBlock, removeBlock, renameBlock, setColumns, saveGrid, removeGrid,
  saveDevice, removeDevice, saveDeviceSet, removeDeviceSet, setFirst, tuneCheck, acceptFinding,
}; // prettier-ignore

const kindOf = (edit: SingleEdit) => KINDS[edit.type] as EditKind<SingleEdit>;

const singleSchemas = Object.values(KINDS).map((kind) => kind.schema) as unknown as readonly [
  z.ZodObject,
  ...z.ZodObject[],
];
const singleSchema = z.discriminatedUnion('type', singleSchemas) as unknown as z.ZodType<SingleEdit>;

/** An edit as it comes from outside. Groups nest two deep at most, which is as deep as inverses of groups go. */
export const editSchema: z.ZodType<Edit> = (() => {
  const group = (inner: z.ZodType<Edit>): z.ZodType<Edit> =>
    z.union([
      singleSchema,
      z.strictObject({ type: z.literal('group'), label: z.string().max(200), edits: z.array(inner).max(GROUP_MOST) }),
    ]) as z.ZodType<Edit>;
  const nested = group(group(singleSchema));
  // The union alone would only say "invalid input"; the type says which schema's words apply.
  return z.unknown().transform((input, context): Edit => {
    const type = (input as { type?: unknown } | null)?.type;
    const schema: z.ZodType<Edit> = type === 'group' ? nested : singleSchema;
    const result = schema.safeParse(input);
    if (result.success) return result.data;
    for (const issue of result.error.issues)
      context.addIssue({ ...issue, code: 'custom', message: issue.message, path: issue.path });
    return z.NEVER;
  }) as unknown as z.ZodType<Edit>;
})();

/**
 * The document after an edit, and the edit that leads back. What a gesture shows while it lasts needs no more.
 * @throws EditError in words for people when it can't be made; nothing has changed then.
 */
export function changeDocument(project: Project, edit: Edit): { readonly document: Project; readonly inverse: Edit } {
  if (edit.type !== 'group') return kindOf(edit).apply(project, edit);
  if (edit.edits.length > GROUP_MOST)
    throw new EditError(`That is ${edit.edits.length} changes at once; at most ${GROUP_MOST} can be made.`);
  let document = project;
  const inverses: Edit[] = [];
  for (const one of edit.edits) {
    const changed = changeDocument(document, one);
    document = changed.document;
    inverses.unshift(changed.inverse);
  }
  return { document, inverse: { type: 'group', label: edit.label, edits: inverses } };
}

/**
 * The one place that knows what an edit means: the document after it, the way back, and what it reaches.
 * @throws EditError in words for people when it can't be made; nothing has changed then.
 */
export function applyEdit(project: Project, edit: Edit): Applied {
  const { document, inverse } = changeDocument(project, edit);
  return { document, inverse, footprint: footprintBetween(project, document, edit) };
}

function footprintBetween(before: Project, after: Project, edit: Edit): Footprint {
  if (edit.type !== 'group')
    return mergeFootprints(kindOf(edit).footprint(before, after, edit), classesFootprint(before, after));
  let document = before;
  return mergeFootprints(
    ...edit.edits.map((one) => {
      const next = changeDocument(document, one).document;
      const footprint = footprintBetween(document, next, one);
      document = next;
      return footprint;
    }),
  );
}

/** What the edit does, in words. `project` is the document before it. */
export function describeEdit(project: Project, edit: Edit): string {
  return edit.type === 'group' ? edit.label : kindOf(edit).describe(project, edit);
}
