import type { PageElement } from './element';
import { freshHtmlIds, withHtmlIds } from './html-ids';

const field = (attributes: Record<string, string>): PageElement => ({
  id: 'e1',
  tag: 'input',
  name: 'Field',
  attributes,
  children: [],
  shared: [],
  styles: {},
});

test('ids that are taken get the next number; each once, whatever the number of copies', () => {
  const fresh = freshHtmlIds([field({ id: 'field' }), field({ id: 'other' }), field({})], new Set(['field', 'field-2']));
  expect([...fresh]).toEqual([
    ['field', 'field-3'],
    ['other', 'other'],
  ]);
  expect([...freshHtmlIds([field({ id: 'a' }), field({ id: 'a-2' })], new Set(['a']))]).toEqual([
    ['a', 'a-2'],
    ['a-2', 'a-2-2'],
  ]);
});

test('what refers to an id goes along: labels, descriptions, links within the page', () => {
  const fresh = new Map([
    ['field', 'field-2'],
    ['hint', 'hint-2'],
  ]);
  expect(withHtmlIds({ id: 'field', for: 'field', 'aria-describedby': 'hint note', href: '#field' }, fresh)).toEqual({
    id: 'field-2',
    for: 'field-2',
    'aria-describedby': 'hint-2 note',
    href: '#field-2',
  });
  expect(withHtmlIds({ href: '#', for: 'elsewhere', title: 'field' }, fresh)).toEqual({
    href: '#',
    for: 'elsewhere',
    title: 'field',
  });
});
