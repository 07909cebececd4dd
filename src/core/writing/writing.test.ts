import fc from 'fast-check';
import type { Edit } from '../edits';
import { applyEdit, makeEdit } from '../edits';
import { insert, make, MAIN, TEXT } from '../edits/project-for-tests';
import type { Piece } from '../written';
import { cutAt, leavesOf, lengthOfAll, marked, marksOf, piecesOf, replaced, unmarked } from '../written';
import { piecesIn, planContent, planJoin, planSplit } from './index';

let count = 0;
const newId = () => `en${count++}`;
const mark = (tag: string, ...children: Piece[]): Piece => ({ id: newId(), tag, children });
const words = (pieces: readonly Piece[]): string =>
  pieces.map((one) => (typeof one === 'string' ? one : words(one.children) || '¶')).join('');
/** As people read it: `a<strong>b</strong>`. */
const shown = (pieces: readonly Piece[]): string =>
  pieces.map((one) => (typeof one === 'string' ? one : `<${one.tag}>${shown(one.children)}</${one.tag}>`)).join('');

const arbitraryPieces: fc.Arbitrary<Piece[]> = fc.letrec<{ piece: Piece; list: Piece[] }>((tie) => ({
  piece: fc.oneof(
    { maxDepth: 3 },
    fc.constantFrom('a', 'bc', ' def ', 'ä😀'),
    fc
      .record({ tag: fc.constantFrom('strong', 'em', 'a', 'code', 'span', 'br'), children: tie('list') })
      .map(({ tag, children }): Piece => ({ id: newId(), tag, children: tag === 'br' ? [] : children })),
  ),
  list: fc.array(tie('piece'), { maxLength: 4 }),
})).list;

const idsIn = (pieces: readonly Piece[]): string[] =>
  pieces.flatMap((one) => (typeof one === 'string' ? [] : [one.id, ...idsIn(one.children)]));

test('pieces to leaves and back: the same words in the same marks, however they are cut', () => {
  fc.assert(
    fc.property(arbitraryPieces, fc.nat(20), fc.nat(20), (pieces, a, b) => {
      const leaves = leavesOf(pieces);
      const length = lengthOfAll(leaves);
      expect(words(pieces)).toHaveLength(length);
      const [from, to] = [Math.min(a, b, length), Math.min(Math.max(a, b), length)];
      const [before, after] = cutAt(leaves, from);
      expect(lengthOfAll(before)).toBe(from);
      expect(words(piecesOf([...before, ...after], newId))).toBe(words(pieces));
      for (const next of [
        marked(leaves, from, to, { id: newId(), tag: 'strong' }),
        unmarked(leaves, from, to, 'em'),
        replaced(leaves, from, to, [{ text: words(pieces).slice(from, to), path: [] }]),
      ]) {
        const written = piecesOf(next, newId);
        expect(words(written).replaceAll('¶', '')).toBe(words(pieces).replaceAll('¶', ''));
        expect(new Set(idsIn(written)).size).toBe(idsIn(written).length);
      }
      if (from < to)
        expect(marksOf(marked(leaves, from, to, { id: 'ex', tag: 'strong' }), from, to).map(({ tag }) => tag)).toContain(
          'strong',
        );
      expect(
        marksOf(unmarked(leaves, from, to, 'em'), from, to)
          .map(({ tag }) => tag)
          .filter((tag) => from < to && tag === 'em'),
      ).toEqual([]);
    }),
    { numRuns: 500 },
  );
});

test('marks meet: what is cut becomes two, a link goes around, neighbours of the same kind become one', () => {
  const leaves = leavesOf(['one ', mark('strong', 'two'), ' three']);
  const put = (next: ReturnType<typeof marked>) => shown(piecesOf(next, newId));
  expect(put(marked(leaves, 2, 6, { id: 'ex', tag: 'em' }))).toBe('on<em>e </em><strong><em>tw</em>o</strong> three');
  expect(put(marked(leaves, 2, 6, { id: 'ex', tag: 'a', attributes: { href: '#' } }))).toBe(
    'on<a>e <strong>tw</strong></a><strong>o</strong> three',
  );
  expect(put(marked(leaves, 7, 9, { id: 'ex', tag: 'strong' }))).toBe('one <strong>two t</strong>hree');
  expect(put(unmarked(leaves, 5, 6, 'strong'))).toBe('one <strong>t</strong>w<strong>o</strong> three');
  const link = marked(leaves, 0, 7, { id: 'ex', tag: 'a', attributes: { href: '#a' } });
  expect(put(marked(link, 2, 9, { id: 'ey', tag: 'a', attributes: { href: '#b' } }))).toBe(
    '<a>on</a><a>e <strong>two</strong> t</a>hree',
  );
});

const apply = (project: ReturnType<typeof make>, edit: Edit) => {
  const made = makeEdit(project, edit);
  expect(makeEdit(made.document, made.inverse).document).toEqual(project);
  return made.document;
};

test('what is written becomes the inside; elements that stay keep their values, new ones get names from their words', () => {
  const project = make();
  const page = project.pages[0]!;
  const bold = { id: 'ebold', tag: 'strong', children: ['loud'] };
  const first = apply(project, planContent(page, TEXT, ['So ', bold, '.']));
  expect(first.pages[0]!.elements.ebold).toMatchObject({ name: 'loud', tag: 'strong', children: [{ text: 'loud' }] });
  const coloured = applyEdit(first, { type: 'setStyle', owner: 'ebold', at: 'base', property: 'color', value: 'red' }).document;
  const pieces = piecesIn(coloured.pages[0]!, TEXT);
  expect(shown(pieces)).toBe('So <strong>loud</strong>.');
  // Cut in two: the second part looks as the first.
  const parts = piecesOf(unmarked(leavesOf(pieces), 5, 6, 'strong'), newId);
  const cut = apply(coloured, planContent(coloured.pages[0]!, TEXT, parts)).pages[0]!;
  const marks = cut.elements[TEXT]!.children.filter((child) => typeof child === 'string');
  expect(marks.map((id) => cut.elements[id]!.styles.base)).toEqual([{ color: 'red' }, { color: 'red' }]);
});

test('a mark in a mark, with nothing else in it, comes back as it was told', () => {
  const pieces = ['So ', mark('a', mark('strong', 'loud')), mark('em', mark('code', 'x'), mark('br'))];
  const project = apply(make(), planContent(make().pages[0]!, TEXT, pieces));
  const again = piecesIn(project.pages[0]!, TEXT);
  expect(shown(again)).toBe(shown(pieces));
  expect(idsIn(again)).toEqual(idsIn(pieces));
});

test('splitting and joining lead back, and keep values and shared styles', () => {
  const project = make({ type: 'setStyle', owner: TEXT, at: 'base', property: 'color', value: 'red' });
  const page = project.pages[0]!;
  const next = { id: 'enext', tag: 'p', pieces: ['here.'] };
  const split = apply(project, planSplit(page, TEXT, ['Write something '], [next]));
  const now = split.pages[0]!;
  expect(now.elements.enext).toMatchObject({ tag: 'p', styles: { base: { color: 'red' } }, children: [{ text: 'here.' }] });
  const joined = apply(split, planJoin(now, TEXT, 'enext', ['Write something ', 'here.'])).pages[0]!;
  expect(joined.elements).toEqual(page.elements);
});

test('what HTML does not allow is refused with the reason, what was broken before is not', () => {
  const project = make(insert('elink', 'a', 0, MAIN), insert('ebox', 'div', 0, MAIN));
  const page = project.pages[0]!;
  expect(() => planContent(page, 'elink', [mark('a', 'x')])).toThrow(/can't stand inside another/);
  expect(() => planContent(page, 'elink', [mark('button', 'x')])).toThrow(/can't stand inside <a>/);
  expect(() => planContent(page, TEXT, [mark('div', 'x')])).toThrow(/holds text/);
  expect(() => planContent(page, 'egone', ['x'])).toThrow(/removed/);
});
