import { bandAt } from '@/core/breakpoints';
import { demoProject } from '@/demo';
import { marksIn, rowsOf } from './rows';

const project = demoProject('00000000-0000-4000-8000-000000000000');
const page = project.pages[0]!;
const rows = (...closed: readonly string[]) => rowsOf(page.elements, page.root, new Set(closed));
const row = (name: string) => rows().find((one) => page.elements[one.id]!.name === name)!;
const marks = (width: number, name: string) => marksIn(project, page, bandAt(project, width))(page.elements[row(name).id]!);

test('what takes no room here is marked, with all that stands in it', () => {
  expect([marks(1200, 'Menu list').hidden, marks(1200, 'Catalogue entry').hidden, marks(1200, 'Menu button').hidden]).toEqual([
    false,
    false,
    true,
  ]);
  expect([marks(400, 'Menu list').hidden, marks(400, 'Catalogue entry').hidden, marks(400, 'Menu button').hidden]).toEqual([
    true,
    true,
    false,
  ]);
});

test('own values that hold through breakpoints are counted, each property once', () => {
  expect([marks(1200, 'Welcome').overrides, marks(700, 'Welcome').overrides, marks(400, 'Welcome').overrides]).toEqual([0, 6, 7]);
});

test('folded rows hide what is below, and say where they stand', () => {
  const header = row('Header');
  expect(header).toMatchObject({ level: 2, position: 1, siblings: 3, expanded: true });
  const folded = rows(header.id);
  expect(folded.find((one) => page.elements[one.id]!.name === 'Menu')).toBeUndefined();
  expect(folded.find((one) => page.elements[one.id]!.name === 'Header')!.expanded).toBe(false);
});
