import type { PageElement } from '../document/element';
import { classesOf } from '../document/class-names';
import { ruleOf } from '../document/html';
import type { Page, Project } from '../document/project';
import type { Addresses } from './sheet';

export interface MarkupOptions {
  readonly addresses: Addresses;
  /** The address of another page of the project. */
  readonly page: (id: string) => string;
  /** Marks every element with its id, so that the probe can name it. */
  readonly marked: boolean;
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

function attributesOf(project: Project, element: PageElement, options: MarkupOptions): string {
  const classes = classesOf(project, element);
  const list: [string, string][] = classes.length > 0 ? [['class', classes.join(' ')]] : [];
  for (const [name, value] of Object.entries(element.attributes).sort(([a], [b]) => (a < b ? -1 : 1))) {
    if (name === 'src') list.push([name, options.addresses.picture(value.replace(/^picture:/, ''))]);
    else if (value.startsWith('page:')) list.push([name, options.page(value.slice(5))]);
    else list.push([name, value]);
  }
  if (options.marked) list.push(['data-mp-node', element.id]);
  if (options.marked && element.first) list.push(['data-mp-first', '']);
  return list
    .map(([name, value]) => (value === '' && name !== 'alt' ? ` ${name}` : ` ${name}="${escapeAttribute(value)}"`))
    .join('');
}

/** An element and all below it as indented HTML. Line breaks between elements are the same in preview and export. */
export function renderElement(project: Project, page: Page, id: string, options: MarkupOptions, indent = ''): string {
  const element = page.elements[id]!;
  const open = `${indent}<${element.tag}${attributesOf(project, element, options)}>`;
  if (ruleOf(element.tag)?.content === 'void') return `${open}\n`;
  if (element.children.length === 0) {
    const text = escapeText(element.text ?? '');
    const first = text.startsWith('\n') && (element.tag === 'pre' || element.tag === 'textarea') ? '\n' : '';
    return `${open}${first}${text}</${element.tag}>\n`;
  }
  const inside = element.children.map((child) => renderElement(project, page, child, options, `${indent}  `)).join('');
  return `${open}\n${inside}${indent}</${element.tag}>\n`;
}
