import { bringIn, bringInEdit } from '../bring-in';
import { hashForTests } from '../bring-in/hash-for-tests';
import type { Told } from '../breakpoints';
import type { Project } from '../document';
import { newProject } from '../document';
import { makeEdit } from '../edits';
import { ComputedStyles, isAsking, questionsOn, resolve } from './index';

function brought(css: string, body = '<p id=a class=x>A</p>'): Project {
  const start = { ...newProject('00000000-0000-4000-8000-000000000000', 'Asked'), pages: [] };
  const bytes = new TextEncoder().encode(`<!doctype html><style>${css}</style>${body}`);
  const read = bringIn([{ path: 'index.html', bytes }], { project: start, hash: hashForTests, key: 'k' });
  return makeEdit(start, bringInEdit(read)).document;
}
const idOf = (project: Project) => Object.values(project.pages[0]!.elements).find(({ attributes }) => attributes.id === 'a')!.id;
const asked = (project: Project) => questionsOn(project, project.pages[0]!, [idOf(project)]);
const story = (project: Project, property: string, told?: Told) =>
  resolve(project, project.pages[0]!, idOf(project), property, 700, { height: 800, pointer: 'mouse', told });

test('what a browser says of a rule decides: it holds and is marked, or it is passed by; unasked it is in doubt', () => {
  const project = brought('p { color: red } @container (width > 9px) { p { color: blue } }');
  const [question] = asked(project).questions;
  expect(story(project, 'color')).toMatchObject({ value: 'red', doubts: [{ value: 'blue' }] });
  expect(story(project, 'color', new Map([[question!.key, true]]))).toMatchObject({
    value: 'blue',
    doubts: [],
    origin: { candidate: { told: true, rule: { line: 1 } } },
    beaten: [{ value: 'red' }],
  });
  expect(story(project, 'color', new Map([[question!.key, false]]))).toMatchObject({ value: 'red', doubts: [] });
  expect(
    new ComputedStyles(project, project.pages[0]!, { width: 700, height: 800 }).value(idOf(project), 'color'),
  ).toBeUndefined();
});

test('what is weaker by its own selector is in no doubt, and what can’t hold there neither', () => {
  const project = brought('#a { color: red } p:has(b) { color: blue } @media (width < 500px) { #a:has(b) { color: tan } }');
  expect(story(project, 'color')).toMatchObject({ value: 'red', doubts: [] });
});

test('values that aren’t known here are taken as the browser takes them apart; what they don’t set is set elsewhere', () => {
  const project = brought('p { width: 3px; color: red } p { border-inline: 2px solid; inline-size: 40px }');
  const { questions } = asked(project);
  expect(questions).toHaveLength(1);
  expect(questions[0]!.values!.map(({ property }) => property)).toEqual(['border-inline', 'inline-size']);
  const told: Told = new Map([[questions[0]!.key, { width: '40px', 'border-left-width': '2px', height: null }]]);
  expect(story(project, 'width', told)).toMatchObject({ value: '40px', beaten: [{ value: '3px' }] });
  expect(story(project, 'height', told)).toMatchObject({ value: 'auto', doubts: [] });
  // Of what it says nothing, nothing is known still.
  expect(story(project, 'border-right-width', told).doubts).toHaveLength(1);
});

test('questions stand under the conditions of their rules, each by itself, and one that is cut off ends there', () => {
  const project = brought(
    '@media (width > 1px) { @container c (width > 9px) { p, .x::before { color: red } } } p:has(i { color: tan } p { width: calc-size(auto, (1px',
  );
  const { css, marks } = questionsOn(project, project.pages[0]!, [idOf(project), `${idOf(project)}::before`]);
  expect(css).toContain(
    '@media (width>1px) { @container c (width>9px) { @supports selector(p) and selector(.x::before) { p { --mp-ask-',
  );
  const [open, closed] = ['{(', '})'].map((signs) => [...css].filter((one) => signs.includes(one)).length);
  expect(open).toBe(closed);
  expect(new Set(marks).size).toBe(marks.length);
  expect(isAsking(project, project.pages[0]!)).toBe(true);
  expect(isAsking(brought('p { color: red }'), brought('p { color: red }').pages[0]!)).toBe(false);
});
