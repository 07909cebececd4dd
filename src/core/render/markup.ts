import type { PageElement } from '../document/element';
import { isBuiltLater } from '../behaviour';
import { specifiedValue } from '../cascade/resolve';
import { handedSet } from '../document/alternates';
import { arrangedMarks, headsRows, isAmong } from '../document/arranged-marks';
import type { Drops } from '../document/drop';
import { dropsOf } from '../document/drops';
import { classesOf } from '../document/class-names';
import { isRun, isWritten } from '../document/content';
import type { Panel } from '../document/panel';
import { isOver } from '../document/panel';
import { FETCHING, isLink, picturesShown, ruleOf } from '../document/html';
import { candidatesOf } from '../document/html/attributes';
import { withAddresses } from '../read/references';
import { MISSING } from './raw-sheet';
import type { Page, Project } from '../document/project';
import type { Addresses } from './sheet-options';

export interface MarkupOptions {
  readonly addresses: Addresses;
  /** The address of another page of the project. */
  readonly page: (id: string) => string;
  /** Marks every element with its id, so that the probe can name it. */
  readonly marked: boolean;
  /** Leaves out what would fetch, play or take the focus. */
  readonly inert: boolean;
  /** Other files that images name, each a `<source>`; an image that has some is written in a `<picture>`. */
  readonly sources?: ((page: Page, element: PageElement) => readonly Readonly<Record<string, string>>[]) | undefined;
  /** What is written for an element in place of itself: for what keeps only its place here, what it was. */
  readonly was?: ((id: string) => string | undefined) | undefined;
}

export function escapeText(text: string): string {
  return text
    .replace(/&/g, '&amp;')
    .replace(/</g, '&lt;')
    .replace(/>/g, '&gt;')
    .replace(/\u00a0/g, '&nbsp;');
}

export function escapeAttribute(value: string): string {
  return escapeText(value).replace(/"/g, '&quot;');
}

/** The address of a file that came with a page, for where it is shown; what isn't there is shown as missing. */
function fileAddress(address: string, { addresses, inert }: MarkupOptions): string | undefined {
  if (/^\s*(#|data:|about:)/i.test(address)) return undefined;
  return addresses.file?.(address) ?? (inert ? MISSING : undefined);
}

/** An attribute whose file a browser fetches by itself; undefined where it is left out, so that nothing is. */
function fetched(tag: string, name: string, value: string, options: MarkupOptions): string | undefined {
  if (options.inert && !SHOWN.has(`${tag} ${name}`)) return undefined;
  if (!options.addresses.file && !options.inert) return value;
  if (!name.endsWith('srcset')) return value.trim() === '' ? value : (fileAddress(value, options) ?? value);
  return candidatesOf(value)
    .map(({ address, descriptor }) => `${fileAddress(address, options) ?? address} ${descriptor}`.trim())
    .join(', ');
}

/** Attributes by which a picture is shown. Frames, films and the rest are left out while a page is worked on. */
const SHOWN: ReadonlySet<string> = new Set([
  ...['img src', 'img srcset', 'source srcset', 'video poster', 'input src'],
  ...['body', 'table', 'thead', 'tbody', 'tfoot', 'tr', 'td', 'th'].map((tag) => `${tag} background`),
]);

/** Attributes that make something begin by itself. */
const PLAYS = new Set(['autoplay', 'autofocus']);

/** What drops out of a row, in order, each with how it shows where it hasn't; behind a semicolon what shows where some have. */
const dropsText = (project: Project, page: Page, { items, more = '' }: Drops) =>
  `${items.map(({ item }) => `${item}:${specifiedValue(project, page, item, 'display', WIDE)}`).join(' ')};${more}`;
const WIDE = { width: 100_000, height: 800, pointer: 'mouse' as const };

function attributesOf(project: Project, page: Page, element: PageElement, options: MarkupOptions): string {
  const classes = classesOf(project, element);
  const list: (readonly [string, string])[] = classes.length > 0 ? [['class', classes.join(' ')]] : [];
  const pictures = picturesShown(element.attributes);
  for (const [name, value] of Object.entries(element.attributes).sort(([a], [b]) => (a < b ? -1 : 1))) {
    if (name === 'class' || (options.inert && PLAYS.has(name))) continue;
    const picture = pictures.get(name);
    if (picture !== undefined) list.push([name, options.addresses.picture(picture)]);
    else if (name === 'style') list.push([name, withAddresses(value, (address) => fileAddress(address, options))]);
    else if (FETCHING.has(name)) {
      const written = fetched(element.tag, name, value, options);
      if (written !== undefined) list.push([name, written]);
    } else if (isLink(name) && value.startsWith('page:')) {
      const [id = '', place] = value.slice(5).split('#');
      const address = options.page(id);
      list.push([name, place === undefined || address === '#' ? address : `${address}#${place}`]);
      // Frames lead nowhere by themselves; whoever uses the page is led by the editor.
      if (options.marked && name === 'href') list.push(['data-mp-page', value.slice(5)]);
    } else list.push([name, value]);
  }
  if (element.panel) list.push(...panelAttributes(element.panel));
  // It keeps its place, and runs nothing.
  if (element.tag === 'script') list.push(['type', 'text/plain']);
  if (options.marked) list.push(['data-mp-node', element.id]);
  const drops = options.marked && dropsOf(project, page, element);
  if (drops) list.push(['data-mp-drops', dropsText(project, page, drops)]);
  if (options.marked && element.first) list.push(['data-mp-first', '']);
  if (options.marked && element.alternate) list.push(['data-mp-alternate', element.alternate.set]);
  if (options.marked && element.alternate?.later) list.push(['data-mp-later', '']);
  if (options.marked) list.push(...arrangedAttributes(project, page, element, options));
  return writtenAttributes(list);
}

/** What an audit has to know of arrangements. */
function arrangedAttributes(project: Project, page: Page, element: PageElement, options: MarkupOptions) {
  const list: (readonly [string, string])[] = [];
  if (headsRows(page, element)) list.push(['data-mp-head', '']);
  if (project.arranged.length === 0) return list;
  const { arranged, added, panes } = arrangedMarks(project);
  if (isAmong(arranged, element)) list.push(['data-mp-arranged', '']);
  if (isAmong(added, element)) list.push(['data-mp-added', '']);
  const pane = panes.get(element.id);
  if (pane !== undefined) list.push(['data-mp-pane', options.page(pane)]);
  return list;
}

/** How HTML says of an element that it opens and closes, and what its script does besides. */
export const panelAttributes = (panel: Panel): readonly (readonly [string, string])[] =>
  isOver(panel) ? popoverAttributes(panel) : [['data-panel', 'unfolds']];

const popoverAttributes = ({ locks, outside, links }: Panel): readonly (readonly [string, string])[] => [
  ['popover', outside ? 'auto' : 'manual'],
  ['data-panel', [...(locks ? ['locks'] : []), ...(links ? ['links'] : [])].join(' ')],
];

const writtenAttributes = (list: readonly (readonly [string, string])[]) =>
  list.map(([name, value]) => (value === '' && name !== 'alt' ? ` ${name}` : ` ${name}="${escapeAttribute(value)}"`)).join('');

/** Attributes as they stand in a tag, each with a space before it. */
export const attributesText = (attributes: Readonly<Record<string, string>>): string =>
  writtenAttributes(Object.entries(attributes));

/**
 * An element and all below it as HTML. Elements stand on lines of their own, indented, but in what was written as text:
 * there every white space would be seen. Line breaks are the same in preview and export.
 */
export function renderElement(project: Project, page: Page, id: string, options: MarkupOptions): string {
  return `${written(project, page, id, options, '')}\n`;
}

function written(project: Project, page: Page, id: string, options: MarkupOptions, indent: string): string {
  const was = options.was?.(id);
  if (was !== undefined) return was;
  if (!options.marked && isBuiltLater(page, id)) {
    return `${templateFor(project, page.elements[id]!)}${itself(project, page, id, options, indent)}</template>`;
  }
  return itself(project, page, id, options, indent);
}

/** The tag in which an alternate waits until it is first shown. */
export const templateFor = (project: Project, element: PageElement): string =>
  `<template${attributesText({
    class: classesOf(project, element).join(' '),
    'data-later': handedSet(element.alternate!.set),
  })}>`;

function itself(project: Project, page: Page, id: string, options: MarkupOptions, indent: string): string {
  const element = page.elements[id]!;
  const { tag, children } = element;
  const open = `<${tag}${attributesOf(project, page, element, options)}>`;
  if (tag === 'img') return inPicture(options.sources?.(page, element) ?? [], open);
  if (ruleOf(tag)?.content === 'void' || tag === 'link' || tag === 'meta' || tag === 'base') return open;
  const close = `</${tag}>`;
  const deeper = `${indent}  `;
  if (element.source !== undefined) return open + element.source + close;
  if (children.length === 0) return open + close;
  if (isWritten(element)) {
    const inside = children.map((child) =>
      isRun(child) ? escapeText(child.text) : written(project, page, child, options, deeper),
    );
    return open + firstLine(element, inside[0]!) + inside.join('') + close;
  }
  const lines = children.map((child) => `${deeper}${written(project, page, child as string, options, deeper)}\n`);
  return `${open}\n${lines.join('')}${indent}${close}`;
}

/** An image with the other files that it may show. On one line, since white space around images is seen. */
function inPicture(sources: readonly Readonly<Record<string, string>>[], image: string): string {
  if (sources.length === 0) return image;
  return `<picture>${sources.map((source) => `<source${attributesText(source)}>`).join('')}${image}</picture>`;
}

/** Parsers drop a line break that stands first in these. */
const firstLine = ({ tag }: PageElement, inside: string) =>
  inside.startsWith('\n') && ['pre', 'textarea', 'listing'].includes(tag) ? '\n' : '';
