import fc from '../../../tests/chance';
import type { PageElement } from './element';
import { carried, changedIds, withElements } from './versions';

const element = (id: string, more: Partial<PageElement> = {}): PageElement => ({
  ...{ id, tag: 'p', name: id, attributes: {}, children: [], shared: [], styles: {} },
  ...more,
});
const first = { ea: element('ea'), eb: element('eb') };

test('what two versions have otherwise is known of copies, and looked for elsewhere', () => {
  const changed = withElements(first, [element('eb', { name: 'B' }), element('ec')]);
  expect(changedIds(first, changed)).toEqual(['eb', 'ec']);
  expect(changedIds(changed, first)).toEqual(['eb', 'ec']);
  const again = withElements(changed, [changed.ea!, first.eb]);
  expect([changedIds(changed, again), changedIds(first, again), changedIds(again, again)]).toEqual([['eb'], ['ec'], []]);
});

test('what is known of all elements is found anew only where a change matters', () => {
  let found = 0;
  const locked = carried(
    (elements) => {
      found++;
      return Object.keys(elements).filter((id) => elements[id]!.locked);
    },
    (before, after) => before?.locked !== after?.locked,
  );
  expect(locked(first)).toEqual([]);
  const named = withElements(first, [element('eb', { name: 'B' })]);
  expect([locked(named), locked(named), found]).toEqual([[], [], 1]);
  const closed = withElements(named, [element('ea', { locked: true })]);
  expect([locked(closed), found]).toEqual([['ea'], 2]);
  const { ea: _, ...gone } = closed;
  expect([locked(gone), found]).toEqual([[], 3]);
});

test('whatever versions come from each other, what they have otherwise is what all elements say', () => {
  const ids = ['ea', 'eb', 'ec', 'ed'];
  const step = fc.record({
    from: fc.nat(),
    ids: fc.subarray(ids, { minLength: 1 }),
    asked: fc.array(fc.tuple(fc.nat(), fc.nat()), { maxLength: 3 }),
  });
  fc.assert(
    fc.property(fc.array(step, { minLength: 2, maxLength: 12 }), (all) => {
      const versions: Record<string, PageElement>[] = [{ ...first }];
      for (const { from, ids: changed, asked } of all) {
        const before = versions[from % versions.length]!;
        // Some are as they were, in one that was written anew.
        versions.push(
          withElements(
            before,
            changed.map((id, i) => (i % 2 === 0 ? element(id) : (versions[0]![id] ?? element(id)))),
          ),
        );
        for (const [x, y] of asked) {
          const [a, b] = [versions[x % versions.length]!, versions[y % versions.length]!];
          const otherwise = ids.filter((id) => a[id] !== b[id]);
          expect([...changedIds(a, b)].sort()).toEqual(otherwise);
        }
      }
    }),
    { numRuns: 300 },
  );
});
