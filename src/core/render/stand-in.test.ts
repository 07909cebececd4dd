import { demoProject } from '@/demo';
import { breakpoint, make, makeFrom, MIDDLE, NARROW, set, sheet, TEXT } from '../edits/project-for-tests';
import { seenBy } from './seen';
import { mediaFor, queryFor, valueFor, whatMatters } from './stand-in';

const MOUSE = { pointer: 'mouse' } as const;

test.each([
  [{ from: 600, pointer: 'finger' }, { pointer: 'finger' }, '(width >= 600px)'],
  [{ from: 600, pointer: 'finger' }, MOUSE, null],
  [{ pointer: 'remote' }, { pointer: 'remote' }, undefined],
  [{ below: 640, unit: 'em' }, { ...MOUSE, text: 1.5 }, '(width < 960px)'],
  [{ below: 640, unit: 'em' }, MOUSE, '(width < 40em)'],
  [{ heightBelow: 500 }, { ...MOUSE, height: 400 }, undefined],
  [{ heightBelow: 500 }, { ...MOUSE, height: 500 }, null],
  [{ orientation: 'landscape', from: 300 }, { ...MOUSE, height: 400 }, '(width >= 300px) and (width > 400px)'],
] as const)('%#: a condition for a reader whom the browser has not got', (condition, standIn, query) => {
  expect(queryFor(condition, standIn)).toBe(query);
});

test.each([
  ['(prefers-color-scheme: dark)', { ...MOUSE, scheme: 'dark' }, '(width >= 0px)'],
  ['(prefers-color-scheme: dark)', MOUSE, '(width < 0px)'],
  ['(any-hover: hover) and (min-width: 30em)', { ...MOUSE, text: 2 }, '(width >= 0px) and (min-width: 960px)'],
  [
    'screen and (min-resolution: 2dppx), (max-width: 10px)',
    { ...MOUSE, density: 3 },
    'screen and (width >= 0px), (max-width: 10px)',
  ],
  ['(400px <= height < 800px)', { ...MOUSE, height: 700 }, '(width >= 0px)'],
  ['(400px <= height < 800px)', MOUSE, '(400px <= height < 800px)'],
] as const)('%#: a query from elsewhere', (media, standIn, query) => {
  expect(mediaFor(media, standIn)).toBe(query);
});

test.each([
  ['min-height', '100vh', { height: 800 }, 'calc(100 * 8px)'],
  ['margin-top', 'calc(-2.5svh + 3vw)', { height: 800 }, 'calc(calc(-2.5 * 8px) + 3vw)'],
  ['width', '5vmin', { height: 500 }, 'calc(5 * min(1vw, 5px))'],
  ['background-image', 'url("a-10vh.svg")', { height: 500 }, 'url("a-10vh.svg")'],
  ['font-size', 'small', { text: 2 }, '28.48px'],
  ['border-top-width', 'medium', { text: 2 }, 'medium'],
  ['color-scheme', 'light dark', { scheme: 'dark' }, 'dark'],
  ['color-scheme', 'only light', { scheme: 'dark' }, 'only light'],
] as const)('%s: %s', (property, value, standIn, written) => {
  expect(valueFor(property, value, { ...MOUSE, ...standIn })).toBe(written);
});

test('only what a project asks about tells its readers apart', () => {
  const reader = { pointer: 'finger', scheme: 'dark', motion: 'reduced', density: 3 } as const;
  expect(whatMatters(make(), reader)).toEqual({ pointer: 'mouse' });
  expect(whatMatters(make(breakpoint('bp', 'Finger', { pointer: 'finger' })), reader)).toEqual({ pointer: 'finger' });
  const css = '@media (prefers-color-scheme: dark) { p { color: white } } @media (min-resolution: 2x) { p { margin: 0 } }';
  expect(whatMatters(make(sheet(css)), reader)).toEqual({ pointer: 'mouse', scheme: 'dark', density: 3 });
});

test('an edit changes what is seen where it holds, and nowhere else', () => {
  const before = makeFrom(demoProject('00000000-0000-4000-8000-000000000000'));
  const page = (project: typeof before) => project.pages[1]!;
  const id = Object.values(page(before).elements).find(({ name }) => name === 'Tool cards')!.id;
  const after = makeFrom(before, set(id, 'bnarrow', 'row-gap', '3px'));
  const at = (width: number) => ({ width, height: 700, pointer: 'mouse' as const });
  const changed = [320, 599, 600, 899, 900, 1700].filter(
    (width) => seenBy(before, page(before))(at(width)) !== seenBy(after, page(after))(at(width)),
  );
  expect(changed).toEqual([320, 599]);
  // A breakpoint that moves past a device's width is seen there, and only there.
  const moved = makeFrom(before, { type: 'moveBreakpoint', id: 'bnarrow', edge: 700 });
  const seen = [599, 650, 700].filter(
    (width) => seenBy(before, page(before))(at(width)) !== seenBy(moved, page(moved))(at(width)),
  );
  expect(seen).toEqual([650]);
});

test('devices with the same width but another pointer are told apart only where a condition is', () => {
  const plain = make(MIDDLE, NARROW, set(TEXT, 'bm', 'color', 'red'));
  const seen = (project: typeof plain, pointer: 'mouse' | 'finger') =>
    seenBy(project, project.pages[0]!)({ width: 500, height: 700, pointer });
  expect(seen(plain, 'mouse')).toBe(seen(plain, 'finger'));
  const touched = makeFrom(plain, breakpoint('bp', 'Finger', { pointer: 'finger' }), set(TEXT, 'bp', 'color', 'blue'));
  expect(seen(touched, 'mouse')).not.toBe(seen(touched, 'finger'));
});
