import { DEFAULT_SLICE } from '../breakpoints';
import { insert, MAIN, make, MIDDLE, set, TEXT, HEADING } from '../edits/project-for-tests';
import type { PageBox, Side } from './crossing';
import { changeInWords, crossingBetween } from './crossing';

const project = make(
  MIDDLE,
  insert('ea', 'p'),
  insert('eb', 'p', 3),
  set('ea', 'bm', 'display', 'none'),
  set('eb', 'bm', 'order', '-1'),
  set(TEXT, 'bm', 'color', 'red'),
);
const page = project.pages[0]!;
const side = (width: number, boxes: Record<string, PageBox>): Side => ({
  viewport: { ...DEFAULT_SLICE, width },
  boxes: new Map(Object.entries(boxes)),
});
const body = page.root;
const outer = (width: number, height: number): Record<string, PageBox> => ({
  [body]: [0, 0, width, height],
  [MAIN]: [0, 0, width, height],
});
const wide = side(900, {
  ...outer(900, 300),
  [HEADING]: [0, 0, 900, 40],
  [TEXT]: [0, 40, 900, 20],
  ea: [0, 60, 900, 20],
  eb: [0, 80, 900, 20],
});
const narrow = side(899, { ...outer(899, 280), [HEADING]: [0, 20, 899, 40], [TEXT]: [0, 60, 899, 20], eb: [0, 0, 899, 20] });
const crossing = crossingBetween(project, page, wide, narrow);
const of = (id: string) => crossing.changes.find((change) => change.id === id);

test('values, what shows, order and place are each told from what to what', () => {
  expect(of('ea')).toMatchObject({ shown: 'goes', values: [{ property: 'display', before: 'block', after: 'none' }] });
  expect(of('eb')).toMatchObject({ order: { before: 3, after: 1 }, moved: { before: [0, 80], after: [0, 0] } });
  expect(of(TEXT)).toMatchObject({ values: [{ property: 'color', after: 'red' }], order: { before: 2, after: 3 } });
  expect(of(MAIN)).toMatchObject({ values: [], resized: { before: [900, 300], after: [899, 280] } });
  expect(changeInWords(of('eb')!)).toEqual(['place among its siblings: 3 → 1', 'from the corner: 0, 80 → 0, 0 px']);
});

test('what nobody wrote anything for, in it, above it or beside it, is expected to stay; whether it does is told', () => {
  // Here something is written in everything, or beside it.
  expect([...crossing.stayed, ...crossing.strayed]).toEqual([]);
  const plain = make(MIDDLE, insert('ea', 'section'), insert('eb', 'p', 0, 'ea'), set(TEXT, 'bm', 'order', '1'));
  const boxes = { [HEADING]: [0, 0, 100, 40], eb: [0, 60, 100, 20] } as const;
  const across = (shift: number) =>
    crossingBetween(
      plain,
      plain.pages[0]!,
      side(900, { ...outer(900, 300), ...boxes, ea: [0, 60, 100, 20] }),
      side(899, { ...outer(899, 300), ...boxes, ea: [0, 60, 100, 20], eb: [shift, 60, 100, 20] }),
    );
  expect(across(0)).toMatchObject({ stayed: ['eb'], strayed: [] });
  expect(across(9)).toMatchObject({ stayed: [], strayed: ['eb'] });
});

test('without a crossing nothing differs: a px more is no change', () => {
  const same = crossingBetween(project, page, wide, { ...wide, viewport: { ...wide.viewport, width: 901 } });
  expect(same.changes).toEqual([]);
});
