import fc from 'fast-check';
import { DEFAULT_SLICE } from '../breakpoints';
import type { Photo, Project } from '../document';
import { applyEdit, makeEdit } from '../edits';
import { planMoveChoice, planRemoveBreakpoint, planTurn, choosings, picturesOf, planChoose } from '../plans';
import { renderExport } from '../render';
import { clipOf, fitClip } from '../structure';
import { demoProject } from '@/demo';
import { pictureAt, pictureSchema } from '../document';
import type { Measured } from './index';
import {
  behindOn,
  behindWidth,
  drawnWidth,
  fetchedOn,
  focusWithin,
  ladderOf,
  piecesFor,
  rectangleFor,
  sizeAt,
  sizesText,
} from './index';

const demo = demoProject('00000000-0000-4000-8000-000000000000');
const page = demo.pages[0]!;
const { id: shop } = Object.values(page.elements).find(({ name }) => name === 'Shop picture')!;
const photo = (id: string) => demo.pictures.find((one) => one.id === id) as Photo;

test('lines say how wide a picture is shown within 0.75 px of all that was measured, and no more of them than bends', () => {
  const piece = fc.record({
    length: fc.integer({ min: 2, max: 90 }),
    slope: fc.constantFrom(0, 0.4, 0.333, 1),
    jump: fc.integer({ min: -90, max: 300 }),
    hidden: fc.boolean(),
  });
  fc.assert(
    fc.property(fc.array(piece, { minLength: 1, maxLength: 6 }), (parts) => {
      const measured: Measured[] = [];
      let [at, width] = [320, 300];
      for (const { length, slope, jump, hidden } of parts) {
        width = Math.max(20, width + jump);
        for (let i = 0; i < length; i++, at++, width += slope) measured.push([at, hidden ? 0 : width]);
      }
      const pieces = piecesFor(measured);
      for (const [viewport, wide] of measured)
        expect(Math.abs(sizeAt(pieces, viewport) - (wide || 1))).toBeLessThanOrEqual(wide ? 0.81 : 0);
      expect(pieces.length).toBeLessThanOrEqual(parts.length * 2);
    }),
  );
});

test('sizes are written as people would', () => {
  const along = (from: number, below: number, width: (at: number) => number) =>
    Array.from({ length: below - from }, (_, i): Measured => [from + i, width(from + i)]);
  const measured = [
    ...along(320, 600, (at) => at - 32),
    ...along(600, 900, (at) => at / 2),
    ...along(900, 1300, () => 0),
    ...along(1300, 1900, () => 560),
  ];
  expect(sizesText(piecesFor(measured))).toBe(
    '(min-width: 1300px) 560px, (min-width: 900px) 1px, (min-width: 600px) 50vw, calc(100vw - 32px)',
  );
  expect(sizesText([])).toBe('100vw');
});

test('what is left of a picture lies inside of it, has the ratio, and what must stay in sight is in it', () => {
  const side = fc.integer({ min: 1, max: 6000 });
  const percent = fc.integer({ min: 0, max: 100 });
  fc.assert(
    fc.property(
      side,
      side,
      fc.double({ min: 0.1, max: 10, noNaN: true }),
      percent,
      percent,
      fc.double({ min: 1, max: 8, noNaN: true }),
      (w, h, ratio, x, y, zoom) => {
        const cut = rectangleFor([w, h], { ratio, focus: [x, y], zoom });
        expect(Math.min(cut.width, cut.height)).toBeGreaterThanOrEqual(1);
        expect(Math.min(cut.x, cut.y, w - cut.x - cut.width, h - cut.y - cut.height)).toBeGreaterThanOrEqual(0);
        if (cut.width > 60 && cut.height > 60) expect(Math.abs(cut.width / cut.height / ratio - 1)).toBeLessThan(0.03);
        const inside = (at: number, start: number, length: number) => at >= start - 1 && at <= start + length + 1;
        expect(inside((x / 100) * w, cut.x, cut.width) && inside((y / 100) * h, cut.y, cut.height)).toBe(true);
        for (const one of focusWithin([w, h], cut, [x, y])) expect(one >= 0 && one <= 100).toBe(true);
      },
    ),
  );
  expect(rectangleFor([1800, 1125], { ratio: 1.2, focus: [50, 56], zoom: 1.15 })).toEqual({
    x: 315,
    y: 143,
    width: 1170,
    height: 975,
  });
});

test('files have the ratio of their picture, from one to the next by no more than half as wide again', () => {
  fc.assert(
    fc.property(fc.integer({ min: 200, max: 9000 }), fc.integer({ min: 200, max: 9000 }), (width, height) => {
      const widths = ladderOf({ width, height });
      expect(widths.at(-1)).toBeGreaterThanOrEqual(Math.min(width, 2500));
      widths.forEach((wide, i) => {
        if (i > 0) expect(wide / widths[i - 1]!).toBeLessThan(1.6);
        const high = (wide * height) / width;
        if (high > 100) expect(Math.abs(Math.round(high) - high) / high).toBeLessThan(0.003);
      });
    }),
  );
});

test('how wide a picture is drawn, by its fit and behind an element', () => {
  const room = { width: 200, height: 200 };
  const drawn = ['fill', 'cover', 'contain', 'none', 'scale-down'].map((fit) => drawnWidth(room, fit, 0.5, 640));
  expect(drawn).toEqual([200, 200, 100, 640, 100]);
  expect(['cover', 'contain', '50%', '50% auto', '120px', 'auto', 'auto 40px'].map((size) => behindWidth(room, size, 2))).toEqual(
    [...[400, 200, 100, 100, 120, undefined, undefined]],
  );
});

const choosing = (project: Project) => choosings(project).find(({ id }) => id === picturesOf(shop))!;
const shownAt = (project: Project, width: number) =>
  pictureAt(project.breakpoints, project.pages[0]!.elements[shop]!, { ...DEFAULT_SLICE, width });

test('another picture at a breakpoint goes along with it: moved, folded in, dropped, the set turned', () => {
  const moved = makeEdit(demo, planMoveChoice(demo, choosing(demo), 600, 700, 'pstreetcut', 'The cut one shows', 'bnew').edit);
  expect([599, 699, 700].map((width) => shownAt(moved.document, width))).toEqual(['pstreetcut', 'pstreetcut', 'pstreet']);
  expect(moved.footprint.gfront!.widths).toEqual([{ from: 600, below: 700 }]);
  expect(applyEdit(moved.document, moved.inverse).document).toEqual(demo);
  const middle = applyEdit(demo, planChoose(demo, choosing(demo), 'bmiddle', 'phammer', 'x').edit).document;
  const remove = (kind: 'drop' | 'fold') => applyEdit(middle, planRemoveBreakpoint(middle, 'bnarrow', { kind }).edit).document;
  expect([500, 700, 1000].map((width) => shownAt(remove('drop'), width))).toEqual(['phammer', 'phammer', 'pstreet']);
  let count = 0;
  const turned = applyEdit(middle, planTurn(middle, 'narrow-first', () => `bt${count++}`).edit).document;
  for (const width of [320, 599, 600, 899, 900, 1700])
    expect([width, shownAt(turned, width)]).toEqual([width, shownAt(middle, width)]);
});

test('what shows other pictures shows one of the project, and pictures that are shown stay', () => {
  const wrong = (edit: Parameters<typeof applyEdit>[1]) => () => applyEdit(demo, edit);
  const set = (node: string, pictures: Record<string, string>) => wrong({ type: 'setPictures', node, pictures });
  expect(set(shop, { bnarrow: 'pgone' })).toThrow("That picture isn't there.");
  expect(set(page.root, { bnarrow: 'phammer' })).toThrow('shows no pictures of its own');
  expect(wrong({ type: 'setAttribute', node: shop, name: 'src', value: null })).toThrow('take those away first');
  expect(wrong({ type: 'removePicture', id: 'pstreetcut' })).toThrow('Shop picture shows this picture.');
  expect(pictureSchema.safeParse({ ...photo('pstreet'), fileName: 'x.png' }).success).toBe(false);
  const { crop } = photo('pstreetcut').photo;
  const outside = { ...photo('pstreetcut').photo, crop: { ...crop!, x: 1_000 } };
  expect(pictureSchema.safeParse({ ...photo('pstreetcut'), photo: outside }).success).toBe(false);
});

test('copied into another project, an image takes along what it shows at breakpoints of the same name', () => {
  const clip = clipOf(demo, page, [shop]);
  const empty = { ...demo, pictures: [] };
  let count = 0;
  const { trees, pictures } = fitClip(empty, clip, () => `e${count++}`);
  expect(pictures.map(({ fileName }) => fileName)).toEqual(['shop-front-street.jpg', 'shop-front-street-cut.jpg']);
  expect(trees[0]![0]!.pictures).toEqual({ bnarrow: pictures[1]!.id });
});

test('a picture behind an element comes in two files where its own size doesn’t matter, and counts among what is fetched', () => {
  const style = (property: string, value: string) => ({
    type: 'setStyle' as const,
    owner: page.root,
    at: 'base',
    property,
    value,
  });
  const edits = [style('background-image', 'url(picture:pstreet)'), style('background-size', 'cover')];
  const project = edits.reduce((one, edit) => applyEdit(one, edit).document, demo);
  const behind = behindOn(project, project.pages[0]!, DEFAULT_SLICE);
  expect([...new Set(behind.map(({ element, picture, size }) => `${element} ${picture} ${size}`))]).toEqual([
    `${page.root} pstreet cover`,
  ]);
  const sizes = { images: new Map(), behind: new Map([['pstreet', 760]]) };
  const css = (known?: typeof sizes) =>
    (renderExport(project, known).find(({ path }) => path === 'styles.css')!.content as { text: string }).text;
  expect(css(sizes)).toContain(
    'background-image: image-set(url("pictures/shop-front-street-800.webp") 1x, url("pictures/shop-front-street-1800.webp") 2x);',
  );
  expect(css()).toContain('background-image: url("pictures/shop-front-street-1280.jpg");');
  const fetched = (density: number) =>
    fetchedOn(project, project.pages[0]!, sizes, behind, { ...DEFAULT_SLICE, width: 1200 }, density).find(
      ({ element }) => element === page.root,
    )!.width;
  expect([1, 2].map(fetched)).toEqual([800, 1800]);
});
