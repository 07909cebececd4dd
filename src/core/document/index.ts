export { folderOf, isOutside, pathOf } from './addresses';
export type { Brought, FontFace, LeftOut, ProjectFile, QuirksMode } from './brought';
export { projectFileSchema, REASONS } from './brought';
export type { PageSheet } from './page-sheets';
export { sharedSheets, sheetsOf } from './page-sheets';
export { columnGridSchema, FIRST_GRID } from './column-grid';
export type { ColumnGrid } from './column-grid';
export type { Child, Run } from './content';
export { childIds, elementIdSchema, isRun, isWritten, ownText, textChildren, wordsOf } from './content';
export type { PageElement, StyleSet } from './element';
export {
  holdsElements,
  HTML_TAGS,
  INPUT_TYPES,
  isInert,
  isKnown,
  ruleOf,
  surroundings,
  whyNotAttribute,
  whyNotConforming,
  whyNotKept,
  whyNoText,
} from './html';
export type { Surroundings } from './html';
export { picturesShown } from './html';
export { GIVEN_KINDS, kindNamed, kindOf, KINDS } from './kinds';
export { canBeAlternate } from './alternate';
export type { Alternate } from './alternate';
export { alternatesOn, alternatesWith, atBase } from './alternates';
export type { AlternateSet } from './alternates';
export { PANEL_EDGES, PANEL_KINDS, isOver, isPanelAtBase, panelChoice, whyNoPanel } from './panel';
export type { Panel, PanelEdge, PanelKind } from './panel';
export type { PhotoCrop, PhotoFacts, PhotoFile, PhotoType } from './photo';
export { PHOTO_SIDE_MOST, PHOTO_TYPES } from './photo';
export type { Drawing, Photo } from './picture';
export { freePictureName, pictureSchema } from './picture';
export type { Drops } from './drop';
export { dropsOf, isForDrops } from './drops';
export { pictureAt, saysSize, pictureChoice, picturesNamed, whyNoPictures } from './shown-pictures';
export { openersOf, panelsOn } from './panels';
export { expanded, expandedParts, kept, keptElements, keptTree } from './expand';
export { LIMITS } from './limits';
export { holdsPart, listsIn, listsOf, pagesWith, partNamed, partsInOrder, topOf, usesIn, usesOf } from './parts';
export { listSchema, ROWS_SHOWN } from './list';
export type { Bind, List } from './list';
export { rowless, rowPlace } from './list-rows';
export type { RowPlace } from './list-rows';
export { rowCount, tableOf } from './row-count';
export { cellSchema, rowSchema, sampleOf, tableProblem, tableSchema } from './table';
export type { SampleSet, Table, TableField } from './table';
export type { Arranged, Recipe } from './arranged';
export { arrangedSchema, recipeSchema, REMEMBERED_MOST } from './arranged';
export type { PartUse } from './parts';
export type { Saying, Use } from './use';
export { isInUse, splitShownId, withSaying } from './use';
export { linksTo } from './links';
export { readProject, UnreadableProject } from './migrate';
export { newPage, newProject } from './new-project';
export { newPart } from './new-part';
export { htmlAttributes } from './page-fields';
export type { PageFields } from './page-fields';
export { PLAIN_PROFILE } from './profile';
export type { Profile, Tuning, WidthRange } from './profile';
export { READERS_SIZE, readRootSize, rootPx } from './root-size';
export { SCHEMA_VERSION, treeIdSchema } from './project';
export type { Page, Picture, Project, SharedStyle } from './project';
export { ancestorsOf, pageOf, parentOf, subtreeOf, treesOf } from './tree';
export { carried, holdSame } from './versions';
export { shapeOf, treesProblem } from './trees';
export type { Shape } from './trees';
export { slugOf } from './class-names';
export { cleanSvg } from './clean-svg';
export { htmlIdsOn } from './html-ids';
export { nameSchema } from '../text';
export {
  BOXES,
  boxWord,
  isUsed,
  pseudoOf,
  pseudoWords,
  PSEUDOS,
  readPseudo,
  splitPseudo,
  STATES,
  stateWord,
  whyNotOn,
  withPseudo,
} from './pseudo';
export type { Box, Pseudo, State } from './pseudo';
export type { PseudoStyles } from './style-sets';
export { styleSetOf, styleSetsOf, withStyleSet } from './style-sets';
export { canBe, canHave, hasPseudo } from './states';
