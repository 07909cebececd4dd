import type { DefaultTreeAdapterMap } from 'parse5';
import { defaultTreeAdapter as adapter, parse } from 'parse5';
import { doctypeOf } from '../document/brought';
import { classesOf } from '../document/class-names';
import type { Child } from '../document/content';
import { isRun } from '../document/content';
import type { PageElement } from '../document/element';
import { isInert } from '../document/html';
import type { Page, Project } from '../document/project';
import { isBuiltLater } from '../behaviour';
import { escapeAttribute, escapeText, panelAttributes, renderElement, templateFor } from '../render/markup';
import type { MarkupOptions } from '../render/markup';
import { readHtml } from './read-html';

type Node = DefaultTreeAdapterMap['childNode'];
type Tag = DefaultTreeAdapterMap['element'];

interface Range {
  readonly start: number;
  readonly end: number;
}

/** A place in the text, and what stands there instead. */
interface Splice extends Range {
  readonly text: string;
}

/** The changes to a page can't be written into the file that it came from. */
export class NotHandedBack extends Error {
  override readonly name = 'NotHandedBack';
}

/** The addresses of files that are linked to besides. */
export interface Added {
  readonly sheet?: string;
  readonly script?: string;
}

/**
 * The file that a page came from with only that changed which was changed here, and a link to one more style sheet. All else is
 * the same bytes: comments, scripts, indentation.
 * @param text the file as it was read
 * @param added a style sheet and a script; none is linked where there is none
 * Where something changed that stands nowhere in the text, since the parser made it, or where the rest would be read otherwise then, the
 * whole body is written anew.
 * @throws NotHandedBack for a page that wasn't brought in
 */
export function handBack(project: Project, page: Page, text: string, added: Added, options: MarkupOptions): string {
  const anew = () => new HandingBack(project, page, text, options).write(added, true);
  try {
    const written = new HandingBack(project, page, text, options).write(added);
    return written === text || isAsShown(written, project, page, options) ? written : anew();
  } catch (error) {
    if (!(error instanceof NotHandedBack)) throw error;
    return anew();
  }
}

/**
 * Whether a file is read as the page that it stands for: tags that were left out may have been left out because of something that
 * is gone now.
 */
function isAsShown(written: string, project: Project, page: Page, options: MarkupOptions): boolean {
  const shown = `${doctypeOf(page)}<html><head></head>${renderElement(project, page, page.root, options)}</html>`;
  const [a, b] = [written, shown].map((text) => {
    const { elements } = readHtml(text, page.brought!.file, 'a');
    return Object.values(elements).map(({ tag, attributes, children, source }) => [
      ...[tag, Object.entries(attributes).sort(([one], [other]) => (one < other ? -1 : 1)), source],
      // White space between blocks may be written otherwise; words may not.
      children.map((child) => (isRun(child) ? child.text.replace(/\s+/g, ' ').trim() : child)).filter((child) => child !== ''),
    ]);
  });
  return JSON.stringify(a) === JSON.stringify(b);
}

class HandingBack {
  readonly #splices: Splice[] = [];
  /** The elements as they came, and where each stands. */
  readonly #were: Readonly<Record<string, PageElement>>;
  readonly #nodes = new Map<string, Tag>();
  readonly #root: string;
  readonly #options: MarkupOptions;

  constructor(
    private readonly project: Project,
    private readonly page: Page,
    private readonly text: string,
    options: MarkupOptions,
  ) {
    this.#options = { ...options, was: (id) => this.#original(id) };
    const key = /^e(.*)x0$/.exec(page.root)?.[1];
    if (key === undefined || !page.brought) throw new NotHandedBack('This page wasn’t brought in.');
    const read = readHtml(text, page.brought.file, key, (id, node) => this.#nodes.set(id, node));
    this.#were = read.elements;
    this.#root = read.root;
  }

  write({ sheet, script }: Added, anew = false): string {
    if (anew) {
      const text = renderElement(this.project, this.page, this.page.root, this.#options).trimEnd();
      this.#splices.push({ ...this.#rangeOf(this.#nodes.get(this.#root)!), text });
    } else this.#element(this.#root);
    const link = sheet === undefined ? [] : [`<link rel="stylesheet" href="${escapeAttribute(sheet)}">`];
    const runs = script === undefined ? [] : [`<script src="${escapeAttribute(script)}" defer></script>`];
    this.#toHead([...this.#sheetsGone(this.#root), ...link, ...runs]);
    const splices = [...this.#splices].sort((a, b) => a.start - b.start || a.end - b.end);
    let written = '';
    let at = 0;
    for (const { start, end, text } of splices) {
      if (start < at) throw new NotHandedBack('Two changes meet in one place of the file.');
      written += this.text.slice(at, start) + text;
      at = end;
    }
    return written + this.text.slice(at);
  }

  /** Where an element stands; of one that the parser made without a tag, where what is in it stands; undefined for nowhere. */
  #range(node: Node): Range | undefined {
    const location = node.sourceCodeLocation;
    if (location) return { start: location.startOffset, end: location.endOffset };
    const inside = adapter.isElementNode(node)
      ? node.childNodes.flatMap((one) => (adapter.isCommentNode(one) ? [] : (this.#range(one) ?? [])))
      : [];
    return inside.length === 0 ? undefined : { start: inside[0]!.start, end: inside[inside.length - 1]!.end };
  }

  #rangeOf(node: Node): Range {
    const range = this.#range(node);
    if (!range) throw new NotHandedBack('The parser made an element that stands nowhere in the file.');
    return range;
  }

  #element(id: string): void {
    const [was, is] = [this.#were[id]!, this.page.elements[id]];
    if (!is) return;
    if (isBuiltLater(this.page, id)) this.#intoTemplate(id, is);
    this.#attributes(id, was, is);
    if (is.source !== was.source) return this.#inside(id, is.source ?? '');
    if (is.children !== was.children && !sameChildren(was.children, is.children)) return this.#children(id, was, is);
    for (const child of was.children) if (!isRun(child)) this.#element(child);
  }

  /** An alternate that is built only when it is first shown waits where it stood. */
  #intoTemplate(id: string, is: PageElement): void {
    const { start, end } = this.#rangeOf(this.#nodes.get(id)!);
    this.#splices.push({ start, end: start, text: templateFor(this.project, is) }, { start: end, end, text: '</template>' });
  }

  #attributes(id: string, was: PageElement, is: PageElement): void {
    const classes = classesOf(this.project, is).join(' ');
    const wanted: Record<string, string> = {
      ...is.attributes,
      ...(classes !== '' && { class: classes }),
      ...(is.panel && Object.fromEntries(panelAttributes(is.panel))),
    };
    if (sameClasses(wanted.class, was.attributes.class)) {
      if (was.attributes.class === undefined) delete wanted.class;
      else wanted.class = was.attributes.class;
    }
    const names = [...new Set([...Object.keys(was.attributes), ...Object.keys(wanted)])].filter(
      (name) => was.attributes[name] !== wanted[name],
    );
    if (names.length === 0) return;
    const node = this.#nodes.get(id)!;
    const location = node.sourceCodeLocation;
    if (!location) {
      const all = Object.entries(wanted).map(([name, value]) => ` ${name}="${escapeAttribute(value)}"`);
      return this.#tagged(node, is.tag, all.join(''));
    }
    const tag = location.startTag ?? location;
    const added: string[] = [];
    for (const name of names) {
      const place = location.attrs?.[name];
      const value = wanted[name];
      const written = value === undefined ? '' : `${name}="${escapeAttribute(value)}"`;
      if (place) {
        // Without the space before it where it goes.
        const start =
          value === undefined && /\s/.test(this.text[place.startOffset - 1] ?? '') ? place.startOffset - 1 : place.startOffset;
        this.#splices.push({ start, end: place.endOffset, text: written });
      } else if (value !== undefined) added.push(` ${written}`);
    }
    if (added.length === 0) return;
    const end = tag.endOffset - (/\/>$/.test(this.text.slice(tag.startOffset, tag.endOffset)) ? 2 : 1);
    this.#splices.push({ start: end, end, text: added.join('') });
  }

  /** Gives an element that the parser made the tags that it went without. */
  #tagged(node: Tag, tag: string, attributes: string): void {
    const { start, end } = this.#rangeOf(node);
    this.#splices.push({ start, end: start, text: `<${tag}${attributes}>` }, { start: end, end, text: `</${tag}>` });
  }

  /** Children of which some are others: what is the same at both ends stays, what stands between is written anew. */
  #children(id: string, was: PageElement, is: PageElement): void {
    const [old, now] = [was.children, is.children].map((children) =>
      children.filter((child) => !isRun(child) || child.text !== ''),
    ) as [Child[], Child[]];
    let first = 0;
    while (first < old.length && first < now.length && same(old[first]!, now[first]!)) first++;
    let last = 0;
    while (
      last < old.length - first &&
      last < now.length - first &&
      same(old[old.length - 1 - last]!, now[now.length - 1 - last]!)
    )
      last++;
    const places = this.#places(id, old);
    // Without a child left, nothing would tell the parser that it is there.
    const node = this.#nodes.get(id)!;
    if (!node.sourceCodeLocation && last + first === 0) {
      const { start, end } = this.#rangeOf(node);
      const inside = now.map((child) => this.#written(child)).join('');
      return void this.#splices.push({ start, end, text: `<${is.tag}>${inside}</${is.tag}>` });
    }
    const start = first > 0 ? places[first - 1]!.end : this.#insideOf(id).start;
    const end = last > 0 ? places[old.length - last]!.start : this.#insideOf(id).end;
    const middle = now.slice(first, now.length - last).map((child) => this.#written(child));
    this.#splices.push({ start, end, text: middle.join('') });
    for (const child of [...old.slice(0, first), ...old.slice(old.length - last)]) if (!isRun(child)) this.#element(child);
  }

  /** A child as it is now: one that was there is written as it was, with what changed in it. */
  #written(child: Child): string {
    if (isRun(child)) return escapeText(child.text);
    const node = this.#nodes.get(child);
    if (!node?.sourceCodeLocation || !this.#were[child])
      return renderElement(this.project, this.page, child, this.#options).trimEnd();
    const before = this.#splices.length;
    this.#element(child);
    const mine = this.#splices.splice(before).sort((a, b) => a.start - b.start || a.end - b.end);
    const { startOffset, endOffset } = node.sourceCodeLocation;
    let [written, at] = ['', startOffset];
    for (const { start, end, text } of mine) {
      written += this.text.slice(at, start) + text;
      at = end;
    }
    return written + this.text.slice(at, endOffset);
  }

  /** An element that keeps only its place here, as it stands in the text: a script, a style sheet. */
  #original(id: string): string | undefined {
    const node = this.#nodes.get(id);
    const location = node && isInert(node.tagName) ? node.sourceCodeLocation : undefined;
    return location ? this.text.slice(location.startOffset, location.endOffset) : undefined;
  }

  /** The style sheets in what was removed from the body: the page has them still. */
  #sheetsGone(id: string): string[] {
    const { tag, children } = this.#were[id]!;
    const isSheet = tag === 'style' || (tag === 'link' && this.#isSheetLink(id));
    const own = isSheet && !this.page.elements[id] ? this.#original(id) : undefined;
    return [...(own === undefined ? [] : [own]), ...children.flatMap((child) => (isRun(child) ? [] : this.#sheetsGone(child)))];
  }

  #isSheetLink(id: string): boolean {
    const rel = this.#nodes.get(id)?.attrs.find(({ name }) => name === 'rel')?.value;
    return /(^|\s)stylesheet(\s|$)/i.test(rel ?? '');
  }

  /** Where each child stands in the text; the texts between comments are one. */
  #places(id: string, children: readonly Child[]): Range[] {
    const nodes = this.#nodes.get(id)!.childNodes.filter((node) => !adapter.isCommentNode(node));
    const groups: Node[][] = [];
    for (const node of nodes) {
      const previous = groups[groups.length - 1];
      if (previous && adapter.isTextNode(node) && adapter.isTextNode(previous[0]!)) previous.push(node);
      else groups.push([node]);
    }
    if (groups.length !== children.length) throw new NotHandedBack('What stands in an element isn’t as the file has it.');
    const ranges = groups.map((group) => {
      const [from, to] = [this.#range(group[0]!), this.#range(group[group.length - 1]!)];
      return from && to ? { start: from.start, end: to.end } : undefined;
    });
    // What the parser made of nothing stands between what is around it: a stray end tag may do that.
    const inside = this.#insideOf(id);
    return ranges.map((range, i) => {
      if (range) return range;
      const end = ranges.slice(i + 1).find((one) => one)?.start ?? inside.end;
      return { start: ranges.slice(0, i).findLast((one) => one)?.end ?? inside.start, end };
    });
  }

  #insideOf(id: string): Range {
    const node = this.#nodes.get(id)!;
    const whole = this.#rangeOf(node);
    const location = node.sourceCodeLocation;
    return { start: location?.startTag?.endOffset ?? whole.start, end: location?.endTag?.startOffset ?? whole.end };
  }

  #inside(id: string, text: string): void {
    this.#splices.push({ ...this.#insideOf(id), text });
  }

  /** What is added comes last in the head. */
  #toHead(tags: readonly string[]): void {
    if (tags.length === 0) return;
    const document = parse(this.text, { sourceCodeLocationInfo: true, scriptingEnabled: true });
    const html = document.childNodes.find((node): node is Tag => adapter.isElementNode(node))!;
    const head = html.childNodes.find((node): node is Tag => adapter.isElementNode(node) && node.tagName === 'head')!;
    const last = head.childNodes.findLast((node) => node.sourceCodeLocation && adapter.isElementNode(node));
    const end = head.sourceCodeLocation?.endTag?.startOffset;
    const at =
      end ??
      last?.sourceCodeLocation?.endOffset ??
      head.sourceCodeLocation?.endOffset ??
      html.sourceCodeLocation?.startTag?.endOffset ??
      afterDoctype(this.text);
    const indentOf = (offset: number) => /(?:^|\n)([ \t]*)$/.exec(this.text.slice(0, offset))?.[1] ?? '';
    const indent = end === undefined ? '' : indentOf(end);
    // As far in as what stands before it.
    const beside = last?.sourceCodeLocation ? indentOf(last.sourceCodeLocation.startOffset) : '';
    const more = beside.startsWith(indent) ? beside.slice(indent.length) : '';
    const text = tags.map((tag) => (end === undefined ? `\n${tag}` : `${more}${tag}\n${indent}`)).join('');
    this.#splices.push({ start: at, end: at, text });
  }
}

const afterDoctype = (text: string): number => /^\s*(?:<!doctype[^>]*>)?/i.exec(text)![0].length;
const same = (a: Child, b: Child): boolean => (isRun(a) ? isRun(b) && a.text === b.text : a === b);
const sameChildren = (a: readonly Child[], b: readonly Child[]): boolean =>
  a.length === b.length && a.every((one, i) => same(one, b[i]!));
const sameClasses = (a = '', b = ''): boolean => a.trim().split(/\s+/).join(' ') === b.trim().split(/\s+/).join(' ');
