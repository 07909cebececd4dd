import { bandAt } from '@/core/breakpoints';
import { demoProject } from '@/demo';
import { rowsOf } from './rows';

const project = demoProject('00000000-0000-4000-8000-000000000000');
const page = project.pages[0]!;
const rows = (width: number, closed: readonly string[] = []) => rowsOf(project, page, bandAt(project, width), new Set(closed));
const row = (width: number, name: string) => rows(width).find((one) => one.element.name === name)!;

test('what takes no room here is marked, with all that stands in it', () => {
  expect([row(1200, 'Menu list').hidden, row(1200, 'Catalogue entry').hidden, row(1200, 'Menu button').hidden]).toEqual([
    false,
    false,
    true,
  ]);
  expect([row(400, 'Menu list').hidden, row(400, 'Catalogue entry').hidden, row(400, 'Menu button').hidden]).toEqual([
    true,
    true,
    false,
  ]);
});

test('own values that hold through breakpoints are counted, each property once', () => {
  expect([row(1200, 'Welcome').overrides, row(700, 'Welcome').overrides, row(400, 'Welcome').overrides]).toEqual([0, 6, 7]);
});

test('folded rows hide what is below, and say where they stand', () => {
  const header = row(1200, 'Header');
  expect(header).toMatchObject({ level: 2, position: 1, siblings: 3, expanded: true });
  const folded = rows(1200, [header.element.id]);
  expect(folded.find((one) => one.element.name === 'Menu')).toBeUndefined();
  expect(folded.find((one) => one.element.name === 'Header')!.expanded).toBe(false);
});
