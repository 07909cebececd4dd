import type { PageElement } from './element';
import type { Device, Page, Project } from './project';
import { SCHEMA_VERSION } from './project';

/** Six general sizes to begin with; none is a product's. */
export const GENERAL_DEVICES: readonly Device[] = [
  { id: 'dsmall', name: 'Small phone', width: 350, height: 640 },
  { id: 'dphone', name: 'Phone', width: 400, height: 860 },
  { id: 'dturned', name: 'Phone, turned', width: 860, height: 400 },
  { id: 'dtablet', name: 'Tablet', width: 800, height: 1120 },
  { id: 'dnote', name: 'Notebook', width: 1340, height: 780 },
  { id: 'ddesk', name: 'Desktop', width: 1880, height: 1040 },
];

const element = (fields: Partial<PageElement> & Pick<PageElement, 'id' | 'tag' | 'name'>): PageElement => ({
  attributes: {},
  children: [],
  shared: [],
  styles: {},
  ...fields,
});

/** A page with a heading and a first paragraph, so that there is something to select. */
export function newPage(id: string, name: string, slug: string): Page {
  const key = id.slice(1);
  const body = `e${key}body`;
  const main = `e${key}main`;
  const heading = `e${key}h`;
  const text = `e${key}p`;
  return {
    id,
    name,
    slug,
    root: body,
    elements: {
      [body]: element({
        id: body,
        tag: 'body',
        name,
        children: [main],
        styles: { base: { 'font-family': '"Schibsted Grotesk Variable", sans-serif', 'line-height': '1.5' } },
      }),
      [main]: element({
        id: main,
        tag: 'main',
        name: 'Main',
        children: [heading, text],
        styles: {
          base: { 'padding-top': '48px', 'padding-right': '32px', 'padding-bottom': '48px', 'padding-left': '32px' },
        },
      }),
      [heading]: element({ id: heading, tag: 'h1', name: 'Heading', text: name }),
      [text]: element({ id: text, tag: 'p', name: 'First text', text: 'Write something here.' }),
    },
  };
}

/** An empty project: one page, no breakpoints. */
export function newProject(id: string, name: string): Project {
  return {
    schema: SCHEMA_VERSION,
    id,
    name,
    baseName: 'Base',
    breakpoints: [],
    devices: GENERAL_DEVICES,
    sheets: [],
    kinds: {},
    shared: [],
    pictures: [],
    blocks: [],
    columns: {},
    grids: [],
    pages: [newPage('gfirst', name, 'index')],
  };
}
