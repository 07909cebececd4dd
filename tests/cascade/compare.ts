import type { Page as BrowserPage } from 'playwright-core';
import type { Held, Told } from '@/core/breakpoints';
import { ComputedStyles, isAsking, questionsOn, shownIn } from '@/core/cascade';
import type { Box, Page, PageElement, Project, State } from '@/core/document';
import { BOXES, kindOf, readPseudo, ruleOf, splitPseudo } from '@/core/document';
import type { StandIn } from '@/core/render';
import { heldMarks, heldSelectors, pictureData, previewDocument, renderPreview, renderSheet } from '@/core/render';
import { PROPERTIES } from '@/core/styles';
import { askRules } from '@/probe/ask-rules';

const HEIGHT = 700;
/** What the body has because of how `<html>` is laid out, which here it isn't; sheets may ask for flex there. */
const ROOT_ONLY = new Set(['display', 'min-width', 'min-height']);
const NAMES = PROPERTIES.map((property) => property.name);

export interface Mismatch {
  readonly element: string;
  readonly property: string;
  readonly width: number;
  readonly core: string;
  readonly browser: string;
}

export async function openComparison(page: BrowserPage): Promise<void> {
  await page.setViewportSize({ width: 2700, height: 900 });
  await page.setContent(`<!doctype html><body style="margin:0"><iframe style="border:0;height:${HEIGHT}px"></iframe>`);
}

/** A state that one element is held in, and how the browser is told of it. */
export interface Holding {
  readonly element: string;
  readonly state: State;
  /** By its own pseudo-classes, or as frames hold it. */
  readonly by: 'browser' | 'frame';
}

interface Node {
  readonly id: string;
  readonly box: string;
}

/**
 * Elements, and those of their boxes of which something is said; of the others a few, since browsers work out each value
 * of a box that isn't there anew.
 */
function nodesOf({ kinds, shared }: Project, page: Page): Node[] {
  const boxesIn = (pseudos: readonly string[]) => pseudos.flatMap((pseudo) => readPseudo(pseudo).box ?? []);
  return Object.values(page.elements).flatMap((element, i) => {
    const spoken = new Set([
      ...boxesIn([element, ...(element.layers ?? [])].flatMap(({ pseudo = {} }) => Object.keys(pseudo))),
      ...shared.flatMap(({ id, pseudo = {} }) => (element.shared.includes(id) ? boxesIn(Object.keys(pseudo)) : [])),
      ...boxesIn(
        Object.keys(kinds).flatMap((key) => (key.startsWith(kindOf(element)?.id ?? '-') ? splitPseudo(key).pseudo : [])),
      ),
    ]);
    const looked = BOXES.filter((box) => hasBox(element, box) && (spoken.has(box) || i % 9 === 4));
    return [{ id: element.id, box: '' }, ...looked.map((box) => ({ id: element.id, box: `::${box}` }))];
  });
}

const TYPED = /^(text|search|tel|url|email|password|number)$/;

/** Browsers make no placeholder where there is none to show. */
const hasBox = ({ tag, attributes }: PageElement, box: Box) =>
  box === 'marker'
    ? tag === 'li'
    : box === 'placeholder'
      ? 'placeholder' in attributes && (tag === 'textarea' || (tag === 'input' && TYPED.test(attributes.type ?? 'text')))
      : !['void', 'source'].includes(ruleOf(tag)?.content ?? '');

/**
 * Every claimed computed value of a project's first page against Chromium's `getComputedStyle` at the given widths.
 * The page isn't laid out (`html` shows nothing), so that resolved values are computed values.
 * @param standIn the reader, and perhaps the height, that the browser hasn't got
 */
export async function compareWithBrowser(
  browser: BrowserPage,
  given: Project,
  widths: readonly number[],
  standIn?: StandIn,
  holding?: Holding,
) {
  const look = holding
    ? shownIn(given, given.pages[0]!, holding.element, holding.state)
    : { project: given, page: given.pages[0]!, held: undefined };
  const { project, page, held } = look;
  const preview = renderPreview(project, page, () => 'data:,', standIn);
  const blocks =
    holding?.by === 'browser' ? renderSheet(project, [page], { addresses: pictureData(project), standIn }) : preview.blocks;
  const said = holding?.by === 'browser' ? asWritten : heldSelectors;
  const document = (standIn ? asWritten : withOriginalSheets)(
    // On the element itself, where no layer's `!important` is stronger (CSS Cascade 5, 6.1).
    previewDocument({ ...preview, blocks, fontFaces: '' }, '').replace(
      /<html([^>]*)>/,
      '<html style="display: none !important"$1>',
    ),
    { ...project, sheets: project.sheets.map((sheet) => ({ ...sheet, css: said(sheet.css) })) },
  );
  const nodes = nodesOf(project, page);
  await browser.evaluate(async (document) => {
    const frame = globalThis.document.querySelector('iframe')!;
    await new Promise((done) => {
      frame.onload = done;
      frame.srcdoc = document;
    });
  }, document);
  const release = held && holding?.by === 'browser' ? await forceStates(browser, held) : undefined;
  const seen = await browser.evaluate(
    async ({ nodes, names, widths, marked }) => {
      const frame = globalThis.document.querySelector('iframe')!;
      const inside = frame.contentDocument!;
      const elements = nodes.map(({ id }) => inside.querySelector(`[data-mp-node="${id}"]`));
      for (const [id, states] of marked) inside.querySelector(`[data-mp-node="${id}"]`)?.setAttribute('data-mp-held', states);
      return widths.map((width) => {
        frame.style.width = `${width}px`;
        // Some reads don't wait for the outer layout that gives the frame its width; this one does.
        void inside.documentElement.clientWidth;
        return elements.map((element, i) => {
          if (!element) return null;
          const style = frame.contentWindow!.getComputedStyle(element, nodes[i]!.box || undefined);
          return names.map((name) => style.getPropertyValue(name));
        });
      });
    },
    { nodes, names: NAMES, widths, marked: holding?.by === 'frame' ? heldMarks(held) : [] },
  );
  const told: Told[] = [];
  if (!holding && isAsking(project, page)) {
    const frame = browser.frames().find((one) => one !== browser.mainFrame())!;
    const questions = questionsOn(
      project,
      page,
      nodes.map(({ id, box }) => id + box),
    );
    // Some ways of running this name functions by a helper that pages don't have.
    await frame.evaluate('globalThis.__name ??= (one) => one');
    for (const width of widths) {
      await browser.evaluate((width) => {
        globalThis.document.querySelector('iframe')!.style.width = `${width}px`;
      }, width);
      told.push(new Map(await frame.evaluate(askRules, questions)));
    }
  }
  await release?.();
  const mismatches: Mismatch[] = [];
  let compared = 0;
  /** Of elements themselves; of their boxes only some are looked at, and of markers browsers say little. */
  const ofElements = { asked: 0, said: 0 };
  /** How often nothing is said of a property. */
  const silent = new Map<string, number>();
  widths.forEach((width, w) => {
    const styles = new ComputedStyles(project, page, {
      ...{ width, ...standIn, height: standIn?.height ?? HEIGHT, held },
      told: told[w],
    });
    nodes.forEach(({ id, box }, e) => {
      const values = seen[w]![e];
      if (!values) throw new Error(`Chromium's parser dropped ${page.elements[id]!.name}: ${preview.body()}`);
      NAMES.forEach((property, p) => {
        const core = styles.value(id + box, property);
        if (box === '') ofElements.asked++;
        if (box === '' && core !== undefined) ofElements.said++;
        if (core === undefined && box === '') silent.set(property, (silent.get(property) ?? 0) + 1);
        if (core === undefined || (id === page.root && ROOT_ONLY.has(property))) return;
        compared++;
        if (!same(core, values[p]!)) {
          const element = `${describe(page.elements[id]!)}${box}${holding ? ` (${holding.state} of ${holding.element} by ${holding.by})` : ''}`;
          mismatches.push({ element, property, width, core, browser: values[p]! });
        }
      });
    });
  });
  return { mismatches, compared, ofElements, silent };
}

/** Elements are in a state until what is returned is called. */
async function forceStates(browser: BrowserPage, held: Held): Promise<() => Promise<void>> {
  const session = await browser.context().newCDPSession(browser);
  await session.send('DOM.enable');
  await session.send('CSS.enable');
  await session.send('DOM.getDocument');
  for (const [id, states] of heldMarks(held)) {
    const { result } = await session.send('Runtime.evaluate', {
      expression: `document.querySelector('iframe').contentDocument.querySelector('[data-mp-node="${id}"]')`,
    });
    const { nodeId } = await session.send('DOM.requestNode', { objectId: result.objectId! });
    await session.send('CSS.forcePseudoState', {
      nodeId,
      forcedPseudoClasses: states.replace('focus-visible', 'focus-visible focus').split(' '),
    });
  }
  return () => session.detach();
}

const asWritten = (html: string) => html;

/** Sheets from elsewhere go to the browser as they were written, not as they were read here. */
function withOriginalSheets(html: string, project: Project): string {
  const sheets = project.sheets.map(({ css }) => `<style>@layer imported {\n${css}\n}</style>`).join('\n');
  return html
    .replace(/<style data-mp-block="t\d+ \d+">[\s\S]*?<\/style>\n?/g, '')
    .replace(/(<style data-mp-block="foundation">[\s\S]*?<\/style>)/, (foundation) => `${foundation}\n${sheets}`);
}

function describe({ tag, id, attributes }: PageElement): string {
  return `${tag}${attributes.type ? `[${attributes.type}]` : ''} ${id}`;
}

/** Equal but for the last digits of a 32-bit float, in which browsers compute. */
function same(core: string, browser: string): boolean {
  if (core === browser) return true;
  const number = /-?\d+(?:\.\d+)?(?:e-?\d+)?/g;
  if (core.replace(number, '#') !== browser.replace(number, '#')) return false;
  const a = core.match(number) ?? [];
  const b = browser.match(number) ?? [];
  return a.every((text, i) => Math.abs(Number(text) - Number(b[i])) <= 1e-4 * Math.max(1, Math.abs(Number(text))));
}
