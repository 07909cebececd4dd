import { ARRANGEMENTS, planArrangement } from '@/core/arrangements';
import type { Wish } from '@/core/arrangements';
import { DEFAULT_SLICE } from '@/core/breakpoints';
import { PLAIN_PROFILE } from '@/core/document';
import type { Page, Project } from '@/core/document';
import { CATALOGUE, DEVICE_SETS } from '@/core/devices';
import { readProject, SCHEMA_VERSION } from '@/core/document';
import { applyEdit } from '@/core/edits';
import type { Sprig } from './build';
import { MIDDLE, NARROW, plant, VERY_WIDE } from './build';
import { allTools, TOOL_LINE } from './all-tools';
import { CATALOGUE_CARD, catalogue } from './catalogue';
import { frontPage } from './front-page';
import { PARTS } from './furniture';
import { join } from './join';
import { openingHours } from './opening-hours';
import { PICTURES } from './pictures';
import { SHARED } from './shared-styles';
import { TOOL_TABLE } from './tools';
import { toolAndBooking } from './tool-and-booking';

export const DEMO_NAME = 'Tansy Street Tool Library';

const page = (id: string, name: string, slug: string, root: Sprig): Page => ({ id, name, slug, ...plant(id.slice(1), root) });

let kept: Project | undefined;

/** The demo project: one finished page, one with honest mistakes, three in between. Read once, since it is always the same. */
export function demoProject(id: string, name = DEMO_NAME): Project {
  kept ??= readDemo(id);
  return { ...kept, id, name };
}

function readDemo(id: string): Project {
  const made = readProject({
    schema: SCHEMA_VERSION,
    id,
    name: DEMO_NAME,
    baseName: 'Wide',
    language: 'en',
    rootSize: 100,
    queries: 'range',
    breakpoints: [
      { id: VERY_WIDE, name: 'Very wide', condition: { from: 1600 } },
      { id: MIDDLE, name: 'Middle', condition: { below: 900 } },
      { id: NARROW, name: 'Narrow', condition: { below: 600 } },
    ],
    devices: CATALOGUE,
    deviceSets: DEVICE_SETS,
    sheets: [],
    kinds: { kbutton: { base: { cursor: 'pointer', 'font-weight': '500' } } },
    shared: SHARED,
    pictures: PICTURES,
    blocks: [],
    files: [],
    parts: [...PARTS, CATALOGUE_CARD, TOOL_LINE],
    tables: [TOOL_TABLE],
    arranged: [],
    recipes: [],
    columns: {
      base: { columns: 12, gutter: 24, margin: 32, align: 'centre', bodyMost: 1116, columnLeast: 40 },
      [MIDDLE]: { columns: 8, gutter: 16, margin: 24, align: 'centre', columnLeast: 40 },
      [NARROW]: { columns: 4, gutter: 12, margin: 16, align: 'centre', columnLeast: 40 },
    },
    grids: [],
    audit: PLAIN_PROFILE,
    pages: [
      page('gfront', 'Front page', 'index', frontPage),
      page('gcatalogue', 'Catalogue', 'catalogue', catalogue),
      page('gtool', 'Tool and booking', 'tool', toolAndBooking),
      page('ghours', 'Opening hours', 'hours', openingHours),
      page('gjoin', 'Join', 'join', join),
      page('gtools', 'All tools', 'all-tools', allTools),
    ],
  });
  return ARRANGED.reduce(arranged, made);
}

/** What is arranged by ready arrangements, as anybody would: on which page, what, how. */
const ARRANGED: readonly (readonly [page: string, name: string, arrangement: string, wish: Partial<Wish>])[] = [
  ['ghours', 'Hours', 'table-scrolls', { at: NARROW }],
  [
    'gtools',
    'Tool list',
    'list-detail',
    { at: MIDDLE, settings: { detail: 'gtool', share: 'minmax(0, 320px) minmax(50%, 1fr)' } },
  ],
];

function arranged(project: Project, [page, name, id, wish]: (typeof ARRANGED)[number]): Project {
  let n = 0;
  const { elements } = project.pages.find((one) => one.id === page)!;
  const subject = Object.values(elements).find((one) => one.name === name && one.tag !== 'a')!;
  const arrangement = ARRANGEMENTS.find((one) => one.id === id)!;
  const plan = planArrangement(project, DEFAULT_SLICE, page, subject.id, arrangement, wish, () => `${page.slice(1)}x${n++}`);
  return applyEdit(project, plan.edit).document;
}
