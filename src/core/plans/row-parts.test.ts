import { childIds, pageOf, topOf } from '../document';
import { makeEdit } from '../edits';
import { renderExport } from '../render';
import { demoProject } from '@/demo';
import { planMakeList, planMakePart, planNoList, planTakeApart } from './index';

// Rows of real tables as parts and as lists.

const fresh = () => {
  let n = 0;
  return () => `r${(n++).toString(36)}`;
};
const demo = demoProject('00000000-0000-4000-8000-000000000000');
const page = pageOf(demo, 'ghours')!;
const row = (name: string) => Object.values(page.elements).find((one) => one.name === name && one.tag === 'tr')!.id;
const html = (project: typeof demo) => {
  const { content } = renderExport(project).find(({ path }) => path === 'hours.html')!;
  return ('text' in content ? content.text : '').replace(/ class="[^"]*"/g, '');
};

test('a row of a table becomes a part, the others alike its uses, and those rows of a list; the page stays as it is', () => {
  const newId = fresh();
  const parted = makeEdit(demo, planMakePart(demo, row('Tuesday'), true, newId).edit).document;
  const part = parted.parts.at(-1)!;
  expect([topOf(part)!.tag, Object.values(part.elements).map(({ tag }) => tag)]).toEqual([
    'tr',
    ['body', 'table', 'tbody', 'tr', 'th', 'td', 'td', 'td'],
  ]);
  const body = Object.values(pageOf(parted, 'ghours')!.elements).find(({ tag }) => tag === 'tbody')!;
  expect(childIds(body).map((id) => pageOf(parted, 'ghours')!.elements[id]!.use?.part)).toEqual(Array(4).fill(part.id));
  expect(html(parted)).toBe(html(demo));
  const listed = makeEdit(parted, planMakeList(parted, body.id, newId).edit).document;
  expect(html(listed)).toBe(html(demo));
  expect(listed.tables.at(-1)!.fields.map(({ name }) => name)).toEqual([
    'Tuesday heading',
    'Tuesday morning',
    'Tuesday evening',
    'Tuesday help',
  ]);
  const again = makeEdit(listed, planNoList(listed, body.id, newId).edit).document;
  expect(html(again)).toBe(html(demo));
  const use = childIds(pageOf(again, 'ghours')!.elements[body.id]!)[0]!;
  expect(html(makeEdit(again, planTakeApart(again, use, newId).edit).document)).toBe(html(demo));
});

test('what stands around a part of a row says nothing and holds nothing else', () => {
  const parted = makeEdit(demo, planMakePart(demo, row('Tuesday'), false, fresh()).edit).document;
  const part = parted.parts.at(-1)!;
  const around = Object.values(part.elements).find(({ tag }) => tag === 'table')!.id;
  expect(() => makeEdit(parted, { type: 'setStyle', owner: around, at: 'base', property: 'width', value: '9px' })).toThrow(
    /only there to show it/,
  );
  expect(() => makeEdit(parted, { type: 'removeElement', node: topOf(part)!.id })).toThrow(/one element that holds all others/);
});
