import type { Browser, Page as BrowserPage } from 'playwright-core';
import { launchChromium } from '@/server/browser/chromium';
import type { FrameMessage } from '@/ui/preview/frame-message';
import { frameMessageSchema } from '@/ui/preview/frame-message';
import { bundledProbe, openFrame } from './open-frame';

// The probe inside a frame as the editor has it: sandboxed, of an origin of its own, spoken to by messages only.

const BODY = `<body data-mp-node="ebody" style="margin:0;font:16px/20px monospace">
<main data-mp-node="emain" style="display:flex;gap:10px;padding:20px 30px">
<p data-mp-node="ea" style="margin:0;width:100px;height:40px">One</p>
<p data-mp-node="eb" style="margin:0;width:50%;padding:3px 4px 5px 6px"><b data-mp-node="ec">Two</b></p>
</main>
<a data-mp-node="elink" href="#there" style="display:block;width:900px">Away</a>
<div data-mp-node="ehigh" style="height:900px"></div></body>`;

let browser: Browser;
let host: BrowserPage;
let probe: string;

beforeAll(async () => {
  browser = await launchChromium();
  probe = await bundledProbe();
}, 60_000);
afterAll(() => browser.close());

beforeEach(async () => {
  host = await browser.newPage({ viewport: { width: 700, height: 500 } });
  await openFrame(host, probe, '<style data-mp-block="b">[data-mp-node=ea] { color: red }</style>', BODY);
});
afterEach(() => host.close());

/** Everything said so far; each message is one that the editor takes. */
async function heard(): Promise<FrameMessage[]> {
  const all = await host.evaluate(() => (window as unknown as { heard: unknown[] }).heard);
  return all.map((one) => frameMessageSchema.parse(one));
}
type Of<T extends FrameMessage['type']> = Extract<FrameMessage, { type: T }>;
async function last<T extends FrameMessage['type']>(type: T, holds: (message: Of<T>) => boolean = () => true): Promise<Of<T>> {
  for (let waited = 0; waited < 5_000; waited += 20) {
    const found = (await heard()).findLast((one): one is Of<T> => one.type === type && holds(one as Of<T>));
    if (found) return found;
    await host.waitForTimeout(20);
  }
  throw new Error(`The frame said no such ${type}.`);
}
const tell = (message: Record<string, unknown>) =>
  host.evaluate((data) => (window as unknown as { port: MessagePort }).port.postMessage(data), message);
const choose = (ids: readonly string[], locked: readonly string[] = []) => tell({ type: 'select', ids, locked, leads: true });
const inFrame = (selector: string) => host.frameLocator('iframe').locator(selector);

test('it tells where the chosen element is and what its sizes mean', async () => {
  await choose(['eb']);
  const { rects, measured, viewport, content, scrollWidth } = await last('layout', (message) => message.measured !== null);
  expect(rects.eb).toEqual([140, 20, 280, 40]);
  expect(measured).toMatchObject({
    id: 'eb',
    padding: [3, 4, 5, 6],
    whole: { width: 540 },
    parent: [0, 0, 600, 80],
    siblings: [[30, 20, 100, 40]],
    fontSize: 16,
  });
  expect([viewport, content, scrollWidth]).toEqual([600, expect.any(Number), 900]);
  expect(await last('outside')).toMatchObject({ partly: ['elink'], wholly: [] });
});

test('a survey names every box and how it lays out what stands in it', async () => {
  await tell({ type: 'survey', token: 7 });
  const { boxes, token } = await last('survey');
  const box = (id: string) => boxes.find((one) => one.id === id)!;
  expect([token, box('emain').flow, box('emain').gap, box('eb').flow]).toEqual([7, 'row', 10, 'block']);
  expect(box('ea').rect).toEqual([30, 20, 100, 40]);
});

test('presses choose, a second one goes further in, locked elements are passed over, drags are told', async () => {
  await inFrame('[data-mp-node=ec]').click();
  expect(await last('select')).toMatchObject({ id: 'ec', add: false });
  await choose([], ['ec']);
  await inFrame('[data-mp-node=ec]').click();
  expect(await last('select', ({ id }) => id === 'eb')).toMatchObject({ add: false });
  await inFrame('[data-mp-node=ea]').click({ modifiers: ['Shift'] });
  expect(await last('select', ({ id }) => id === 'ea')).toMatchObject({ add: true });
  await host.mouse.move(60, 40);
  await host.mouse.down();
  await host.mouse.move(120, 45, { steps: 4 });
  await host.mouse.up();
  await last('drag', ({ phase }) => phase === 'end');
  const phases = (await heard()).flatMap((one) => (one.type === 'drag' ? [one.phase] : []));
  expect([phases[0], phases.at(-1)]).toEqual(['start', 'end']);
  expect(phases.slice(1, -1).every((phase) => phase === 'move')).toBe(true);
});

test('keys go to the editor; links, forms and buttons of the page do nothing', async () => {
  await inFrame('[data-mp-node=elink]').click();
  await host.keyboard.press('Control+z');
  await host.keyboard.press('Delete');
  expect(await last('key', ({ key, up }) => key === 'z' && !up)).toMatchObject({ ctrl: true });
  await last('key', ({ key, up }) => key === 'z' && up);
  await last('key', ({ key }) => key === 'Delete');
  expect(await host.frames()[1]!.evaluate(() => location.hash)).toBe('');
});

test('rules, blocks and fonts are exchanged in place, and the boxes are told anew', async () => {
  await choose(['ea']);
  await tell({ type: 'rules', changes: [{ block: 'b', index: 0, css: 'height: 70px !important' }] });
  await last('layout', ({ rects }) => rects.ea?.[3] === 70);
  await tell({
    type: 'blocks',
    blocks: [{ key: 'new', css: '[data-mp-node=ea] { height: 90px !important }' }],
    fonts: '@font-face { font-family: X; src: url(data:,) }',
  });
  await last('layout', ({ rects }) => rects.ea?.[3] === 90);
  const styles = await host
    .frames()[1]!
    .evaluate(() =>
      [...document.querySelectorAll('style')].map(({ textContent, dataset }) => [
        Object.keys(dataset)[0],
        textContent?.slice(0, 10),
      ]),
    );
  expect(styles).toEqual([
    ['mpFonts', '@font-face'],
    ['mpBlock', '[data-mp-n'],
  ]);
  // The page has become higher each time; no report says what the one before said.
  const said = (await heard()).filter(({ type }) => type === 'layout').map((layout) => JSON.stringify(layout));
  expect(said.filter((text, i) => text === said[i - 1])).toEqual([]);
});

test('messages of the page itself, and those that name nothing known, are not answered', async () => {
  const before = (await heard()).length;
  await host.frames()[1]!.evaluate(() => postMessage({ type: 'survey', token: 1 }, '*'));
  await tell({ type: 'constructor' });
  await tell({ type: 'nonsense' });
  await host.waitForTimeout(100);
  expect((await heard()).slice(before).filter(({ type }) => type !== 'layout' && type !== 'outside')).toEqual([]);
});
