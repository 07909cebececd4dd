import type { DefaultTreeAdapterMap } from 'parse5';
import { defaultTreeAdapter as adapter, parse, serialize } from 'parse5';
import { folderOf, pathOf } from '../document/addresses';
import type { QuirksMode } from '../document/brought';
import type { Child } from '../document/content';
import { normalChildren } from '../document/content';
import { suggestName } from '../document/element';
import type { PageElement } from '../document/element';
import { LIMITS } from '../document/limits';
import { cleanInside } from '../document/foreign';
import { isInert, QUIRKS, ruleOf, surroundings, whyNotKept, whyNotKeptText } from '../document/html';
import type { Surroundings } from '../document/html';
import { languageSchema } from '../document/page-fields';
import { keptAttributes } from './kept-attributes';
import type { LeftOut } from '../document/brought';

type Node = DefaultTreeAdapterMap['childNode'];
type Tag = DefaultTreeAdapterMap['element'];

/** A style sheet that a document names, in the order of the document. */
export type NamedSheet = { readonly media?: string | undefined; readonly line: number } & (
  { readonly address: string } | { readonly css: string }
);

/** An HTML file as a page: its tree as the parser made it, and what it names. */
export interface ReadHtml {
  readonly mode: QuirksMode;
  readonly base: string;
  readonly html: Readonly<Record<string, string>>;
  readonly language?: string | undefined;
  readonly direction?: 'ltr' | 'rtl' | undefined;
  readonly title?: string | undefined;
  readonly description?: string | undefined;
  readonly root: string;
  readonly elements: Readonly<Record<string, PageElement>>;
  readonly sheets: readonly NamedSheet[];
  readonly leftOut: readonly LeftOut[];
}

/** Why a file can't be a page, in a sentence. */
export class UnreadablePage extends Error {
  override readonly name = 'UnreadablePage';
}

const isElement = (node: Node): node is Tag => adapter.isElementNode(node);
const attributeOf = (tag: Tag, name: string): string | undefined =>
  tag.attrs.find((one) => one.name === name && !one.prefix)?.value;
const lineOf = (node: Node): number => node.sourceCodeLocation?.startLine ?? 1;
const textIn = (tag: Tag): string => tag.childNodes.map((one) => (adapter.isTextNode(one) ? one.value : '')).join('');

/** Elements that are shown as others, since browsers treat them in ways of their own. */
const INSTEAD: ReadonlyMap<string, string> = new Map([
  ['xmp', 'pre'],
  ['listing', 'pre'],
  ['plaintext', 'pre'],
  ['marquee', 'div'],
]);
const MODES: Readonly<Record<string, QuirksMode>> = {
  quirks: 'quirks',
  'limited-quirks': 'limited-quirks',
  'no-quirks': 'no-quirks',
};

/**
 * Reads a document as the HTML parser does (HTML, 13.2, with scripting, which never runs).
 * @param key what elements' ids are made of; ids are given in the order of the document, so the same text gets the same ones
 * @param met told of each element that is kept, and where the parser has it
 * @throws UnreadablePage
 */
export function readHtml(text: string, file: string, key: string, met?: (id: string, node: Tag) => void): ReadHtml {
  return new Reader(text, file, key, met).read();
}

class Reader {
  readonly #elements: Record<string, PageElement> = {};
  readonly #sheets: NamedSheet[] = [];
  readonly #leftOut: LeftOut[] = [];
  #count = 0;
  #outer: Surroundings | undefined;
  #base: string;

  constructor(
    private readonly text: string,
    private readonly file: string,
    private readonly key: string,
    private readonly met?: (id: string, node: Tag) => void,
  ) {
    this.#base = folderOf(file);
  }

  read(): ReadHtml {
    const document = parse(this.text, { sourceCodeLocationInfo: true, scriptingEnabled: true });
    const html = document.childNodes.find(isElement)!;
    const [head, body] = ['head', 'body'].map((name) =>
      html.childNodes.find((one): one is Tag => isElement(one) && one.tagName === name),
    );
    if (!body) throw new UnreadablePage('A page of frames can’t be brought in; bring in the pages that they show.');
    // What is a little too deep is refused like any other page; this is what can't even be gone through.
    if (depthOf(body, (tag) => tag.namespaceURI === XHTML) > 2 * LIMITS.depth)
      throw new UnreadablePage(`Elements are nested deeper than ${LIMITS.depth}.`);
    const meta = this.#head(head);
    const attributes = keptAttributes('html', html.attrs, this.#note(html));
    const { lang, dir, ...rest } = attributes;
    const language = lang !== undefined && languageSchema.safeParse(lang).success ? lang : undefined;
    const direction = dir === 'ltr' || dir === 'rtl' ? dir : undefined;
    this.#outer = document.mode === 'quirks' ? QUIRKS : undefined;
    const root = this.#element(body, undefined)!;
    return {
      mode: MODES[document.mode] ?? 'no-quirks',
      base: this.#base,
      html: {
        ...rest,
        ...(lang !== undefined && language === undefined && { lang }),
        ...(dir !== undefined && direction === undefined && { dir }),
      },
      ...{ language, direction, ...meta },
      root,
      elements: this.#elements,
      sheets: this.#sheets,
      leftOut: this.#leftOut,
    };
  }

  #note =
    (node: Node) =>
    (reason: LeftOut['reason'], what: string): void =>
      void this.#leftOut.push({ reason, file: this.file, line: lineOf(node), what });

  /** What the head says of the page. What only browsers, search and sharing ask for stays in the file it came from. */
  #head(head: Tag | undefined): { title?: string; description?: string } {
    const found: { title?: string; description?: string } = {};
    for (const node of head?.childNodes ?? []) {
      if (!isElement(node)) continue;
      if (node.tagName === 'title') found.title ??= textIn(node).replace(/\s+/g, ' ').trim();
      if (node.tagName === 'meta' && attributeOf(node, 'name')?.toLowerCase() === 'description')
        found.description ??= attributeOf(node, 'content')?.trim() ?? '';
      this.#asked(node);
    }
    return found;
  }

  /** What an element of no look of its own asks for: a style sheet, a base for addresses, something to run. */
  #asked(node: Tag): void {
    const note = this.#note(node);
    if (node.tagName === 'script') {
      const address = attributeOf(node, 'src');
      note('script', address ?? `${textIn(node).trim().slice(0, 40)} …`);
    } else if (node.tagName === 'base') this.#takeBase(node);
    else if (node.tagName === 'style') this.#takeStyle(node);
    else if (node.tagName === 'link') this.#takeLink(node);
    else if (node.tagName === 'meta' && attributeOf(node, 'http-equiv')?.toLowerCase() === 'refresh')
      note('script', `a page that leads on by itself (${attributeOf(node, 'content') ?? ''})`);
  }

  #based = false;
  #takeBase(node: Tag): void {
    const address = attributeOf(node, 'href');
    if (address === undefined || this.#based) return;
    this.#based = true;
    const folder = pathOf(folderOf(this.file), address.endsWith('/') ? `${address}.` : folderOf(address) || '.');
    if (/^\s*[a-z][a-z0-9+.-]*:|^\s*[\\/]{2}/i.test(address)) this.#note(node)('address', address);
    else this.#base = folder === undefined ? '' : `${folder}/`;
  }

  #takeStyle(node: Tag): void {
    const type = attributeOf(node, 'type')?.trim().toLowerCase();
    if (type && type !== 'text/css') return;
    const media = attributeOf(node, 'media');
    const css = textIn(node);
    if (css.trim() !== '') this.#sheets.push({ css, line: node.sourceCodeLocation?.startTag?.endLine ?? lineOf(node), media });
  }

  #takeLink(node: Tag): void {
    const words = (attributeOf(node, 'rel') ?? '').toLowerCase().split(/\s+/);
    const address = attributeOf(node, 'href');
    if (
      !words.includes('stylesheet') ||
      words.includes('alternate') ||
      !address?.trim() ||
      attributeOf(node, 'disabled') !== undefined
    )
      return;
    const type = attributeOf(node, 'type')?.trim().toLowerCase();
    if (type && !type.startsWith('text/css')) return;
    this.#sheets.push({ address, line: lineOf(node), media: attributeOf(node, 'media') });
  }

  /** Reads an element and all in it; undefined where it isn't kept. */
  #element(node: Tag, around: Surroundings | undefined): string | undefined {
    const id = `e${this.key}x${this.#count++}`;
    this.met?.(id, node);
    if (node.namespaceURI === XHTML && isInert(node.tagName)) this.#asked(node);
    const tag = INSTEAD.get(node.tagName) ?? node.tagName;
    const note = this.#note(node);
    if (tag !== node.tagName) note('element', `<${node.tagName}>, shown as <${tag}>`);
    const attributes = keptAttributes(tag, node.attrs, note);
    const element = { id, tag, attributes, shared: [], styles: {} };
    const content = ruleOf(tag)?.content;
    if (content === 'source') {
      // Links in drawings stay links, and lead nowhere.
      const isDeep = depthOf(node) > DRAWING_DEPTH;
      if (isDeep) note('drawing', `<${tag}>: all of it, since it is nested too deeply`);
      const written = (isDeep ? '' : serialize(node)).replaceAll('&nbsp;', '\u00a0');
      const source = written.replace(/<a(?=\s)[^>]*>/g, (link) => link.replace(/ ((?:xlink:)?href)="(?!#)[^"]*"/g, ' $1="#"'));
      if (source !== written) note('drawing', `<${tag}>: where links in it lead`);
      const { inside, removed } = cleanInside(tag, source);
      if (removed.length > 0) note('drawing', `<${tag}>: ${removed.join(', ')}`);
      this.#elements[id] = { ...element, name: suggestName(tag), children: [], source: inside };
      return id;
    }
    // Reserved before its children, so that elements are kept in the order of the document.
    this.#elements[id] = { ...element, name: suggestName(tag), children: [] };
    const holdsNone = content === 'void' || content === 'inert' || tag === 'noscript' || tag === 'iframe';
    const children = holdsNone ? [] : this.#inside(node, tag, surroundings(tag, around ?? this.#outer));
    const own = children.every((child) => typeof child !== 'string')
      ? children.map((child) => (typeof child === 'string' ? '' : child.text)).join('')
      : '';
    this.#elements[id] = {
      ...element,
      name:
        tag === 'body'
          ? 'Page'
          : suggestName(tag, own.trim() ? own : (attributes['aria-label'] ?? attributes.alt ?? attributes.id)),
      children,
    };
    return id;
  }

  /** What stands in an element, as it is written there: with nothing between two elements but what is in the text. */
  #inside(node: Tag, tag: string, around: Surroundings): readonly Child[] {
    const children: Child[] = [];
    const put = (one: Node): void => {
      if (adapter.isTextNode(one)) {
        const why = whyNotKeptText(tag, one.value);
        if (why) this.#note(one)('element', `the text “${one.value.trim().slice(0, 40)}” in <${tag}>`);
        else children.push({ text: one.value.replace(/\u0000/g, '') });
      }
      if (!isElement(one)) return;
      const name = INSTEAD.get(one.tagName) ?? one.tagName;
      const why = whyNotKept(name, around);
      if (why === undefined) {
        const id = this.#element(one, around);
        if (id !== undefined) children.push(id);
        return;
      }
      this.#count++;
      this.#note(one)('element', `<${one.tagName}>: ${why}`);
      if (ruleOf(name)) one.childNodes.forEach(put);
    };
    node.childNodes.forEach(put);
    return children.length === 0 ? children : normalChildren([...children, { text: '' }]);
  }
}

/** How deep a drawing may be: serialising one goes down as deep as it is. */
const DRAWING_DEPTH = 300;

const XHTML = 'http://www.w3.org/1999/xhtml';

/** How many elements stand in each other, as far as is gone into them. */
function depthOf(node: Tag, into: (tag: Tag) => boolean = () => true): number {
  let deepest = 0;
  const open: (readonly [Tag, number])[] = [[node, 0]];
  for (let next = open.pop(); next; next = open.pop()) {
    const [at, depth] = next;
    deepest = Math.max(deepest, depth);
    for (const child of into(at) ? at.childNodes : []) if (isElement(child)) open.push([child, depth + 1]);
  }
  return deepest;
}
