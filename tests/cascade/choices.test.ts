import fc from 'fast-check';
import type { Browser, Page } from 'playwright-core';
import { choiceAt, DEFAULT_SLICE, QUERY_SYNTAXES, termsWhere } from '@/core/breakpoints';
import { holdsIn, widthsOf } from '@/core/breakpoints/choice';
import { contains, union } from '@/core/breakpoints/interval';
import type { Project } from '@/core/document';
import { newProject } from '@/core/document';
import { lintProject } from '@/core/lints';
import { renderExport } from '@/core/render';
import { launchChromium } from '@/server/browser/chromium';
import { arbitraryBreakpoints, interestingWidths } from './arbitrary-project';

const MEMBERS = ['ea', 'eb', 'ec'];
const places = fc.array(fc.tuple(fc.constantFrom('base', 'b0', 'b1', 'b2', 'b3'), fc.constantFrom(...MEMBERS)), { maxLength: 6 });
const viewport = fc.record({
  width: fc.double({ min: 100, max: 1700, noNaN: true }),
  height: fc.constantFrom(300, 400, 699.5, 700, 900.25),
  pointer: fc.constantFrom('mouse' as const, 'finger' as const),
  text: fc.constantFrom(1, 1.5),
});

test('the parts in which something is chosen are exactly the viewports at which it is', () => {
  fc.assert(
    fc.property(arbitraryBreakpoints, places, fc.array(viewport, { minLength: 8, maxLength: 8 }), (breakpoints, said, looked) => {
      const choice = new Map(said);
      const terms = MEMBERS.map((id) => termsWhere(breakpoints, choice, 'ea', (one) => one === id));
      for (const one of looked) {
        const is = choiceAt(breakpoints, choice, 'ea', one);
        expect(terms.map((list) => list.some((term) => holdsIn(term, one)))).toEqual(MEMBERS.map((id) => id === is));
        expect(terms.map((list) => contains(union(...list.map((term) => widthsOf(term, one))), one.width))).toEqual(
          MEMBERS.map((id) => id === is),
        );
      }
    }),
    { numRuns: 400 },
  );
});

/** A page with three alternates, each with a look of its own that says how it would be shown. */
function threeOf(project: Project): Project {
  const page = project.pages[0]!;
  const main = page.elements.efirstmain!;
  const member = (id: string, i: number) => ({
    ...{ id, tag: 'div', name: id, attributes: { id }, children: [{ text: id }], shared: [] },
    styles: { base: { display: ['flex', 'inline', 'grid'][i]! } },
    pseudo: { ':hover': { base: { display: 'block' } } },
    alternate: { set: 'ha', at: [] },
  });
  const panel = {
    ...{ id: 'ed', tag: 'nav', name: 'Panel', attributes: { id: 'ed' }, children: [{ text: 'Pages' }], shared: [] },
    ...{ styles: { base: { display: 'grid' } }, panel: { kind: 'menu' as const, at: {} } },
  };
  const elements = { ...page.elements, ed: panel, ...Object.fromEntries(MEMBERS.map((id, i) => [id, member(id, i)])) };
  return {
    ...project,
    pages: [{ ...page, elements: { ...elements, efirstmain: { ...main, children: [...main.children, ...MEMBERS, 'ed'] } } }],
  };
}

let browser: Browser;
let tab: Page;
beforeAll(async () => {
  browser = await launchChromium();
  tab = await browser.newPage();
}, 60_000);
afterAll(() => browser.close());

test.each(QUERY_SYNTAXES)(
  'in the export exactly one shows, and the one that is chosen: queries as %s',
  async (queries) => {
    const opened = fc.dictionary(fc.constantFrom('base', 'b0', 'b1', 'b2', 'b3'), fc.boolean(), { maxKeys: 3 });
    const random = fc.array(fc.integer({ min: 200, max: 1600 }), { minLength: 4, maxLength: 4 });
    await fc.assert(
      fc.asyncProperty(arbitraryBreakpoints, places, opened, random, async (breakpoints, said, isPanel, more) => {
        const choice = new Map(said);
        const bare = threeOf({ ...newProject('00000000-0000-4000-8000-000000000000', 'Three'), breakpoints, queries });
        const page = bare.pages[0]!;
        const elements = Object.fromEntries(
          Object.entries(page.elements).map(([id, one]) => [
            id,
            one.alternate
              ? { ...one, alternate: { set: 'ha', at: [...choice].flatMap(([at, member]) => (member === id ? [at] : [])) } }
              : one.panel
                ? { ...one, panel: { ...one.panel, at: isPanel } }
                : one,
          ]),
        );
        const project = { ...bare, pages: [{ ...page, elements }] };
        expect(lintProject(project).filter(({ lint }) => lint === 'not-just-one')).toEqual([]);
        const files = renderExport(project);
        const textOf = (path: string) =>
          files.flatMap((one) => (one.path === path && 'text' in one.content ? [one.content.text] : []))[0]!;
        await tab.setContent(textOf('index.html').replace(/<link[^>]*>/, `<style>${textOf('styles.css')}</style>`));
        for (const width of interestingWidths(project, more)) {
          await tab.setViewportSize({ width, height: 700 });
          const panels = await tab.evaluate(() => {
            const panel = document.getElementById('ed')!;
            const look = () => getComputedStyle(panel).display;
            const closed = look();
            panel.showPopover();
            const open = look();
            panel.hidePopover();
            return [closed, open];
          });
          const isPanelHere = choiceAt(breakpoints, new Map(Object.entries(isPanel)), true, {
            ...DEFAULT_SLICE,
            width,
            height: 700,
          });
          expect([width, ...panels]).toEqual([width, isPanelHere ? 'none' : 'grid', 'grid']);
          const shown = await tab.evaluate(
            (ids) => ids.filter((id) => getComputedStyle(document.getElementById(id)!).display !== 'none'),
            MEMBERS,
          );
          expect([width, shown]).toEqual([
            width,
            [choiceAt(breakpoints, choice, 'ea', { ...DEFAULT_SLICE, width, height: 700 })],
          ]);
        }
      }),
      { numRuns: 10, endOnFailure: true },
    );
  },
  120_000,
);
