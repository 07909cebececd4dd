import type { Typesetting } from '@/core/audit/typeset/paragraph';
import type { DocumentConditions } from './conditions';
import { withExactWidths } from './exact-widths';
import { flowOfPage } from './flow-of-page';
import { TextGatherer } from './gather-text';
import { ParagraphReader } from './read-paragraph';
import type { ReadElement } from './style-facts';
import type { KnownTexts } from './known-texts';
import { Settings } from './known-texts';
import { Scales } from './scales';
import { Shapes } from './shapes';
import { askLeading } from './style-leading';
import { withLaidOutGaps } from './laid-out-gaps';
import { LargerType } from './larger-type';
import { breaksIn } from './word-breaks';
import { writtenWidths } from './written-widths';

/** What it asks of a document's sheets. */
export type AskedOfSheets = Pick<DocumentConditions, 'fluidDistances' | 'plainShares' | 'widthShares'>;

const NOTHING_WRITTEN: Typesetting['written'] = new Map();
const STYLES_MOST = 32;
/** Browsers say where a letter stands in 1/64 px; so many times larger, all that more exactly. */
const LARGER = 64;
const NO_WRAP = '[data-mp-set] { text-wrap-mode: nowrap !important; }';
/** Where letters of both sizes differ by more, px, they aren't set alike. */
const ALIKE = 0.032;

/**
 * Reads how the texts of a document are made up, as it is laid out now.
 * @param known what was read under other conditions, or of other versions of the page; what is read now is added
 * @returns undefined where text flows around something, or is of too many styles
 */
export function readTypesetting(
  document: Document,
  nodes: readonly HTMLElement[],
  elements: readonly ReadElement[],
  { fluidDistances, plainShares, widthShares }: AskedOfSheets,
  known: KnownTexts,
): Typesetting | undefined {
  const index = new Map<Element, number>(nodes.map((node, i) => [node, i]));
  const gatherer = new TextGatherer(document.defaultView!, index);
  const flow = flowOfPage(nodes, elements, index, gatherer, fluidDistances);
  if (!flow || gatherer.styles.size > STYLES_MOST) return undefined;
  const { gathered } = flow;
  const breaks = breaksIn(
    gathered.flatMap(({ words }) => words.flatMap(({ text }) => text || [])),
    document,
  );
  const leading = askLeading(document, gatherer.samples, [...gatherer.pairs.values()], gatherer.lax);
  const sizes = new Map(
    gathered.flatMap(({ atoms }) => atoms.map((atom) => [atom, atom.getBoundingClientRect().width] as const)),
  );
  const styleOf = (element: Element) => gatherer.of(element);
  const shapes = new Shapes(styleOf);
  const reader = new ParagraphReader(document, nodes, index, breaks, sizes, shapes);
  const types = [...gatherer.styles.keys()];
  const settings = new Settings(
    nodes,
    types.map((type) => known.numberOf(type)),
    styleOf,
    shapes,
    (element) => reader.isDecorated(element),
  );
  const said = gathered.map((one) => settings.said(one));
  const blocks = new Set(gathered.map(({ block }) => nodes[block]!));
  const sheet = document.createElement('style');
  for (const block of blocks) block.setAttribute('data-mp-set', '');
  sheet.textContent = NO_WRAP;
  document.head.append(sheet);
  const set = gathered.map((one, i) => ({ types, widths: reader.widthsOf(one), said: said[i]! }));
  const read = gathered.map((one, i) => known.find(one, set[i]!));
  const open = gathered.flatMap((one, i) => (read[i] ? [] : [{ one, i }]));
  if (open.length > 0) {
    const larger = new LargerType(gatherer, nodes, LARGER, document);
    const all = open.map(({ one }) => one);
    const scales = new Scales(shapes);
    scales.begin(all);
    sheet.textContent = NO_WRAP + larger.begin(all);
    scales.end(LARGER);
    reader.askEnds(all, LARGER);
    const large = open.map(({ one, i }) => {
      const texts = reader.textsOf(one);
      const isAlike = () =>
        reader.widthsOf(one).every((width, t) => Math.abs(scales.shown(texts[t]!, width / LARGER) - set[i]!.widths[t]!) < ALIKE);
      // What stands in lines like a letter has a size of its own, which doesn't always grow along.
      if (one.atoms.length > 0 || !isAlike()) return undefined;
      const read = reader.read(one, LARGER);
      return { read: read && scales.asShown(read, texts) };
    });
    larger.end();
    sheet.textContent = NO_WRAP;
    open.forEach(({ one, i }, at) => (read[i] = { large: large[at], kernedOff: larger.kernedOff(one) }));
  }
  const exact = withExactWidths(read.map((one) => one?.large?.read));
  const paragraphs = gathered.map((one, i) => {
    const own = read[i]!;
    const asShown = () => (own.shown ??= { read: reader.read(one, 1) }).read;
    if (!own.large) return asShown();
    const whole = exact[i] && { ...exact[i], exact: exact[i].exact + own.kernedOff };
    const shown = whole && whole.texts.left.length > 1 ? asShown() : undefined;
    return whole && shown ? withLaidOutGaps(whole, shown) : whole;
  });
  for (const { one, i } of open) known.keep(one, set[i]!, read[i]!);
  sheet.remove();
  for (const block of blocks) block.removeAttribute('data-mp-set');
  const written = widthShares ? writtenWidths(nodes, document.defaultView!) : NOTHING_WRITTEN;
  return { ...flow.finish(paragraphs, leading, !gatherer.lax), plainShares, written };
}
