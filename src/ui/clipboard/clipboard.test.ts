import type { Project } from '@/core/document';
import { childIds, newProject, readProject } from '@/core/document';
import { insert, MAIN, make, makeFrom, MIDDLE, set, TEXT } from '@/core/edits/project-for-tests';
import { PALETTE } from '@/core/structure';
import { select } from '../view/actions';
import { copySelected, cutSelected, insertBlock, insertEntry, keepAsBlock, paste } from './clipboard';
import { undo } from '../editing/edits';
import { shownPage, useSession } from '../state/store';
import { openForTests } from '../state/store-for-tests';

jest.mock('../editing/sync', () => ({ schedule: jest.fn(), settled: jest.fn() }));
jest.mock('../measuring/sweep', () => ({ invalidateSweeps: jest.fn(), continueSweep: jest.fn(), forgetSweeps: jest.fn() }));

const DRAWING = { id: 'pa', fileName: 'a.svg', svg: '<svg xmlns="http://www.w3.org/2000/svg"/>' };
const START = makeFrom(
  make(MIDDLE, insert('erow', 'div'), insert('ea', 'p', 0, 'erow'), { type: 'addPicture', picture: DRAWING }),
  set('ea', 'bm', 'width', '50%'),
  set('erow', 'base', 'background-image', 'url(picture:pa)'),
);
const kept = new Map<string, string>();
let full = false;
const state = () => useSession.getState();
const page = () => shownPage(state());
const wrong = () => state().problems.join(' ');
const open = (project: Project) => openForTests(project);

beforeEach(() => {
  kept.clear();
  full = false;
  globalThis.localStorage = {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => {
      if (full) throw new Error('full');
      kept.set(key, value);
    },
    removeItem: (key: string) => void kept.delete(key),
  } as unknown as Storage;
  open(START);
});

test('pasted after what was copied while that is selected, else into what is', () => {
  select(['ea']);
  copySelected();
  paste();
  expect(page().elements.erow!.children).toHaveLength(2);
  expect(page().elements[state().selection[0]!]!.styles).toEqual({ bm: { width: '50%' } });
  select([MAIN]);
  paste();
  expect(page().elements[MAIN]!.children.at(-1)).toBe(state().selection[0]);
  undo();
  undo();
  expect(state().project).toEqual(START);
});

test('cut here, pasted in another project: with pictures in values, without what it has not got, and that is said', () => {
  select(['erow']);
  cutSelected();
  expect(page().elements.erow).toBeUndefined();
  open(newProject('00000000-0000-4000-8000-000000000002', 'Other'));
  select([MAIN]);
  paste();
  const [row] = state().selection;
  expect(page().elements[row!]!.styles.base).toEqual({ 'background-image': 'url(picture:pa)' });
  expect(state().project.pictures).toEqual([DRAWING]);
  expect(wrong()).toMatch(/Values under Middle are left out/);
  expect(() => readProject(JSON.parse(JSON.stringify(state().project)))).not.toThrow();
  undo();
  expect(state().project.pictures).toEqual([]);
});

test('another picture under the same id or file name comes under others', () => {
  select(['erow']);
  copySelected();
  const other = newProject('00000000-0000-4000-8000-000000000002', 'Other');
  open({ ...other, pictures: [{ ...DRAWING, svg: '<svg xmlns="http://www.w3.org/2000/svg" width="9"/>' }] });
  select([MAIN]);
  paste();
  const [mine, brought] = state().project.pictures;
  expect([mine!.id, brought!.fileName, brought!.svg]).toEqual(['pa', 'a-2.svg', DRAWING.svg]);
  expect(page().elements[state().selection[0]!]!.styles.base!['background-image']).toBe(`url(picture:${brought!.id})`);
});

test('what can not be pasted says why; without room in the browser it is kept for this window', () => {
  paste('');
  paste('{"from":"mill-pond"');
  paste(
    JSON.stringify({
      from: 'mill-pond',
      tops: ['egone'],
      elements: [{ ...START.pages[0]!.elements.ea }],
      breakpoints: {},
      shared: {},
      pictures: [],
    }),
  );
  expect(wrong()).toMatch(/nothing to paste.*damaged.*isn't there \(egone\)/);
  select([]);
  copySelected();
  expect(wrong()).toMatch(/Select something to copy/);
  full = true;
  select(['ea']);
  copySelected();
  expect(kept.size).toBe(0);
  paste();
  expect(page().elements.erow!.children).toHaveLength(2);
});

test('blocks keep their overrides and their pictures, and say what has gone since', () => {
  select(['erow']);
  keepAsBlock();
  expect(state().paletteOpen).toBe(true);
  const [block] = state().project.blocks;
  select([MAIN]);
  insertBlock(block!.id);
  const copy = page().elements[state().selection[0]!]!;
  expect(page().elements[childIds(copy)[0]!]!.styles.bm).toEqual({ width: '50%' });
  open(makeFrom(state().project, { type: 'removeBreakpoint', id: 'bm' }));
  select([MAIN]);
  insertBlock(block!.id);
  expect(wrong()).toMatch(/Values under one that was removed are left out/);
  select(['ea', TEXT]);
  keepAsBlock();
  expect(wrong()).toMatch(/the one element to keep/);
});

test.each(PALETTE.map((entry) => [entry.label, entry] as const))('%s goes in by itself, with its picture, once', (_, entry) => {
  open(makeFrom(START, insert('elist', 'ul')));
  select([entry.id === 'item' ? 'elist' : MAIN]);
  insertEntry(entry);
  insertEntry(entry);
  expect(wrong()).toBe('');
  expect(state().project.pictures.filter(({ id }) => id === entry.picture?.id).length).toBe(entry.picture ? 1 : 0);
  const htmlIds = Object.values(page().elements).flatMap(({ attributes }) => attributes.id ?? []);
  expect(new Set(htmlIds).size).toBe(htmlIds.length);
  expect(() => readProject(JSON.parse(JSON.stringify(state().project)))).not.toThrow();
});

test('a list item without a list around has no place', () => {
  select([TEXT]);
  insertEntry(PALETTE.find(({ id }) => id === 'item')!);
  expect(wrong()).toMatch(/There is no place for List item around what is selected/);
});
