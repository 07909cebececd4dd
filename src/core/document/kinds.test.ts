import { HEADING, insert, make, makeFrom, set, shared, TEXT } from '../edits/project-for-tests';
import { carriersOf, ownerName } from '../edits/owners';
import { classesOf, classNames, sameClassNames } from './class-names';
import { HTML_TAGS } from './html';
import { KINDS, kindOf } from './kinds';

test('each element is of one kind at most, and what is given beats the tag', () => {
  const tags = KINDS.flatMap((kind) => kind.tags);
  expect(new Set(tags).size).toBe(tags.length);
  for (const tag of tags) expect(HTML_TAGS).toContain(tag);
  expect(kindOf({ tag: 'h3' })?.many).toBe('headings');
  expect(kindOf({ tag: 'span' })).toBeUndefined();
  expect(kindOf({ tag: 'section', kind: 'krow' })?.many).toBe('rows');
});

test('carriers: all of a kind, those that carry a style, an element itself', () => {
  const project = make(insert('e1', 'p'), insert('e2', 'div'), shared('e1', HEADING), {
    type: 'setKind',
    node: 'e2',
    kind: 'krow',
  });
  const names = (owner: string) =>
    carriersOf(project, owner)
      .map(({ element }) => element.id)
      .sort();
  expect(names('ktext')).toEqual(['e1', TEXT].sort());
  expect(names('krow')).toEqual(['e2']);
  expect(names('sx')).toEqual(['e1', HEADING].sort());
  expect(names('e2')).toEqual(['e2']);
  expect(names('egone')).toEqual([]);
  expect(['ktext', 'sx', TEXT, 'egone'].map((owner) => ownerName(project, owner))).toEqual([
    'all texts',
    'shared style Quiet',
    'First text',
    'a removed element',
  ]);
});

test('classes: the given kind, then shared styles in the order of the project, then its own', () => {
  const project = make(
    insert('e1', 'div'),
    { type: 'renameElement', node: 'e1', name: 'Row' },
    { type: 'addShared', style: { id: 'sa', name: 'Alpha', styles: {} } },
    { type: 'addShared', style: { id: 'sb', name: 'Beta', styles: {} } },
    { type: 'carryShared', node: 'e1', shared: ['sb', 'sa'] },
    set('e1', 'base', 'gap', '1px'),
  );
  expect(classesOf(project, project.pages[0]!.elements.e1!)).toEqual(['alpha', 'beta', 'row']);
  // The kind's class is its own: an element of the same name gets another.
  const given = makeFrom(project, { type: 'setKind', node: 'e1', kind: 'krow' });
  expect(classesOf(given, given.pages[0]!.elements.e1!)).toEqual(['row', 'alpha', 'beta', 'row-2']);
});

test('names that are said to be the same are taken over', () => {
  const before = make(set(TEXT, 'base', 'width', '1px'));
  const after = makeFrom(before, set(TEXT, 'base', 'width', '2px'));
  sameClassNames(before, after);
  expect(classNames(after)).toBe(classNames(before));
});
