import type { Project } from '../document/project';
import type { Edit, EditKind, EditTypes, SingleEdit } from './edit';
import { acceptFinding } from './accept-finding';
import { addBlock } from './add-block';
import { addBreakpoint } from './add-breakpoint';
import { addFiles } from './add-files';
import { addPage } from './add-page';
import { addPart } from './add-part';
import { addPicture } from './add-picture';
import { addShared } from './add-shared';
import { addSheet } from './add-sheet';
import { carryShared } from './carry-shared';
import { changeBreakpoint } from './change-breakpoint';
import { changeShared } from './change-shared';
import { changeSheet } from './change-sheet';
import { clearStyle } from './clear-style';
import { completePage } from './complete-page';
import { duplicateElement } from './duplicate-element';
import { insertElement } from './insert-element';
import { moveBreakpoint } from './move-breakpoint';
import { moveElement } from './move-element';
import { movePage } from './move-page';
import { removeBlock } from './remove-block';
import { removeBreakpoint } from './remove-breakpoint';
import { removeElement } from './remove-element';
import { removeFiles } from './remove-files';
import { removePage } from './remove-page';
import { removePart } from './remove-part';
import { removePicture } from './remove-picture';
import { removeShared } from './remove-shared';
import { removeSheet } from './remove-sheet';
import { renameBlock } from './rename-block';
import { renameBreakpoint } from './rename-breakpoint';
import { renameElement } from './rename-element';
import { renamePart } from './rename-part';
import { restyle } from './restyle';
import { removeArranged, removeRecipe, saveArranged, saveRecipe } from './save-arranged';
import { removeDevice, saveDevice } from './save-device';
import { removeDeviceSet, saveDeviceSet } from './save-device-set';
import { removeGrid, saveGrid } from './save-grid';
import { removeTable, saveTable } from './save-table';
import { sayTexts } from './say-texts';
import { setAlternate } from './set-alternate';
import { setAttribute } from './set-attribute';
import { setCells, spliceRows } from './set-cells';
import { setColumns } from './set-columns';
import { setContent } from './set-content';
import { setDrops } from './set-drops';
import { setFirst } from './set-first';
import { setHidden } from './set-hidden';
import { setKind } from './set-kind';
import { setList } from './set-list';
import { setLocked } from './set-locked';
import { setPage } from './set-page';
import { setPanel } from './set-panel';
import { setPictures } from './set-pictures';
import { setProject } from './set-project';
import { setStyle } from './set-style';
import { setText } from './set-text';
import { swapPart } from './swap-part';
import { tuneCheck } from './tune-check';

type Kinds = { readonly [T in SingleEdit['type']]: EditKind<EditTypes[T]> };

const KINDS: Kinds = {
  acceptFinding,
  addBlock,
  addBreakpoint,
  addFiles,
  addPage,
  addPart,
  addPicture,
  addShared,
  addSheet,
  carryShared,
  changeBreakpoint,
  changeShared,
  changeSheet,
  clearStyle,
  completePage,
  duplicateElement,
  insertElement,
  moveBreakpoint,
  moveElement,
  movePage,
  removeArranged,
  removeBlock,
  removeBreakpoint,
  removeDevice,
  removeDeviceSet,
  removeElement,
  removeFiles,
  removeGrid,
  removePage,
  removePart,
  removePicture,
  removeRecipe,
  removeShared,
  removeSheet,
  removeTable,
  renameBlock,
  renameBreakpoint,
  renameElement,
  renamePart,
  restyle,
  saveArranged,
  saveDevice,
  saveDeviceSet,
  saveGrid,
  saveRecipe,
  saveTable,
  sayTexts,
  setAlternate,
  setAttribute,
  setCells,
  setColumns,
  setContent,
  setDrops,
  setFirst,
  setHidden,
  setKind,
  setList,
  setLocked,
  setPage,
  setPanel,
  setPictures,
  setProject,
  setStyle,
  setText,
  spliceRows,
  swapPart,
  tuneCheck,
};

const byType: ReadonlyMap<string, EditKind<SingleEdit>> = new Map(
  Object.entries(KINDS) as unknown as [string, EditKind<SingleEdit>][],
);

/** The names of all kinds of edits, without groups. */
export const EDIT_TYPES = [...byType.keys()];

/** What is known of a kind of edits by the name that came from outside; undefined where there is none. */
export function kindNamed(type: string): EditKind<SingleEdit> | undefined {
  return byType.get(type);
}

export const kindOf = (edit: SingleEdit): EditKind<SingleEdit> => byType.get(edit.type)!;

/** What the edit does, in words. `project` is the document before it. */
export function describeEdit(project: Project, edit: Edit): string {
  return edit.type === 'group' ? edit.label : kindOf(edit).describe(project, edit);
}
