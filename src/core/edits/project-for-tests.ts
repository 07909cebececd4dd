import type { Condition } from '../breakpoints';
import type { Project } from '../document';
import { newProject } from '../document';
import type { Edit } from './edit';
import { applyEdit } from './apply-edit';

/** An empty project with its one page; tests make of it what they need, by edits as people do. */
export const START = newProject('00000000-0000-4000-8000-000000000000', 'Made for tests');
/** The page's only paragraph, and the heading before it. */
export const TEXT = 'efirstp';
export const HEADING = 'efirsth';
export const MAIN = 'efirstmain';

export const make = (...edits: readonly Edit[]): Project => makeFrom(START, ...edits);
export const makeFrom = (project: Project, ...edits: readonly Edit[]): Project =>
  edits.reduce((before, edit) => applyEdit(before, edit).document, project);

export const set = (node: string, at: string, property: string, value: string): Edit => ({
  type: 'setStyle',
  owner: node,
  at,
  property,
  value,
});
export const breakpoint = (id: string, name: string, condition: Condition): Edit => ({
  type: 'addBreakpoint',
  breakpoint: { id, name, condition },
});
export const MIDDLE = breakpoint('bm', 'Middle', { below: 900 });
export const NARROW = breakpoint('bn', 'Narrow', { below: 600 });
export const SHORT = breakpoint('bs', 'Short', { heightBelow: 500 });
/** A shared style without values, carried by the elements named. */
export const shared = (...carriers: readonly string[]): Edit => ({
  type: 'addShared',
  style: { id: 'sx', name: 'Quiet', styles: {} },
  carriers: carriers.map((node) => ({ node, place: 0 })),
});
export const sheet = (css: string): Edit => ({ type: 'addSheet', sheet: { id: 'tx', name: 'Old', css } });
/** Elements beside the first paragraph. */
export const insert = (id: string, tag: string, index = 2, parent = MAIN): Edit => ({
  type: 'insertElement',
  page: 'gfirst',
  parent,
  index,
  elements: [{ id, tag, name: id, attributes: {}, children: [], shared: [], styles: {} }],
});
