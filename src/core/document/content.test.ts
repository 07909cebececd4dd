import fc from 'fast-check';
import type { Child } from './content';
import { childIds, childrenSchema, normalChildren, ownText } from './content';
import { offsetOf, withChild, withoutChild } from './content-place';
import { readProject } from './migrate';
import { newProject } from './new-project';

const children = fc
  .array(
    fc.oneof(
      fc.constantFrom('', 'a', 'bc ', 'ä😀').map((text): Child => ({ text })),
      fc.nat(99).map((n): Child => `e${n}`),
    ),
    { maxLength: 7 },
  )
  .map((list) => list.filter((child, i) => typeof child !== 'string' || list.indexOf(child) === i));

test('one form for the same inside: no empty text, no two beside each other, and that form is its own', () => {
  fc.assert(
    fc.property(children, (list) => {
      const normal = normalChildren(list);
      expect(ownText({ children: normal })).toBe(ownText({ children: list }));
      expect(childIds({ children: normal })).toEqual(list.filter((child) => typeof child === 'string'));
      expect(normalChildren(normal)).toEqual(normal);
      expect(childrenSchema.parse(list)).toEqual(normal);
      normal.forEach((child, i) => {
        if (typeof child === 'string') return;
        expect(typeof normal[i + 1]).not.toBe('object');
        if (child.text === '') expect([i, ownText({ children: normal })]).toEqual([normal.length - 1, '']);
      });
    }),
  );
});

test('an element taken out and put back where it stood: the same inside, whatever text was around it', () => {
  fc.assert(
    fc.property(children.map(normalChildren), fc.nat(7), (list, n) => {
      const ids = childIds({ children: list });
      fc.pre(ids.length > 0);
      const id = ids[n % ids.length]!;
      const offset = offsetOf(list, id);
      expect(withChild(withoutChild(list, id), ids.indexOf(id), id, offset)).toEqual(list);
    }),
  );
});

test('a place in a text is never between the halves of one character', () => {
  expect(withChild([{ text: 'a😀b' }], 0, 'e1', 2)).toEqual([{ text: 'a' }, 'e1', { text: '😀b' }]);
  expect(withChild([{ text: 'ab' }], 0, 'e1', 99)).toEqual([{ text: 'ab' }, 'e1']);
  expect(withChild([{ text: 'ab' }], 0, 'e1')).toEqual([{ text: 'ab' }, 'e1']);
});

test('a project stored by the version before, in which an element had a text or elements, opens as it was', () => {
  const project = newProject('00000000-0000-4000-8000-000000000000', 'Old');
  const old = JSON.parse(JSON.stringify(project)) as typeof project;
  (old as { schema: number }).schema = 6;
  for (const elements of [...old.pages.map((page) => page.elements)])
    for (const element of Object.values(elements) as unknown as { text?: string; children: unknown[] }[]) {
      const [only] = element.children as Child[];
      if (only === undefined || typeof only === 'string') continue;
      element.text = only.text;
      element.children = [];
    }
  const [row] = Object.values(old.pages[0]!.elements).filter(({ tag }) => tag === 'main');
  const table = { ...row!, id: 'etable', tag: 'table', name: 'Table', children: [], text: 'Loose words', styles: {} };
  const block = { id: 'oblock', name: 'Kept', elements: [{ ...old.pages[0]!.elements.efirsth!, id: 'ekept' }] };
  const read = readProject({ ...old, blocks: [block] });
  expect(read.pages).toEqual(project.pages);
  expect(read.blocks[0]!.elements[0]!.children).toEqual([{ text: 'Old' }]);
  // A text that parsers would show outside of its table gets a place in it.
  const main = { ...row!, children: [...row!.children, 'etable'] };
  const elements = { ...old.pages[0]!.elements, [main.id]: main, etable: table };
  const tabled = readProject({ ...old, pages: [{ ...old.pages[0]!, elements }] }).pages[0]!.elements;
  expect(tabled.etable!.children).toEqual(['etableq0']);
  expect(tabled.etableq0).toMatchObject({ tag: 'caption', children: [{ text: 'Loose words' }] });
  expect(() => readProject({ ...old, pages: [{ ...old.pages[0]!, elements: 'none' }] })).toThrow(/pages/);
  expect(() => readProject({ ...old, pages: [{ ...old.pages[0]!, elements: { ex: null } }] })).toThrow(/pages/);
  expect(() => readProject({ ...old, blocks: [{ ...block, elements: [null, 1] }] })).toThrow(/blocks/);
});

test('what is no child is said by what is wrong with it', () => {
  const wrong = (list: unknown) => childrenSchema.safeParse(list).error?.issues[0]?.message;
  expect(wrong(['e1', 'x y'])).toMatch(/element id/);
  expect(wrong([{ text: 'x'.repeat(200_001) }])).toMatch(/at most 200000/);
  expect(wrong([{ text: 'x', more: 1 }])).toMatch(/more/);
  expect(wrong([null])).toMatch(/id of an element, or a text/);
});
