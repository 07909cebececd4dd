import type { Browser } from 'playwright-core';
import { PROPERTIES, whyNoEffect } from '@/core/styles';
import { launchChromium } from '@/server/browser/chromium';

// What is called without effect is written on an element in Chromium: neither it nor anything around it may look otherwise.

let browser: Browser;
beforeAll(async () => {
  browser = await launchChromium();
});
afterAll(() => browser.close());

const DISPLAYS = ['block', 'flex', 'grid', 'inline', 'inline-block', 'list-item', 'table', 'table-row', 'table-cell', 'none'];
const PARENTS = ['block', 'flex', 'grid'];
const POSITIONS = ['static', 'relative', 'absolute'];

/** Values that show wherever the property does anything. */
const TOLD: Readonly<Record<string, string>> = {
  'flex-direction': 'column-reverse',
  'flex-wrap': 'wrap',
  'align-items': 'end',
  'justify-content': 'end',
  'row-gap': '30px',
  'column-gap': '30px',
  'justify-items': 'end',
  'grid-template-columns': '30px 60px',
  'grid-template-rows': '40px',
  'grid-auto-flow': 'column',
  'grid-auto-columns': '33px',
  'grid-auto-rows': '44px',
  'grid-column-start': '3',
  'grid-column-end': '5',
  'grid-row-start': '3',
  'grid-row-end': '4',
  'flex-grow': '1',
  'flex-shrink': '0',
  'flex-basis': '120px',
  order: '5',
  'align-self': 'end',
  'justify-self': 'end',
  width: '77px',
  height: '66px',
  'min-width': '250px',
  'max-width': '22px',
  'min-height': '90px',
  'max-height': '5px',
  'aspect-ratio': '3',
  transform: 'translateX(9px)',
  'overflow-x': 'hidden',
  'overflow-y': 'hidden',
  top: '7px',
  right: '7px',
  bottom: '7px',
  left: '7px',
  'z-index': '3',
  float: 'right',
  clear: 'both',
  'background-size': '5px',
  'background-position': '9px',
  'background-repeat': 'no-repeat',
  'outline-width': '9px',
  'outline-color': 'red',
  'outline-offset': '9px',
  'table-layout': 'fixed',
  'border-collapse': 'collapse',
  'list-style-type': 'square',
  'list-style-position': 'inside',
  'padding-top': '9px',
  'padding-right': '9px',
  'padding-bottom': '9px',
  'padding-left': '9px',
  'margin-top': '9px',
  'margin-right': '9px',
  'margin-bottom': '9px',
  'margin-left': '9px',
  'object-fit': 'contain',
  'vertical-align': '40px',
  'text-overflow': 'ellipsis',
  'scroll-snap-type': 'x mandatory',
  content: '"words"',
};

const PAINTED = new Set([
  ...['background-position', 'background-repeat', 'background-size', 'content', 'list-style-type', 'object-fit', 'outline-color'],
  ...['outline-offset', 'outline-width', 'scroll-snap-type', 'text-overflow', 'z-index', 'table-layout'],
]);

/** A picture would show it, too; rectangles of all, the text's among them, are exact and quicker. */
const READ = `() => [...document.querySelectorAll('body, body *')].map((one) => {
  const range = document.createRange(); range.selectNodeContents(one);
  return [one.getBoundingClientRect(), ...range.getClientRects()].map(({ x, y, width, height }) => [x, y, width, height].join()).join(';');
}).join('|')`;

test('what is said to have no effect changes nothing in Chromium, and what has one is not said to', async () => {
  const page = await browser.newPage({ viewport: { width: 400, height: 300 } });
  const wrong: string[] = [];
  const shown = new Set<string>();
  let asked = 0;
  for (const tag of ['div', 'img', 'ul'])
    for (const parentDisplay of PARENTS)
      for (const display of DISPLAYS)
        for (const position of tag === 'div' ? POSITIONS : POSITIONS.slice(0, 1)) {
          const own = `display:${display};position:${position};border:1px solid`;
          const inner =
            tag === 'img'
              ? ''
              : tag === 'ul'
                ? '<li>one</li><li>two</li>'
                : 'some <b>words</b><u style="display:inline-block;width:220px">x</u><u style="display:inline-block;width:90px">y</u>';
          const [open, close] = tag === 'img' ? ['<img alt="words"', ''] : [`<${tag}`, `</${tag}>`];
          await page.setContent(
            `<!doctype html><body style="margin:0;font:16px sans-serif"><div style="display:${parentDisplay};width:300px;height:200px;position:relative"><p style="float:left;width:40px">before</p>${open} id="it" style="${own}">${inner}${close}<p>after</p></div>`,
          );
          const standing = {
            ...{ tag, display, position, parentDisplay, overflowX: 'visible', overflowY: 'visible' },
            ...{ backgroundImage: 'none', outlineStyle: 'none', generated: false },
          };
          const names = PROPERTIES.map(({ name }) => name).filter((name) => TOLD[name]);
          const changed = await page.evaluate(
            ([list, read]) => {
              const look = eval(read) as () => string;
              const it = document.getElementById('it')!;
              const before = look();
              return list.filter(([name, value]) => {
                it.style.setProperty(name, value);
                const after = look();
                it.style.removeProperty(name);
                return after !== before;
              });
            },
            [names.map((name) => [name, TOLD[name]!] as const), READ] as const,
          );
          const moved = new Set(changed.map(([name]) => name));
          for (const name of names) {
            const why = whyNoEffect(name, standing);
            if (moved.has(name)) shown.add(name);
            if (why === undefined) continue;
            asked++;
            if (moved.has(name)) wrong.push(`${name} on ${tag} ${display} ${position} in ${parentDisplay}: ${why}`);
          }
        }
  expect(wrong).toEqual([]);
  expect(asked).toBeGreaterThan(4_000);
  // Else the values say nothing. Of these nothing moves: what is painted, cut off, or scrolled otherwise.
  const unseen = Object.keys(TOLD).filter((name) => !shown.has(name));
  expect(unseen.filter((name) => !PAINTED.has(name))).toEqual([]);
});
