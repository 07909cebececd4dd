import { demoProject } from '@/demo';
import type { PageElement } from '../document';
import { kept, pageOf, usesIn } from '../document';
import type { Edit } from './edit';
import { makeEdit } from './make-edit';
import { throughParts } from './through-parts';

const demo = demoProject('00000000-0000-4000-8000-000000000000');
const front = pageOf(demo, 'gfront')!;
const [CARD] = usesIn(front.elements).filter((id) => front.elements[id]!.use!.part === 'mcard');
const HEADER = usesIn(front.elements).find((id) => front.elements[id]!.use!.part === 'mheader')!;
const named = (part: string, name: string) => Object.values(pageOf(demo, part)!.elements).find((one) => one.name === name)!.id;
const PLACE = named('mcard', 'Place');
const BUTTON = named('mcard', 'Reserve');
const LIST = named('mheader', 'Menu list');
const set = (owner: string): Edit => ({ type: 'setStyle', owner, at: 'base', property: 'color', value: 'red' });

test('a value goes to the part or to the use; a use itself is placed by what uses it', () => {
  expect(throughParts(demo, set(`${CARD}.${PLACE}:hover`), 'part')).toEqual(set(`${PLACE}:hover`));
  expect(throughParts(demo, set(`${CARD}.${PLACE}`), 'here')).toEqual(set(`${CARD}.${PLACE}`));
  expect(throughParts(demo, set(CARD!), 'part')).toEqual(set(named('mcard', 'Card')));
  const untouched = set(front.root);
  expect(throughParts(demo, untouched, 'part')).toBe(untouched);
});

test('what is taken away goes from the part, or is left out here; a use goes as a whole', () => {
  const remove = (node: string): Edit => ({ type: 'removeElement', node });
  expect(throughParts(demo, remove(`${CARD}.${BUTTON}`), 'part')).toEqual(remove(BUTTON));
  expect(throughParts(demo, remove(`${CARD}.${BUTTON}`), 'here')).toEqual({
    type: 'setHidden',
    node: `${CARD}.${BUTTON}`,
    hidden: true,
  });
  expect(throughParts(demo, remove(CARD!), 'part')).toEqual(remove(CARD!));
});

test('what is put in or moved stays in its part, and is refused for one use', () => {
  const item: PageElement = { id: 'enew', tag: 'li', name: 'New', attributes: {}, children: [], shared: [], styles: {} };
  const insert = (parent: string): Edit => ({ type: 'insertElement', page: 'gfront', parent, index: 0, elements: [item] });
  const edit = throughParts(demo, insert(`${HEADER}.${LIST}`), 'part');
  expect(edit).toMatchObject({ page: 'mheader', parent: LIST });
  const { document, footprint } = makeEdit(demo, edit);
  expect(Object.keys(footprint).sort()).toEqual(['gcatalogue', 'gfront', 'ghours', 'gjoin', 'gtool', 'gtools', 'mheader']);
  expect(pageOf(document, 'gjoin')!.elements).toHaveProperty(['ejoin1.enew']);
  expect(() => throughParts(demo, insert(`${HEADER}.${LIST}`), 'here')).toThrow(/the same in all of its uses/);
  const out: Edit = { type: 'moveElement', node: `${HEADER}.${LIST}`, parent: front.root, index: 0 };
  expect(() => throughParts(demo, out, 'part')).toThrow(/can't be moved out of it/);
});

test('in one use only words can differ: a mark more is refused, a word more is a text of its own', () => {
  const node = `${CARD}.${PLACE}`;
  const content = (children: readonly (string | { text: string })[], elements: PageElement[] = []): Edit => ({
    ...{ type: 'setContent', node, children, elements },
  });
  expect(throughParts(demo, content([{ text: 'Elsewhere' }]), 'here')).toEqual({ type: 'sayTexts', node, texts: ['Elsewhere'] });
  const mark: PageElement = { id: 'em', tag: 'strong', name: 'Strong', attributes: {}, children: [], shared: [], styles: {} };
  expect(() => throughParts(demo, content(['em', { text: '' }], [mark]), 'here')).toThrow(/only its words can differ/);
  const toPart = throughParts(demo, content(['em', { text: 'there' }], [mark]), 'part');
  expect(makeEdit(demo, toPart).document.parts.find(({ id }) => id === 'mcard')!.elements).toHaveProperty('em');
});

test('the second use on a page has ids of its own, and what refers to them goes along', () => {
  const plain = { shared: [], styles: {} };
  const field: readonly PageElement[] = [
    { ...plain, id: 'el', tag: 'label', name: 'Label', attributes: { for: 'search' }, children: [{ text: 'Find' }] },
    { ...plain, id: 'ei', tag: 'input', name: 'Field', attributes: { id: 'search', type: 'search' }, children: [] },
  ];
  const top: PageElement = {
    ...{ id: 'et', tag: 'div', name: 'Search', attributes: {}, children: ['el', 'ei'], shared: [], styles: {} },
  };
  const body: PageElement = { ...top, id: 'eb', tag: 'body', name: 'Around', children: ['et'] };
  const elements = Object.fromEntries([body, top, ...field].map((one) => [one.id, one]));
  const uses = ['eu1', 'eu2'].map((id): PageElement => ({ ...top, id, children: [], use: { part: 'ms', says: {} } }));
  const edits: Edit[] = [
    { type: 'addPart', part: { id: 'ms', name: 'Search', slug: 'ms', root: 'eb', elements } },
    ...uses.map((use): Edit => ({ type: 'insertElement', page: 'gfront', parent: front.root, elements: [use] })),
  ];
  const { document, inverse } = makeEdit(demo, { type: 'group', label: 'Two', edits });
  const shown = pageOf(document, 'gfront')!.elements;
  expect([shown['eu1.el'], shown['eu1.ei'], shown['eu2.el'], shown['eu2.ei']].map((one) => one!.attributes)).toEqual([
    { for: 'search' },
    { id: 'search', type: 'search' },
    { for: 'search-2' },
    { id: 'search-2', type: 'search' },
  ]);
  expect(Object.keys(pageOf(kept(document), 'gfront')!.elements)).not.toContain('eu1.el');
  expect(makeEdit(document, inverse).document).toEqual(demo);
});
