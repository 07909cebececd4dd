import fc from 'fast-check';
import type { Browser, Page as BrowserPage } from 'playwright-core';
import { DEFAULT_SLICE } from '@/core/breakpoints';
import type { Project } from '@/core/document';
import { applyEdit } from '@/core/edits';
import { insert, MAIN, make, makeFrom, NARROW, set } from '@/core/edits/project-for-tests';
import { FlexLines } from '@/core/audit/typeset/flex-lines';
import { columnEnds } from '@/core/audit/typeset/fr-columns';
import { facts } from '@/core/audit/checks/facts-for-tests';
import type { Span } from '@/core/grid';
import { layColumns, edgesOfColumns, placeSpans, readSpan, spanDeclarations } from '@/core/grid';
import { planHeights, planOrder, planShares, planWidths } from '@/core/plans';
import { previewDocument, renderPreview } from '@/core/render';
import { fluidAt, fluidValue, HOLD_ACROSS, HOLD_DOWN, holdDeclarations, readHold } from '@/core/styles';
import { launchChromium } from '@/server/browser/chromium';

// What the core works out about layout must be what Chromium lays out.

let browser: Browser;
let page: BrowserPage;

beforeAll(async () => {
  browser = await launchChromium();
  page = await browser.newPage({ viewport: { width: 1200, height: 800 } });
}, 60_000);
afterAll(() => browser.close());

type Box = readonly [left: number, top: number, width: number, height: number];

async function boxes(html: string, selector: string, width = 1200): Promise<Box[]> {
  await page.setViewportSize({ width, height: 800 });
  await page.setContent(html);
  return page.evaluate(
    (wanted) =>
      [...document.querySelectorAll(wanted)].map((element) => {
        const { left, top, width: w, height: h } = element.getBoundingClientRect();
        return [left, top, w, h] as const;
      }),
    selector,
  );
}

const shown = (project: Project, selector: string, width: number) =>
  boxes(
    previewDocument(
      renderPreview(project, project.pages[0]!, () => 'data:,'),
      '',
    ),
    selector,
    width,
  );

test('items break into rows as Chromium places them', async () => {
  const item = fc.record(
    { span: fc.integer({ min: 1, max: 8 }), start: fc.integer({ min: 1, max: 7 }) },
    { requiredKeys: ['span'] },
  );
  await fc.assert(
    fc.asyncProperty(
      fc.integer({ min: 1, max: 8 }),
      fc.array(item, { minLength: 1, maxLength: 9 }),
      async (columns, items: Span[]) => {
        const fit = placeSpans(columns, items);
        const style = (one: Span) =>
          Object.entries(spanDeclarations(one))
            .map(([name, value]) => `${name}:${value}`)
            .join(';');
        // Every column, added ones too, is 10 px wide and every row 10 px high.
        const html = `<!doctype html><body style="margin:0"><div style="display:grid;width:0;grid-template-columns:repeat(${columns},10px);grid-auto-columns:10px;grid-auto-rows:10px">${items.map((one) => `<i style="${style(one)}"></i>`).join('')}</div>`;
        const seen = (await boxes(html, 'i')).map(([left, top, width]) => ({
          row: top / 10 + 1,
          start: left / 10 + 1,
          span: width / 10,
        }));
        expect(fit.placed).toEqual(seen);
        expect(fit.rows).toBe(Math.max(...seen.map(({ row }) => row)));
      },
    ),
    { numRuns: 75 },
  );
});

test('lines that are written in other ways are read as Chromium reads them', async () => {
  for (const [start, end] of [
    ['2', '4'],
    ['4', '2'],
    ['3', '3'],
    ['span 2', '5'],
    ['-3', '-1'],
    ['auto', 'span 3'],
    ['span 2', 'auto'],
    ['2', 'auto'],
    ['auto', '4'],
    ['auto', 'auto'],
  ] as const) {
    const html = `<!doctype html><body style="margin:0"><div style="display:grid;grid-template-columns:repeat(6,10px);grid-auto-rows:10px"><i style="grid-column:${start} / ${end}"></i></div>`;
    const [box] = await boxes(html, 'i');
    const asked = readSpan(start, end, 6)!;
    expect([start, end, { start: asked.start ?? 1, span: asked.span }]).toEqual([
      start,
      end,
      { start: box![0] / 10 + 1, span: box![2] / 10 },
    ]);
  }
  expect(readSpan('header', 'auto', 6)).toBeUndefined();
});

test('a fluid value is what was asked for at both widths and even between', async () => {
  const px = fc.double({ min: 4, max: 90, noNaN: true }).map((value) => Math.round(value * 10) / 10);
  await fc.assert(
    fc.asyncProperty(px, px, fc.integer({ min: 240, max: 900 }), fc.integer({ min: 40, max: 1600 }), async (a, b, from, more) => {
      const fluid = { from: { width: from, px: a }, to: { width: from + more, px: b } };
      const result = fluidValue(fluid);
      if (!result.ok) return expect(a).toBe(b);
      for (const width of [from - 40, from, from + Math.round(more / 3), from + more, from + more + 100]) {
        const [box] = await boxes(
          `<!doctype html><body style="margin:0"><i style="display:block;width:10px;height:${result.value}"></i>`,
          'i',
          width,
        );
        expect(Math.abs(box![3] - fluidAt(fluid, width))).toBeLessThan(0.03);
      }
    }),
    { numRuns: 12 },
  );
});

test('nine places hold a box where they say, with offsets, whatever its size', async () => {
  for (const across of HOLD_ACROSS)
    for (const down of HOLD_DOWN)
      for (const auto of [true, false]) {
        const hold = { across, down, x: '7px', y: '-5px' };
        const values = holdDeclarations(hold, { width: auto, height: auto });
        expect(readHold({ ...values })).toEqual(hold);
        const size = auto ? '' : 'width:60px;height:20px;';
        const style =
          size +
          Object.entries(values)
            .map(([name, value]) => `${name}:${value}`)
            .join(';');
        const html = `<!doctype html><body style="margin:0"><div style="position:relative;width:300px;height:200px"><i style="${style}"><b style="display:block;width:60px;height:20px"></b></i></div>`;
        const left = { left: 7, centre: 127, right: 233 }[across];
        const top = { top: -5, middle: 85, bottom: 185 }[down];
        expect([across, down, auto, ...(await boxes(html, 'i'))]).toEqual([across, down, auto, [left, top, 60, 20]]);
      }
});

const ROW = makeFrom(
  make(insert('erow', 'div', 0), ...['ea', 'eb', 'ec'].map((id, i) => insert(id, 'div', i, 'erow')), NARROW),
  set(MAIN, 'base', 'padding', '0'),
  set('efirstbody', 'base', 'margin', '0'),
  ...['ea', 'eb', 'ec'].flatMap((id, i) => [
    set(id, 'base', 'min-height', `${20 + i * 10}px`),
    set(id, 'base', 'overflow-wrap', 'anywhere'),
  ]),
  { type: 'setText' as const, node: 'ea', text: 'Unbrokenlongword'.repeat(8) },
);
const ITEMS = ['ea', 'eb', 'ec'];
const widthsAt = async (project: Project, width: number) =>
  (await shown(project, 'main > div > div', width)).map(([, , w]) => Math.round(w * 10) / 10);

test.each([
  ['a flex row', [set('erow', 'base', 'display', 'flex')]],
  ['a grid', [set('erow', 'base', 'display', 'grid'), set('erow', 'base', 'grid-template-columns', 'auto auto auto')]],
  ['blocks', []],
] as const)('widths in a ratio, and equal ones, in %s', async (_, edits) => {
  const project = makeFrom(ROW, ...edits);
  const page0 = project.pages[0]!;
  const ratio = planWidths(project, DEFAULT_SLICE, page0, ITEMS, 'base', [1, 3, 2]);
  expect(await widthsAt(applyEdit(project, ratio.edit).document, 900)).toEqual([150, 450, 300]);
  const even = planWidths(project, DEFAULT_SLICE, page0, ITEMS, 'base', [1, 1, 1]);
  expect(await widthsAt(applyEdit(project, even.edit).document, 900)).toEqual([300, 300, 300]);
  const high = planHeights(project, DEFAULT_SLICE, page0, ITEMS, 'base');
  const heights = await shown(applyEdit(project, high.edit).document, 'main > div > div', 900);
  expect(new Set(heights.map(([, , , height]) => height)).size).toBe(1);
});

test('thirds here, halves there: shares of a row at each place alone', async () => {
  let project = makeFrom(ROW, {
    type: 'setColumns',
    page: null,
    at: 'base',
    grid: { columns: 12, gutter: 30, margin: 0, align: 'left', columnLeast: 10 },
  });
  for (const [at, parts] of [
    ['base', 3],
    ['bn', 2],
  ] as const)
    project = applyEdit(project, planShares(project, DEFAULT_SLICE, project.pages[0]!, 'erow', at, parts).edit).document;
  expect(await widthsAt(project, 960)).toEqual([300, 300, 300]);
  expect(await widthsAt(project, 570)).toEqual([270, 270, 270]);
  const grid = project.columns.base!;
  expect((await shown(project, 'main > div > div', 960)).map(([left]) => left)).toEqual(
    [0, 4, 8].map((i) => edgesOfColumns(layColumns(grid, 960))[i]!.left),
  );
});

test('order by `order` is what was asked for, whatever the order was', async () => {
  const project = makeFrom(ROW, set('erow', 'base', 'display', 'flex'), set('ec', 'base', 'order', '-1'));
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.tuple(fc.constantFrom(...ITEMS), fc.option(fc.constantFrom(...ITEMS), { nil: undefined })), {
        minLength: 1,
        maxLength: 3,
      }),
      async (moves) => {
        let now = project;
        let wanted = ['ec', 'ea', 'eb'];
        for (const [id, before] of moves) {
          if (id === before) continue;
          const next = wanted.filter((one) => one !== id);
          next.splice(before === undefined ? next.length : next.indexOf(before), 0, id);
          if (next.join() !== wanted.join())
            now = applyEdit(now, planOrder(now, DEFAULT_SLICE, now.pages[0]!, id, before, 'base').edit).document;
          wanted = next;
        }
        await shown(now, 'main > div > div', 900);
        await page.evaluate(() =>
          [...document.querySelectorAll('main > div > div')].forEach((one) => ((one as HTMLElement).style.minWidth = '30px')),
        );
        const order = await page.evaluate(() =>
          [...document.querySelectorAll<HTMLElement>('main > div > div')]
            .sort((a, b) => a.getBoundingClientRect().left - b.getBoundingClientRect().left)
            .map((one) => one.dataset.mpNode),
        );
        expect(order).toEqual(wanted);
      },
    ),
    { numRuns: 12 },
  );
});

test('columns that share out a room end where Chromium ends them, to the very 1/64 px', async () => {
  const column = fc.oneof(
    fc.constantFrom(1, 2, 3, 1.5, 0.75, 1.2).map((fr) => ({ fr })),
    fc.constantFrom(80, 33.5).map((px) => ({ px })),
  );
  const cases = fc.sample(
    fc.record({
      columns: fc.array(column, { minLength: 1, maxLength: 7 }).filter((list) => list.some((one) => 'fr' in one)),
      gap: fc.constantFrom(0, 8, 10.5, 24),
      rooms: fc.array(fc.integer({ min: 600 * 64, max: 1900 * 64 }), { minLength: 40, maxLength: 40 }),
    }),
    { numRuns: 60, seed: 8 },
  );
  await page.setContent('<body style="margin:0"><div id="grid" style="display:grid;position:absolute;left:0"></div>');
  for (const { columns, gap, rooms } of cases) {
    const template = columns.map((one) => ('fr' in one ? `minmax(0, ${one.fr}fr)` : `${one.px}px`)).join(' ');
    const measured = await page.evaluate(
      ([tracks, apart, widths, count]) => {
        const grid = document.getElementById('grid')!;
        grid.innerHTML = '<i style="display:block"></i>'.repeat(count);
        grid.style.gridTemplateColumns = tracks;
        grid.style.columnGap = `${apart}px`;
        return widths.map((width) => {
          grid.style.width = `${width}px`;
          return [...grid.children].map((item) => item.getBoundingClientRect().right);
        });
      },
      [template, gap, rooms.map((room) => room / 64), columns.length] as const,
    );
    rooms.forEach((room, i) =>
      expect([template, gap, room, columnEnds(columns, gap, room / 64)]).toEqual([template, gap, room, measured[i]]),
    );
  }
}, 60_000);

test('where it is said that items of a row begin and end, Chromium has them, to the very 1/64 px', async () => {
  const grows = fc.constantFrom('flex:1 1 0', 'flex:1', 'flex:1 1 18%', 'flex:2 1 31%', 'flex:1 1 auto;width:40px');
  const odd = fc.constantFrom(
    'flex:none;width:90px',
    'flex:2 1 0',
    'flex:0 1 60%',
    'flex:none;width:33.33%',
    'flex:1;min-width:200px',
  );
  const cases = fc.sample(
    fc.record({
      items: fc.oneof(
        fc
          .tuple(fc.oneof(grows, fc.constant('flex:0 1 60%')), fc.integer({ min: 1, max: 9 }))
          .map(([one, count]) => new Array<string>(count).fill(one)),
        fc.array(fc.oneof(grows, odd), { minLength: 1, maxLength: 6 }).map((list): string[] => list),
      ),
      row: fc.constantFrom(
        '',
        'flex-wrap:wrap',
        'column-gap:7px',
        'padding:0 10px;column-gap:10.5px;flex-wrap:wrap',
        'justify-content:end',
      ),
      rooms: fc.array(fc.integer({ min: 900 * 64, max: 1100 * 64 }), { minLength: 30, maxLength: 30 }),
      // Rooms that up to nine items share without a rest say nothing of how it is rounded.
      known: fc.oneof(fc.constant([57_960, 60_480, 63_000, 65_520]), fc.constant([])),
    }),
    { numRuns: 60, seed: 9 },
  );
  let [said, unsaid] = [0, 0];
  await page.setContent('<body style="margin:0"><div id="row"></div>');
  for (const { items, row, rooms: others, known } of cases) {
    const rooms = [...known, ...others];
    const measured = await page.evaluate(
      ([styles, own, widths]) => {
        const line = document.getElementById('row')!;
        line.style.cssText = `display:flex;position:absolute;left:0;${own}`;
        line.innerHTML = styles.map((style) => `<i style="display:block;height:9px;min-width:0;${style}"></i>`).join('');
        return widths.map((width) => {
          line.style.width = `${width}px`;
          return [line, ...line.children].map((one) => {
            const { left, top, width: wide, height } = one.getBoundingClientRect();
            return [left, top, wide, height] as const;
          });
        });
      },
      [items, row, rooms.map((room) => room / 64)] as const,
    );
    const at = measured.map(([around, ...own]) =>
      facts(1200, [{ id: 'row', box: around!, flow: 'wrappingRow' }, ...own.map((box, i) => ({ id: `i${i}`, in: 'row', box }))]),
    );
    const lines = new FlexLines(
      1,
      items.map((_, i) => i + 2),
      at.slice(0, 4),
    );
    // Where items go to other lines isn't evenly.
    const isLike = (one: number) => measured[one]!.every(([, top], i) => top === measured[0]![i]![1]);
    if (![1, 2, 3].every(isLike)) continue;
    for (let one = 4; one < rooms.length; one++)
      for (let side = 8; isLike(one) && side < 8 + items.length * 4; side += 2) {
        const { boxes } = at[one]!;
        const told = lines.has(side) ? lines.at(side, boxes[4]!, boxes[6]!) : undefined;
        if (told === undefined) unsaid++;
        else said++;
        if (told !== undefined) expect([items, row, rooms[one], side, told]).toEqual([items, row, rooms[one], side, boxes[side]]);
      }
  }
  expect([said > 1_000, unsaid > 1_000]).toEqual([true, true]);
});
