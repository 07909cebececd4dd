import type { Page } from '@/core/document';
import type { Sprig } from './build';
import { el, list, part } from './build';
import { page } from './furniture';
import { TOOL_TABLE } from './tools';

/** A line of the list: the tool's name, which leads to it, and its place. */
export const TOOL_LINE: Page = part(
  'line',
  'Tool line',
  el(
    'li',
    {
      name: 'Line',
      base: {
        ...{ display: 'flex', 'justify-content': 'space-between', gap: '16px', 'border-bottom': '1px solid #dcd6c9' },
        'align-items': 'center',
      },
    },
    [
      el('a', {
        ...{ text: 'Claw hammer', name: 'Way to it', attributes: { href: 'page:gtool' } },
        base: { padding: '10px 0', color: 'inherit' },
      }),
      el('span', { text: 'Wall A, peg 4', name: 'Where it hangs', shared: ['squiet'], base: { 'text-align': 'right' } }),
    ],
  ),
);

/** Twenty of forty tools, fed from their table; each leads to the page of a tool. */
export const allTools: Sprig = page('All tools', [
  el('main', { name: 'Main', shared: ['sframe'], base: { 'padding-top': '32px' } }, [
    el('h1', { text: 'All tools, wall by wall', name: 'Title', shared: ['stitle'], base: { 'margin-bottom': '16px' } }),
    list(
      'ul',
      { name: 'Tool list', base: { margin: '0', padding: '0', 'list-style': 'none' } },
      {
        ...{ table: TOOL_TABLE.id, set: 'r1', part: TOOL_LINE.id, most: 20 },
        binds: [
          { place: 'eline2', to: 'text', field: 'fname' },
          { place: 'eline2', to: 'href', field: 'fway' },
          { place: 'eline3', to: 'text', field: 'fplace', hides: true },
        ],
      },
    ),
  ]),
]);
