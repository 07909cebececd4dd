import type { Browser, Page as BrowserPage } from 'playwright-core';
import type { Piece } from '@/core/written';
import { launchChromium } from '@/server/browser/chromium';
import type { FrameMessage } from '@/ui/preview/frame-message';
import { frameMessageSchema } from '@/ui/preview/frame-message';
import { bundledProbe, openFrame } from './open-frame';

// Writing in a frame as the editor has it: what the keyboard, the clipboard and composing make of a text.

const BODY = `<body data-mp-node="ebody" style="margin:0;font:16px/20px monospace">
<main data-mp-node="emain">
<p data-mp-node="ea">One and two</p>
<p data-mp-node="eb">Say <strong data-mp-node="ec">it loud</strong> now</p>
<h2 data-mp-node="eh">Heading</h2>
<button data-mp-node="ebutton">Press</button>
<pre data-mp-node="epre">a</pre>
<section data-mp-node="ebox" style="padding:20px"><p data-mp-node="ez">z</p></section>
</main></body>`;

let browser: Browser;
let host: BrowserPage;
let probe: string;

beforeAll(async () => {
  browser = await launchChromium();
  probe = await bundledProbe();
}, 60_000);
afterAll(() => browser.close());

beforeEach(async () => {
  const context = await browser.newContext({ viewport: { width: 700, height: 500 } });
  host = await context.newPage();
  await openFrame(host, probe, '', BODY);
});
afterEach(() => host.context().close());

type Of<T extends FrameMessage['type']> = Extract<FrameMessage, { type: T }>;
async function heard<T extends FrameMessage['type']>(type: T): Promise<Of<T>[]> {
  const all = await host.evaluate(() => (window as unknown as { heard: unknown[] }).heard);
  return all.map((one) => frameMessageSchema.parse(one)).filter((one): one is Of<T> => one.type === type);
}
const tell = (message: Record<string, unknown>) =>
  host.evaluate((data) => (window as unknown as { port: MessagePort }).port.postMessage(data), message);
const inFrame = (selector: string) => host.frameLocator('iframe').locator(selector);
const frame = () => host.frames()[1]!;
const shown = (pieces: readonly Piece[]): string =>
  pieces.map((one) => (typeof one === 'string' ? one : `<${one.tag}>${shown(one.children)}</${one.tag}>`)).join('');
const press = async (...keys: readonly string[]) => {
  for (const key of keys) await host.keyboard.press(key);
};
/** What is told of an element comes to this. */
async function told(id: string, wanted: string | RegExp): Promise<void> {
  const last = async () => {
    const found = (await heard('written')).findLast((one) => one.id === id);
    return found && shown(found.pieces);
  };
  const is = (text: string | undefined) =>
    text !== undefined && (typeof wanted === 'string' ? text === wanted : wanted.test(text));
  for (let waited = 0; waited < 4_000 && !is(await last()); waited += 20) await host.waitForTimeout(20);
  expect(await last()).toEqual(typeof wanted === 'string' ? wanted : expect.stringMatching(wanted));
}
/** The last message of a kind is like this, in a moment. */
async function comes<T extends FrameMessage['type']>(type: T, like: object): Promise<Of<T>> {
  const fits = (one: Of<T> | undefined) => {
    try {
      expect(one).toMatchObject(like);
      return true;
    } catch {
      return false;
    }
  };
  for (let waited = 0; waited < 4_000 && !fits((await heard(type)).at(-1)); waited += 20) await host.waitForTimeout(20);
  const last = (await heard(type)).at(-1);
  expect(last).toMatchObject(like);
  return last!;
}
async function writeIn(id: string, start = 0, end = start): Promise<void> {
  await frame().evaluate(() => window.focus());
  await tell({ type: 'write', id, start, end });
  await host.waitForFunction(
    (wanted) =>
      (window as unknown as { heard: { type: string; id?: string }[] }).heard.some(
        (one) => one.type === 'writing' && one.id === wanted,
      ),
    id,
  );
}
const inside = (id: string) => inFrame(`[data-mp-node=${id}]`).innerHTML();
const bare = (html: string) => html.replace(/ (data-mp-node|contenteditable)="[^"]*"/g, '');

test('two presses write in a text; it is told as it is typed, and what others change meanwhile leaves it alone', async () => {
  await inFrame('[data-mp-node=ea]').dblclick();
  await host.keyboard.type('Mine');
  const theirs = BODY.replace('One and two', 'Theirs')
    .replace('Heading', 'Further')
    .replace('data-mp-node="ea"', 'data-mp-node="ea" class="new"');
  await tell({ type: 'body', body: theirs, blocks: [] });
  await told('ea', 'Mine');
  expect(await inFrame('[data-mp-node=ea]').textContent()).toBe('Mine');
  expect(await inFrame('[data-mp-node=ea]').getAttribute('class')).toBe('new');
  expect(await inFrame('[data-mp-node=eh]').textContent()).toBe('Further');
  await press('Escape');
  await comes('writing', { id: null });
  expect(await inFrame('[data-mp-node=ea]').getAttribute('contenteditable')).toBeNull();
});

test('in a mark the whole text is written; presses in a box of boxes write nothing', async () => {
  await inFrame('[data-mp-node=ec]').dblclick();
  await comes('writing', { id: 'eb' });
  await press('Escape');
  await inFrame('[data-mp-node=ebox]').dblclick({ position: { x: 300, y: 5 } });
  await comes('writing', { id: null });
});

test('marks by key: a stretch, its overlap with another, and off again; the caret stays on the words', async () => {
  await writeIn('eb', 2, 6);
  await press('Control+i');
  await told('eb', 'Sa<em>y </em><strong><em>it</em> loud</strong> now');
  await comes('writing', { start: 2, end: 6, marks: [{ tag: 'em' }] });
  await press('Control+i');
  await told('eb', 'Say <strong>it loud</strong> now');
  // Without a stretch the whole mark goes.
  await writeIn('eb', 6);
  await press('Control+b');
  await told('eb', 'Say it loud now');
  await tell({ type: 'toggle', tag: 'a', attributes: { href: '#x' } });
  await writeIn('eb', 0, 3);
  await tell({ type: 'toggle', tag: 'a', attributes: { href: '#x' } });
  await told('eb', '<a>Say</a> it loud now');
});

test('Enter makes two, Backspace and Delete make one; marks that are cut stay marks', async () => {
  await writeIn('eb', 6);
  await press('Enter');
  await host.keyboard.type('so ');
  const split = await comes('split', {});
  expect([shown(split.pieces), split.next[0]!.tag, shown(split.next[0]!.pieces)]).toEqual([
    'Say <strong>it</strong>',
    'p',
    '<strong> loud</strong> now',
  ]);
  await told(split.next[0]!.id, /^<strong>so\s+loud<\/strong> now$/);
  await press('Home', 'Backspace');
  await comes('joined', { id: 'eb', gone: split.next[0]!.id });
  expect(await inFrame('[data-mp-node=eb]').textContent()).toMatch(/^Say itso\s+loud now$/);
  await press('End', 'Delete');
  await comes('joined', { id: 'eb', gone: 'eh' });
});

test('at the end of a heading Enter puts a paragraph; in a button it ends; a line break is one character', async () => {
  await writeIn('eh', 7);
  await press('Enter');
  await comes('split', { next: [{ tag: 'p', pieces: [] }] });
  await writeIn('ebutton', 5);
  await press('Shift+Enter');
  await host.keyboard.type('i t');
  await told('ebutton', 'Press<br></br>i t');
  await press('Enter');
  await comes('writing', { id: null });
});

test('deleting goes over marks and leaves nothing of the browser’s own behind', async () => {
  await writeIn('eb', 2, 8);
  await press('Delete');
  await told('eb', 'Sa<strong>oud</strong> now');
  await press('Backspace', 'Backspace');
  await told('eb', '<strong>oud</strong> now');
  await writeIn('ea', 0, 99);
  await press('Backspace');
  await told('ea', '');
  await host.keyboard.type('ä😀');
  await told('ea', 'ä😀');
});

test('a composed word arrives once, whole, and no key of it is taken for another', async () => {
  await writeIn('ea', 0, 99);
  const client = await host.context().newCDPSession(host);
  for (const text of ['n', 'ni', '你'])
    await client.send('Input.imeSetComposition', { text, selectionStart: text.length, selectionEnd: text.length });
  await host.waitForTimeout(60);
  expect((await heard('written')).filter(({ pieces }) => /n/.test(shown(pieces)) && !/and/.test(shown(pieces)))).toEqual([]);
  await client.send('Input.insertText', { text: '你好' });
  await told('ea', '你好');
});

const paste = (html: string, text: string) =>
  frame().evaluate(
    ([html, text]) => {
      const data = new DataTransfer();
      if (html) data.setData('text/html', html);
      data.setData('text/plain', text!);
      document.activeElement!.dispatchEvent(
        new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
      );
    },
    [html, text],
  );

test('what is pasted keeps its words, links, marks and paragraphs, and nothing else', async () => {
  await writeIn('ea', 3);
  await paste(
    '<meta charset="utf-8"><style>p{color:red}</style><p style="color:red" onclick="x()">A <b>bold</b> <a href="https://example.org/x" onclick="x()">link</a><script>x()</script></p><p>B <a href="javascript:x()">no</a> <span class="x">c</span></p>',
    'unused',
  );
  const split = await comes('split', {});
  expect(await bare(await inside('ea'))).toBe('OneA <strong>bold</strong> <a href="https://example.org/x">link</a>');
  expect(shown(split.next[0]!.pieces)).toBe('B no c and two');
  // A link into a link, and bold into bold, are the words alone.
  await writeIn('eb', 6);
  await paste('<b>x<a href="#">y</a></b>', 'xy');
  await told('eb', 'Say <strong>itxy loud</strong> now');
});

test('plain text stays plain; preformatted text keeps its lines; too much is refused in words', async () => {
  await writeIn('ebutton', 0);
  await paste('', '<b>a</b>\nb');
  await told('ebutton', '<b>a</b><br></br>bPress');
  await writeIn('epre', 1);
  await paste('<p>no</p>', 'x\n  y');
  await told('epre', 'ax\n  y');
  await paste('', 'x'.repeat(10_000_000));
  await comes('trouble', { text: expect.stringMatching(/too much/) });
  await told('epre', 'ax\n  y');
  await writeIn('ea', 0, 99);
  await paste(`${'<i>'.repeat(10_000)}deep`, 'x');
  await told('ea', '<em>deep</em>');
  await paste('<p>x</p>'.repeat(50_000), 'x');
  await comes('trouble', { text: expect.stringMatching(/at most 20000 parts/) });
  await told('ea', '<em>deep</em>');
});
