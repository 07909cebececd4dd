import type { FocusFacts, PageFacts } from '@/core/audit/facts';
import type { Typesetting } from '@/core/audit/typeset/paragraph';
import type { DocumentConditions } from './conditions';
import { conditionsOfDocument } from './conditions';
import { DocumentReader } from './document-facts';
import { FocusReader } from './focus-facts';
import { HELD_ATTRIBUTE as HELD, Positioning } from '@/core/audit/codes';
import type { HeldState } from './held-looks';
import { HeldLooks, isHeldState } from './held-looks';
import { KnownTexts } from './known-texts';
import { LargeText, SPACED_TEXT } from './large-text';

/** How the text of a measured page is set, or in which state its elements are. */
export type Setting = 'plain' | 'large-text' | 'spaced-text' | 'opened' | HeldState;

/** A page is measured at rest: what moves on its own, or on its way to another value, would never give one answer. */
const AT_REST =
  '*, *::before, *::after { transition: none !important; animation: none !important; scroll-behavior: auto !important; }';
/** Scrollbars that take no room, unless the page says otherwise: the weakest of all layers. */
const OVERLAY = '@layer { * { scrollbar-width: none; } }';
const FONTS_MOST_MS = 5_000;

/** Opens a document in a frame of its own and waits until it stands. */
export async function openFrame(html: string, height: number): Promise<HTMLIFrameElement> {
  const opened = document.createElement('iframe');
  // Nobody looks at it, so that browsers needn't paint it.
  opened.style.cssText = `border:0;visibility:hidden;position:absolute;left:0;top:0;width:1280px;height:${height}px`;
  // A document in an attribute is never in quirks mode (HTML, 13.2.6.4.1) and takes a navigation; one that is written is in its own, and stands sooner.
  document.body.append(opened);
  const written = opened.contentDocument!;
  written.open();
  const loaded = new Promise((done) => opened.addEventListener('load', done, { once: true }));
  written.write(html);
  written.close();
  await loaded;
  const inside = opened.contentDocument!;
  const rest = inside.createElement('style');
  rest.textContent = AT_REST;
  inside.head.append(rest);
  if (!inside.querySelector('style[data-mp-device]')) {
    const bars = inside.createElement('style');
    bars.textContent = OVERLAY;
    inside.head.prepend(bars);
  }
  const waited = new Promise((done) => setTimeout(done, FONTS_MOST_MS));
  await Promise.race([inside.fonts.ready, waited]);
  await Promise.race([Promise.all([...inside.images].map((image) => image.decode().catch(() => undefined))), waited]);
  return opened;
}

/** Gives every element a name for reports, where the document has none: its tag, its id or class, its number. */
function nameElements(document: Document): void {
  if (document.querySelector('[data-mp-node]')) return;
  const counts = new Map<string, number>();
  for (const element of document.body.parentElement!.querySelectorAll<HTMLElement>('body, body *')) {
    if (/^(script|style|br|wbr|source|template|option|optgroup)$/.test(element.localName)) continue;
    if (element.closest('svg') && element.localName !== 'svg') continue;
    const label = element.id ? `#${element.id}` : element.classList[0] ? `.${element.classList[0]}` : '';
    const name = element.localName + label;
    const count = (counts.get(name) ?? 0) + 1;
    counts.set(name, count);
    element.dataset.mpNode = count > 1 ? `${name}(${count})` : name;
  }
}

/** One document in a frame, to be measured at any viewport. */
export class MeasuredFrame {
  readonly reader: DocumentReader;
  readonly #frame: HTMLIFrameElement;
  readonly #large: LargeText;
  #conditions: DocumentConditions;
  #conditionsHeight: number;
  /** Which media conditions hold, by the last edge below a width. */
  readonly #matches = new Map<number, string>();
  readonly #looks: HeldLooks;
  readonly #focus: FocusReader;
  #focusFacts: { readonly epoch: string; readonly facts: FocusFacts } | undefined;
  /** By the styles that were read, the same list for the same ones, at the height that is set. */
  #typesettings = new WeakMap<Uint8Array, { readonly set: Typesetting | undefined; readonly width: number }>();
  #idle: PageFacts | undefined;
  #setting: Setting = 'plain';
  #layer = 0;
  #enlargedAt: string | undefined;
  #spacing: HTMLStyleElement | undefined;

  constructor(frame: HTMLIFrameElement) {
    this.#frame = frame;
    const inside = frame.contentDocument!;
    nameElements(inside);
    this.reader = new DocumentReader(inside);
    this.#large = new LargeText(this.reader.nodes);
    this.#looks = new HeldLooks(inside);
    this.#focus = new FocusReader(this.reader.nodes, this.reader.elements, inside.defaultView!);
    this.#conditionsHeight = frame.clientHeight;
    this.#conditions = conditionsOfDocument(inside, this.#conditionsHeight);
  }

  /** Widths at which a condition begins or ends, at the height that is set. */
  get edges(): readonly number[] {
    return this.#conditions.edges;
  }

  /** Widths at which a value meets a limit of its own. */
  get bends(): readonly number[] {
    return this.#conditions.bends;
  }

  /** Whether something may change at any width, and nothing says at which. */
  get isUnknown(): boolean {
    return this.#conditions.unknown;
  }

  /**
   * Whether what is shown may stand otherwise, or be of another size, when only the viewport's height changes; undefined where
   * that can be told of no width.
   */
  get goesByHeight(): ((facts: PageFacts) => boolean) | undefined {
    const told = this.#conditions.byHeight;
    const indexes = (elements: readonly Element[]) => elements.map((one) => this.reader.nodes.indexOf(one as HTMLElement));
    const [sized, placed] = told ? [indexes(told.sized), indexes(told.placed)] : [[-1], []];
    if (sized.includes(-1) || placed.includes(-1)) return undefined;
    return ({ boxes, position }) => {
      // Whether it can be seen doesn't matter: what has a box takes room.
      const hasBox = (i: number) => boxes.subarray(i * 4, i * 4 + 4).some((side) => side !== 0);
      return sized.some(hasBox) || placed.some((i) => position[i] !== Positioning.flow && hasBox(i));
    };
  }

  /** In how many ways elements can be in a state, each to be measured; one where nothing is held. */
  layers(setting: Setting): number {
    if (setting === 'opened') return this.reader.panels.count;
    if (!isHeldState(setting)) return 1;
    return this.#looks.layers(setting, setting === 'focused' ? this.#focus.focusable : []);
  }

  /**
   * Sets the viewport's height, px, and how text is set, or what is held.
   * @param layer which of the ways to be in a state, from 0
   */
  arrange(height: number, setting: Setting, layer = 0): void {
    const inside = this.#frame.contentDocument!;
    this.#frame.style.height = `${height}px`;
    if (height !== this.#conditionsHeight) {
      this.#conditionsHeight = height;
      this.#typesettings = new WeakMap();
      this.#conditions = conditionsOfDocument(inside, height);
      this.#matches.clear();
    }
    if (setting === this.#setting && layer === this.#layer) return;
    this.#large.restore();
    this.#enlargedAt = undefined;
    this.#spacing?.remove();
    this.#spacing = undefined;
    this.#looks.release();
    this.reader.panels.hold(setting === 'opened' ? layer : undefined);
    if (isHeldState(setting)) this.#hold(setting, layer);
    if (setting === 'spaced-text') {
      this.#spacing = inside.createElement('style');
      this.#spacing.textContent = SPACED_TEXT;
      inside.head.append(this.#spacing);
    }
    this.#setting = setting;
    this.#layer = layer;
  }

  resize(width: number): void {
    this.#frame.style.width = `${width}px`;
  }

  read(width: number): PageFacts {
    this.resize(width);
    const { media, edges, follows, containers, unknown, stylesByHeight } = this.#conditions;
    let epoch = `${this.#setting} ${this.#layer} ${unknown || stylesByHeight ? this.#conditionsHeight : ''} `;
    const band = edges.findLastIndex((edge) => edge <= width);
    let matches = this.#matches.get(band);
    if (matches === undefined) {
      matches = media.map((query) => (query.matches ? '1' : '0')).join('');
      this.#matches.set(band, matches);
    }
    epoch += unknown ? ` ${width}` : matches;
    const opened = this.reader.panels.settle();
    if (this.#setting === 'large-text' && (follows.type || containers || this.#enlargedAt !== epoch)) {
      this.#large.restore();
      this.#large.enlarge(this.reader.fontSizes());
      this.#enlargedAt = epoch;
    }
    if (this.#setting === 'opened' && opened === undefined) return this.#withoutPanel(width, epoch);
    const read = this.reader.read(epoch, this.#conditions);
    const asAtRest = isHeldState(this.#setting) && this.#looks.paintsOnly(this.#setting);
    const facts = { ...read, asAtRest, typesetting: () => this.#typesettingOf(read) };
    if (opened !== undefined) return { ...facts, opened };
    return this.#setting === 'focused' ? { ...facts, focus: this.#focusOf(epoch) } : facts;
  }

  /** Texts that grow with the window are made up anew at every width. */
  #typesettingOf({ level, viewport }: PageFacts): Typesetting | undefined {
    const { type, spacing } = this.#conditions.follows;
    if (type || spacing || this.#conditions.unknown) return undefined;
    let known = this.#typesettings.get(level);
    if (known === undefined) {
      this.read(viewport.width);
      known = { set: this.reader.typesetting(this.#conditions), width: viewport.width };
      this.#typesettings.set(level, known);
    }
    return known.set;
  }

  /** The same, read once more at the same width as if nothing were known of other conditions. */
  typesettingAnew({ level }: PageFacts): Typesetting | undefined {
    const known = this.#typesettings.get(level);
    if (!known) return undefined;
    this.read(known.width);
    return this.reader.typesetting(this.#conditions, new KnownTexts());
  }

  /** Where what is to be open is no panel nothing is asked of the page, so it needn't be looked at again. */
  #withoutPanel(width: number, epoch: string): PageFacts {
    this.#idle ??= this.reader.read(epoch);
    return { ...this.#idle, opened: undefined, viewport: { width, height: this.#frame.clientHeight } };
  }

  #hold(state: HeldState, layer: number): void {
    this.#looks.hold(state, layer, state === 'focused' ? this.#focus.focusable : []);
  }

  #focusOf(epoch: string): FocusFacts {
    if (this.#focusFacts?.epoch !== epoch) {
      const facts = this.#focus.read(
        () => this.#looks.release(),
        () => this.#hold('focused', this.#layer),
        (node) => node.hasAttribute(HELD),
      );
      this.#focusFacts = { epoch, facts };
    }
    return this.#focusFacts.facts;
  }
}
