import { demoProject } from '@/demo';
import type { LogEntry } from '@/core/edits';
import { applyEdit, EMPTY_HISTORY } from '@/core/edits';
import type { Edit } from '@/core/edits';
import { rebase } from './rebase';

const demo = demoProject('00000000-0000-4000-8000-000000000000');
const [, node, other] = Object.keys(demo.pages[0]!.elements);
const set = (id: string, value: string): Edit => ({ type: 'setStyle', node: id, at: 'base', property: 'color', value });
const entry = (id: string, edit: Edit): LogEntry => ({
  revision: 1,
  id,
  kind: 'do',
  edit,
  inverse: applyEdit(demo, edit).inverse,
});

test("one's own edits are made again on top of those of others", () => {
  const rebased = rebase(
    demo,
    EMPTY_HISTORY,
    [entry('a', set(other!, 'red'))],
    [{ id: 'b', kind: 'do', edit: set(node!, 'blue') }],
  );
  const { elements } = rebased.project.pages[0]!;
  expect([elements[node!]!.styles.base!.color, elements[other!]!.styles.base!.color]).toEqual(['blue', 'red']);
  expect(rebased.confirmed.pages[0]!.elements[node!]!.styles.base?.color).toBeUndefined();
  expect(rebased.history.undo.map((one) => one.id)).toEqual(['a', 'b']);
});

test('what had arrived already is not made twice', () => {
  const edit: Edit = { type: 'addBreakpoint', breakpoint: { id: 'bnew', name: 'New', condition: { below: 500 } } };
  const rebased = rebase(demo, EMPTY_HISTORY, [entry('b', edit)], [{ id: 'b', kind: 'do', edit }]);
  expect(rebased.pending).toEqual([]);
  expect(rebased.lost).toEqual([]);
});

test('what can not be made any more is said, and the rest goes on', () => {
  const removal = entry('a', { type: 'removeElement', node: node! });
  const rebased = rebase(demo, EMPTY_HISTORY, [removal], [
    { id: 'b', kind: 'do', edit: set(node!, 'blue') },
    { id: 'c', kind: 'do', edit: { type: 'renameBreakpoint', id: 'bmiddle', name: 'Half' } },
  ]); // prettier-ignore
  expect(rebased.lost).toEqual([expect.stringMatching(/removed/)]);
  expect(rebased.pending.map((edit) => edit.id)).toEqual(['c']);
});
