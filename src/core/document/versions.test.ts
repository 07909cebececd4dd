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
