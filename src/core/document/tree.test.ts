import { demoProject } from '@/demo';
import { ancestorsOf, pageHolding, parentOf, subtreeOf } from './tree';

const project = demoProject('00000000-0000-4000-8000-000000000000');
const page = project.pages[0]!;
const named = (name: string) => Object.values(page.elements).find((element) => element.name === name)!;

test('parents and ancestors, from the nearest up to the body', () => {
  expect(parentOf(page, named('Menu list').id)!.name).toBe('Menu');
  expect(ancestorsOf(page, named('Menu list').id).map((element) => element.name)).toEqual(['Menu', 'Header', 'Front page']);
  expect(parentOf(page, page.root)).toBeUndefined();
});

test('a subtree is in reading order and whole', () => {
  expect(subtreeOf(page, named('Welcome words').id).map((element) => element.name)).toEqual([
    'Welcome words',
    'Title',
    'Introduction',
    'Short introduction',
    'Main button',
  ]);
  expect(subtreeOf(page, page.root)).toHaveLength(Object.keys(page.elements).length);
  expect(subtreeOf(page, 'enone')).toEqual([]);
});

test('an element names its page; parents of another version are not mixed up', () => {
  expect(pageHolding(project, named('Menu').id)).toBe(page);
  expect(pageHolding(project, 'enone')).toBeUndefined();
  const header = named('Header');
  const without = { ...page, elements: { ...page.elements, [header.id]: { ...header, children: [] } } };
  expect(parentOf(without, named('Menu').id)).toBeUndefined();
  expect(parentOf(page, named('Menu').id)).toBe(header);
});
