import { insert, MAIN, make, TEXT } from '@/core/edits/project-for-tests';
import { spotOnRow } from './row-drop';

const page = make(insert('erow', 'div', 0), insert('ea', 'p', 0, 'erow'), insert('elist', 'ul')).pages[0]!;
const on = (id: string, part: number, ids = [TEXT]) => {
  const onto = spotOnRow(page, ids, id, part);
  return onto && [onto.how, onto.spot.parent, onto.spot.index];
};

test('a row is dropped before, into, or after another, by where on it the pointer is', () => {
  expect([on('erow', 0.1), on('erow', 0.5), on('erow', 0.9)]).toEqual([
    ['before', MAIN, 0],
    ['into', 'erow', 1],
    ['after', MAIN, 1],
  ]);
});

test('what holds nothing, or not this, is stood beside', () => {
  expect([on('ea', 0.4), on('ea', 0.6)]).toEqual([
    ['before', 'erow', 0],
    ['after', 'erow', 1],
  ]);
  expect([on('elist', 0.5)]).toEqual([['after', MAIN, page.elements[MAIN]!.children.indexOf('elist') + 1]]);
  expect(on(page.root, 0.5)).toEqual(['into', page.root, 1]);
});

test('nothing goes into itself or into what stands in it', () => {
  expect([on('erow', 0.5, ['erow']), on('ea', 0.5, ['erow']), on('ea', 0.5, [TEXT, 'erow'])]).toEqual([
    undefined,
    undefined,
    undefined,
  ]);
});
