import { textChildren } from '../document/content';
import type { PageElement } from '../document/element';
import type { GivenKind } from '../document/kinds';
import { suggestName } from '../document/element';

import type { Picture } from '../document/project';
import { checkValue } from '../styles/value';
import { ICONS, PLACEHOLDER } from './drawings';

/** What a building block is made of, before it has ids. */
export interface Sketch {
  readonly tag: string;
  readonly name?: string;
  readonly text?: string;
  readonly kind?: GivenKind;
  readonly attributes?: Readonly<Record<string, string>>;
  /** Base values, shorthands allowed. */
  readonly values?: Readonly<Record<string, string>>;
  readonly children?: readonly Sketch[];
}

export interface PaletteEntry {
  readonly id: string;
  readonly label: string;
  /** What it's for, in a few words. */
  readonly about: string;
  readonly sketch: Sketch;
  /** The picture that it shows, to be added to the project where it isn't there yet. */
  readonly picture?: Picture;
}

const text = (tag: string, words: string, more: Partial<Sketch> = {}): Sketch => ({ tag, text: words, ...more });
const ROOMY = { padding: '32px' };
const cells = (tag: string, row: string, count: number): Sketch => ({
  tag: 'tr',
  name: `${row} row`,
  children: Array.from({ length: count }, (_, i) =>
    text(tag, tag === 'th' ? `Heading ${i + 1}` : `${row} ${i + 1}`, { values: { padding: '8px 12px', 'text-align': 'left' } }),
  ),
});

const iconEntry = (picture: Picture): PaletteEntry => {
  const what = picture.fileName.replace(/^icon-|\.svg$/g, '');
  return {
    id: `icon-${what}`,
    label: `Icon: ${what}`,
    about: 'a small drawing, 24 px',
    picture,
    sketch: {
      tag: 'img',
      name: `${what[0]!.toUpperCase()}${what.slice(1)} icon`,
      attributes: { src: `picture:${picture.id}`, alt: '' },
      values: { width: '24px', height: '24px' },
    },
  };
};

/** The HTML building blocks that can be put into a page. */
export const PALETTE: readonly PaletteEntry[] = [
  { id: 'section', label: 'Section', about: 'a part of the page', sketch: { tag: 'section', values: ROOMY } },
  {
    id: 'row',
    label: 'Row',
    about: 'side by side, wraps',
    sketch: {
      tag: 'div',
      kind: 'krow',
      name: 'Row',
      values: { display: 'flex', 'flex-wrap': 'wrap', gap: '16px' },
      children: [text('p', 'First'), text('p', 'Second')],
    },
  },
  {
    id: 'grid',
    label: 'Grid',
    about: 'three equal columns',
    sketch: {
      tag: 'div',
      kind: 'kgrid',
      name: 'Grid',
      values: { display: 'grid', 'grid-template-columns': 'repeat(3, minmax(0, 1fr))', gap: '16px' },
      children: [text('p', 'First'), text('p', 'Second'), text('p', 'Third')],
    },
  },
  { id: 'group', label: 'Group', about: 'a plain box', sketch: { tag: 'div', values: { padding: '16px' } } },
  { id: 'heading', label: 'Heading', about: 'second level', sketch: text('h2', 'New heading') },
  { id: 'text', label: 'Text', about: 'a paragraph', sketch: text('p', 'New text') },
  { id: 'link', label: 'Link', about: 'leads on', sketch: text('a', 'New link', { attributes: { href: '#' } }) },
  {
    id: 'button',
    label: 'Button',
    about: 'does something',
    sketch: text('button', 'New button', { attributes: { type: 'button' } }),
  },
  {
    id: 'picture',
    label: 'Picture',
    about: 'as wide as its place',
    picture: PLACEHOLDER,
    sketch: {
      tag: 'img',
      attributes: { src: `picture:${PLACEHOLDER.id}`, alt: '' },
      values: { display: 'block', width: '100%' },
    },
  },
  {
    id: 'figure',
    label: 'Figure',
    about: 'a picture and its words',
    picture: PLACEHOLDER,
    sketch: {
      tag: 'figure',
      values: { margin: '0' },
      children: [
        { tag: 'img', attributes: { src: `picture:${PLACEHOLDER.id}`, alt: '' }, values: { display: 'block', width: '100%' } },
        text('figcaption', 'What it shows'),
      ],
    },
  },
  {
    id: 'list',
    label: 'List',
    about: 'three items',
    sketch: { tag: 'ul', children: [text('li', 'First item'), text('li', 'Second item'), text('li', 'Third item')] },
  },
  { id: 'item', label: 'List item', about: 'one more in a list', sketch: text('li', 'New item') },
  {
    id: 'table',
    label: 'Table',
    about: 'three columns',
    sketch: {
      tag: 'table',
      values: { 'border-collapse': 'collapse' },
      children: [
        { tag: 'thead', name: 'Table head', children: [cells('th', 'Heading', 3)] },
        { tag: 'tbody', name: 'Table body', children: [cells('td', 'First', 3), cells('td', 'Second', 3)] },
      ],
    },
  },
  {
    id: 'field',
    label: 'Form field',
    about: 'a label and its field',
    sketch: {
      tag: 'div',
      name: 'Form field',
      values: { display: 'flex', 'flex-direction': 'column', gap: '4px' },
      children: [
        text('label', 'Your name', { attributes: { for: 'field' } }),
        {
          tag: 'input',
          attributes: { id: 'field', type: 'text', name: 'field' },
          values: { padding: '8px', 'font-size': '16px' },
        },
      ],
    },
  },
  {
    id: 'navigation',
    label: 'Navigation',
    about: 'links in a row',
    sketch: {
      tag: 'nav',
      children: [
        {
          tag: 'ul',
          name: 'Links',
          values: { display: 'flex', 'flex-wrap': 'wrap', gap: '8px 20px', 'list-style': 'none', margin: '0', padding: '0' },
          children: ['Start', 'About', 'Contact'].map((words) => ({
            tag: 'li',
            name: `${words} item`,
            children: [text('a', words, { attributes: { href: '#' } })],
          })),
        },
      ],
    },
  },
  {
    id: 'quotation',
    label: 'Quotation',
    about: 'what somebody said',
    sketch: { tag: 'blockquote', children: [text('p', 'What was said')] },
  },
  {
    id: 'details',
    label: 'Details',
    about: 'opens when pressed',
    sketch: { tag: 'details', children: [text('summary', 'More about it'), text('p', 'What is shown when it is open')] },
  },
  {
    id: 'terms',
    label: 'Terms',
    about: 'each with its description',
    sketch: {
      tag: 'dl',
      children: [text('dt', 'First term'), text('dd', 'What it means'), text('dt', 'Second term'), text('dd', 'What that means')],
    },
  },
  {
    id: 'choice',
    label: 'Choice',
    about: 'a label and a list to choose from',
    sketch: {
      tag: 'div',
      name: 'Choice',
      values: { display: 'flex', 'flex-direction': 'column', gap: '4px' },
      children: [
        text('label', 'Day of return', { attributes: { for: 'choice' } }),
        {
          tag: 'select',
          attributes: { id: 'choice', name: 'choice' },
          values: { padding: '8px', 'font-size': '16px' },
          children: [text('option', 'Monday'), text('option', 'Thursday')],
        },
      ],
    },
  },
  { id: 'preformatted', label: 'Preformatted', about: 'keeps its spaces and lines', sketch: text('pre', 'As it is typed') },
  { id: 'rule', label: 'Rule', about: 'a change of subject', sketch: { tag: 'hr' } },
  ...ICONS.map(iconEntry),
];

function declared(values: Readonly<Record<string, string>>): Record<string, string> {
  return Object.assign(
    {},
    ...Object.entries(values).map(([property, value]) => {
      const checked = checkValue(property, value);
      if (!checked.ok) throw new Error(checked.message);
      return checked.declarations;
    }),
  ) as Record<string, string>;
}

/** A building block as elements, the top first. */
export function sketched(sketch: Sketch, newId: () => string): PageElement[] {
  const { tag, text: words, kind, attributes = {}, values, children = [] } = sketch;
  const below = children.map((child) => sketched(child, newId));
  const top: PageElement = {
    id: newId(),
    tag,
    name: sketch.name ?? suggestName(tag, words),
    attributes,
    children: [...textChildren(words), ...below.map(([first]) => first!.id)],
    shared: [],
    styles: values ? { base: declared(values) } : {},
    ...(kind && { kind }),
  };
  return [top, ...below.flat()];
}
