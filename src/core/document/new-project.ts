import { PLAIN_PROFILE } from './profile';
import type { PageElement } from './element';
import { CATALOGUE, DEVICE_SETS } from '../devices/catalogue';
import type { Page, Project } from './project';
import { SCHEMA_VERSION } from './project';
import { USUAL_ROOT_SIZE } from './root-size';

const element = (fields: Partial<PageElement> & Pick<PageElement, 'id' | 'tag' | 'name'>): PageElement => ({
  attributes: {},
  children: [],
  shared: [],
  styles: {},
  ...fields,
});

/**
 * A page with a heading and a first paragraph, so that there is something to select.
 * @param id elements' ids are made of it
 */
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
        styles: { base: { 'padding-top': '48px', 'padding-right': '32px', 'padding-bottom': '48px', 'padding-left': '32px' } },
      }),
      [heading]: element({ id: heading, tag: 'h1', name: 'Heading', children: [{ text: name }] }),
      [text]: element({ id: text, tag: 'p', name: 'First text', children: [{ text: 'Write something here.' }] }),
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
    language: 'en',
    rootSize: USUAL_ROOT_SIZE,
    queries: 'range',
    breakpoints: [],
    devices: CATALOGUE,
    deviceSets: DEVICE_SETS,
    sheets: [],
    kinds: {},
    shared: [],
    pictures: [],
    blocks: [],
    files: [],
    parts: [],
    tables: [],
    arranged: [],
    recipes: [],
    columns: {},
    grids: [],
    audit: PLAIN_PROFILE,
    pages: [newPage('gfirst', name, 'index')],
  };
}
