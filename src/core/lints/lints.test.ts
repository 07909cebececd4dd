import type { Project } from '../document';
import type { Edit } from '../edits';
import { applyEdit } from '../edits';
import {
  breakpoint,
  insert,
  make,
  MIDDLE as middle,
  NARROW as narrow,
  set,
  shared,
  sheet,
  TEXT,
} from '../edits/project-for-tests';
import { linksTo, newProject } from '../document';
import { planPage } from '../plans';
import { dropFindings, hardlyDiffers, lintProject } from './index';

const node = TEXT;
/** Findings of the element, the styles and the set that the test has made, not of the page it starts with. */
const found = (project: Project) =>
  lintProject(project)
    .filter(({ owner }) => !['efirstbody', 'efirstmain'].includes(owner))
    .map(({ lint, at, property }) => [lint, at, property].filter(Boolean).join(' '));

test('what stands where HTML does not allow it is pointed out, and left to people', () => {
  const project = make(
    insert('ebox', 'div', 0),
    insert('eitem', 'li', 0, 'ebox'),
    insert('elist', 'ul', 0),
    insert('ein', 'div', 0, 'elist'),
    { type: 'setText', node: 'ein', text: 'Words' },
  );
  const findings = lintProject(project).filter(({ lint }) => lint === 'not-allowed-there');
  expect(findings.map(({ owner, sentence, fix }) => [owner, sentence.replace(/^.*?: /, ''), fix])).toEqual([
    ['ein', '<ul> holds only <li>.', undefined],
    ['eitem', '<li> stands only in <ul>, <ol>, <menu>.', undefined],
  ]);
  const written = make(insert('elist', 'ul', 0), { type: 'setText', node: 'elist', text: 'Loose words' });
  expect(lintProject(written).map(({ sentence }) => sentence)).toContain('elist: <ul> holds no text of its own.');
  expect(dropFindings(project, findings)).toMatchObject({ count: 0, left: findings });
});

test.each<[string, Edit[], string[]]>([
  ['values that are needed', [middle, set(node, 'base', 'width', '9px'), set(node, 'bm', 'width', '5px')], []],
  [
    'an override that equals the base',
    [middle, set(node, 'base', 'width', '9px'), set(node, 'bm', 'width', '9px')],
    ['same-as-beneath bm width'],
  ],
  [
    'one that equals what is carried on',
    [middle, narrow, set(node, 'bm', 'width', '9px'), set(node, 'bn', 'width', '9px')],
    ['same-as-beneath bn width'],
  ],
  [
    'one that takes a value back',
    [middle, narrow, set(node, 'base', 'width', '9px'), set(node, 'bm', 'width', '20px'), set(node, 'bn', 'width', '9px')],
    [],
  ],
  ['what browsers do anyway', [set(node, 'base', 'display', 'block')], ['same-as-beneath base display']],
  [
    'a base that own breakpoints cover',
    [
      middle,
      breakpoint('bu', 'Up', { from: 900 }),
      set(node, 'base', 'width', '1px'),
      set(node, 'bm', 'width', '3px'),
      set(node, 'bu', 'width', '5px'),
    ],
    ['never-wins base width'],
  ],
  [
    'a shared value that every carrier overrides',
    [shared(node), set('sx', 'base', 'width', '1px'), set(node, 'base', 'width', '3px')],
    ['never-wins base width'],
  ],
  [
    'an own value that the shared style says too',
    [shared(node), set('sx', 'base', 'width', '3px'), set(node, 'base', 'width', '3px')],
    ['never-wins base width', 'written-twice base width'],
  ],
  [
    'what an important rule from elsewhere beats',
    [sheet('p { width: 4px !important }'), set(node, 'base', 'width', '3px')],
    ['never-wins base width'],
  ],
  ['half a px', [middle, set(node, 'base', 'width', '90px'), set(node, 'bm', 'width', '90.5px')], ['hardly-differs bm width']],
  ['a whole px', [middle, set(node, 'base', 'width', '90px'), set(node, 'bm', 'width', '91px')], []],
  ['a breakpoint for nothing', [middle], ['unused-breakpoint bm']],
  ['twice in a rule', [sheet('p { color: red; color: blue }')], ['written-twice color']],
  ['a part before its whole', [sheet('p { margin-left: 4px; margin: 0 }')], ['fighting margin-left']],
  ['a part after its whole', [sheet('p { margin: 0; margin-left: 4px }')], []],
  ['an important one after a normal one', [sheet('p { color: red !important; color: blue }')], []],
])('%s', (_, edits, expected) => {
  expect(found(make(...edits)).sort()).toEqual([...expected].sort());
});

test('of two that stand for each other one stays', () => {
  const project = make(shared(node), set('sx', 'base', 'width', '3px'), set(node, 'base', 'width', '3px'));
  const { edit, count, left } = dropFindings(
    project,
    lintProject(project).filter(({ property }) => property === 'width'),
  );
  expect([count, left.length]).toEqual([1, 1]);
  expect(applyEdit(project, edit!).footprint.gfirst?.widths ?? []).toEqual([]);
});

test('several in one sheet are dropped together, though its text moves', () => {
  const project = make(sheet('p { color: red; color: blue; margin-top: 1px; margin: 0 } a { color: red; color: green }'));
  const { edit, count } = dropFindings(
    project,
    lintProject(project).filter(({ owner }) => owner === 'tx'),
  );
  expect(count).toBe(3);
  const after = applyEdit(project, edit!).document;
  expect(after.sheets[0]!.css.replace(/\s+/g, ' ')).toBe('p { color: blue; margin: 0 } a { color: green }');
  expect(lintProject(after).filter(({ owner }) => owner === 'tx')).toEqual([]);
});

test('what nobody sees', () => {
  expect(hardlyDiffers('10px', '10.4px')).toBe('0.4 px');
  expect(hardlyDiffers('10px', '11px')).toBeUndefined();
  expect(hardlyDiffers('1em', '1.01em')).toBeUndefined();
  expect(hardlyDiffers('#808080', '#818181')).toMatch(/colour step of 0\.\d/);
  expect(hardlyDiffers('#808080', '#909090')).toBeUndefined();
  expect(hardlyDiffers('red', 'rgba(255, 0, 0, 0.5)')).toBeUndefined();
});

test('links to pages and places that are not there are pointed out', () => {
  const link = (id: string, href: string): Edit[] => [
    insert(id, 'a', 0, 'efirstp'),
    { type: 'setAttribute', node: id, name: 'href', value: href },
  ];
  const project = make(
    {
      type: 'addPage',
      page: planPage(newProject('00000000-0000-4000-8000-000000000000', 'x'), 'Hours', { from: 'empty' }, 'two'),
    },
    { type: 'setAttribute', node: 'etwomain', name: 'id', value: 'main' },
    ...link('ea', 'page:gtwo'),
    ...link('eb', 'page:gtwo#main'),
    ...link('ec', 'page:gtwo#other'),
    ...link('ed', '#'),
    ...link('ee', '#top'),
    ...link('ef', '#main'),
    ...link('eg', 'hours.html#main'),
    ...link('eh', 'nothing.html'),
    ...link('ei', 'https://example.org/nothing.html'),
    ...link('ej', 'docs/nothing.html'),
  );
  const nowhere = (one: Project) => lintProject(one).flatMap(({ lint, owner }) => (lint === 'leads-nowhere' ? owner : []));
  expect(nowhere(project).sort()).toEqual(['ec', 'ef', 'eh']);
  expect(
    linksTo(project, project.pages[1]!)
      .map(({ id }) => id)
      .sort(),
  ).toEqual(['ea', 'eb', 'ec']);
  const { document, inverse } = applyEdit(project, { type: 'removePage', page: 'gtwo' });
  expect(nowhere(document).sort()).toEqual(['ea', 'eb', 'ec', 'ef', 'eg', 'eh']);
  expect(nowhere(applyEdit(document, inverse).document).sort()).toEqual(['ec', 'ef', 'eh']);
});
