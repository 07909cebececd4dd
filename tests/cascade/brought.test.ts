import type { Browser } from 'playwright-core';
import { bringIn, bringInEdit } from '@/core/bring-in';
import { hashForTests } from '@/core/bring-in/hash-for-tests';
import { newProject } from '@/core/document';
import { makeEdit } from '@/core/edits';
import { launchChromium } from '@/server/browser/chromium';
import { compareWithBrowser, openComparison } from './compare';

// What the core says of pages that somebody else wrote is what Chromium computes.

const OLD = `<!doctype html><body bgcolor="#ffeedd" text=navy link=red><center><font size=+1 color=green face="Arial,sans-serif">One</font></center>
<table border=2 cellpadding=5 width=80% align=center bgcolor=silver><tr valign=top align=right><th nowrap>A<td width=40 height=20 align=center>B<tr><th>B</table><table style="text-align: left"><tr><th>L<tr style="text-align: start"><th>S</table>
<table><colgroup valign=middle><col align=left valign=top width=40><col bgcolor=red></colgroup><tr><td>C</table><iframe frameborder=0 width=70></iframe><iframe frameborder=1 height=30></iframe><img src=gone.png width=40 height=20>
<p align=center>C<br clear=all><img src=gone.png border=1 hspace=4 align=left><hr size=4 width=50% noshade align=left><ul type=square><li>D</ul>
<a href=#>E</a><pre>F <code>G <span style="font-family: initial">y</span> <span style="font-family: Verdana, Sans-Serif">z</span></code></pre><h2 align=right>H</h2><div align=justify style="color: teal; padding: 3px !important">I</div>`;

const NEW = `<!doctype html><style>
@layer weak, strong; @layer strong { p { color: red; padding: 1px !important } } @layer weak { p#one { color: blue; padding: 2px !important; margin: 3px } }
.card { color: tan; & > b { font-size: 1.5em } &:not(.off) { border: 2px solid; @media (width < 700px) { border-width: 5px } } }
@supports (display: grid) { .card { display: grid; gap: 4px } } @supports not (display: grid) { .card { display: block } }
@media not all and (min-width: 600px) { b { color: rgb(1, 2, 3) } } @media (width >= 600px) and (width < 900px), (min-width: 1200px) { b { color: rgb(4, 5, 6) } }
b { -webkit-padding-start: 9px; padding-left: 3px; margin-inline: 4px 6px; -webkit-box-sizing: border-box } i { padding-left: 2px; -webkit-padding-start: 7px; inset-block: 2px }
body:not(.dark) { pre b { color: tan } .card { margin-left: 7px; > b { margin-top: 3px } } code, i { font-weight: 700 } a:link { letter-spacing: 2px } @media (width < 700px) { p { text-indent: 4px } } }
h3, code { font-size: revert; margin: revert; color: tan; background: linear-gradient(red, blue), linear-gradient(blue, red) } h3 { margin: 1px !important; font-weight: revert }
p:has(i) { color: lime; white-space: wrap; text-wrap: balance } code { font-family: monospace } a:link { color: rgb(9, 9, 9) }
</style><p id=one>One <i>two</i></p><h3>Head</h3><p>Three</p><div class=card><b>Four</b> <code>five</code></div><div class="card off"><a href=#>Six</a></div>`;

const TURNED = `<!doctype html><style>p { margin-inline: 4px 6px; padding-left: 3px; -webkit-padding-end: 5px } b { inset-inline-start: 3px; color: red }
.down { writing-mode: vertical-rl; padding-block: 2px 8px }</style><p>One <b>two</b></p><p dir=rtl>Three <b>four</b></p><div class=down>Five</div>`;

const IMPORTING = '<!doctype html><link rel=stylesheet href=main.css><p id=one class=a>One <b id=two>two</b></p>';
const IMPORTED = {
  'main.css': `@layer base, theme; @import "deep/theme.css" layer(theme); @import "deep/theme.css" layer supports(display: grid) (width < 800px);
@import "base.css" layer(base); @import "gone.css" layer(last); p { margin: 1px } @layer last { b { color: red } } @layer theme { b { color: tan } }`,
  'deep/theme.css':
    '@import "../main.css"; #one { color: navy; margin: 2px } #one #two { color: teal; padding: 3px } @layer { p { padding: 4px } }',
  'base.css': '#one { color: lime; padding: 5px } b { margin: 6px }',
};

let browser: Browser;
beforeAll(async () => {
  browser = await launchChromium();
}, 60_000);
afterAll(() => browser.close());

test.each<[string, string, Readonly<Record<string, string>>?]>([
  ['attributes of another age', OLD],
  ['layers, nesting and conditions', NEW],
  ['text that runs another way', TURNED],
  ['imports, in layers and under conditions', IMPORTING, IMPORTED],
])('%s', async (_, html, others = {}) => {
  const start = { ...newProject('00000000-0000-4000-8000-000000000000', 'Brought'), pages: [] };
  const read = bringIn(
    Object.entries({ 'index.html': html, ...others }).map(([path, text]) => ({ path, bytes: new TextEncoder().encode(text) })),
    { project: start, hash: hashForTests, key: 'k' },
  );
  const page = await browser.newPage();
  await openComparison(page);
  const { mismatches, ofElements } = await compareWithBrowser(
    page,
    makeEdit(start, bringInEdit(read)).document,
    [320, 599, 600, 700, 899, 900, 1300],
  );
  await page.close();
  expect(mismatches).toEqual([]);
  expect(ofElements.said / ofElements.asked).toBeGreaterThan(0.98);
});
