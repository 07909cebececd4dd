import type { LogEntry } from './history';
import { historyOf } from './history';

const entry = (id: string, kind: LogEntry['kind'] = 'do', of?: string): LogEntry => ({
  revision: 0,
  id,
  kind,
  of,
  edit: { type: 'group', label: id, edits: [] },
  inverse: { type: 'group', label: `not ${id}`, edits: [] },
});
const names = (entries: readonly LogEntry[]) => {
  const { undo, redo } = historyOf(entries);
  return { undo: undo.map((one) => one.id), redo: redo.map((one) => one.id) };
};

test('undo and redo move entries between the stacks', () => {
  expect(names([entry('a'), entry('b')])).toEqual({ undo: ['a', 'b'], redo: [] });
  expect(names([entry('a'), entry('b'), entry('c', 'undo', 'b')])).toEqual({ undo: ['a'], redo: ['b'] });
  expect(names([entry('a'), entry('b'), entry('c', 'undo', 'b'), entry('d', 'redo', 'b')])).toEqual({
    undo: ['a', 'b'],
    redo: [],
  });
});

test('a new edit forgets what was undone', () => {
  expect(names([entry('a'), entry('b', 'undo', 'a'), entry('c')])).toEqual({ undo: ['c'], redo: [] });
});

test('an undo of something unknown changes nothing', () => {
  expect(names([entry('a'), entry('b', 'undo', 'x')])).toEqual({ undo: ['a'], redo: [] });
});
