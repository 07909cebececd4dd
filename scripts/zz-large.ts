import { chromium } from 'playwright-core';
const [address, count] = [process.argv[2]!, Number(process.argv[3])];
const el = (id: string, tag: string, more: object = {}) => ({ id, tag, name: id, attributes: {}, children: [], shared: [], styles: {}, ...more });
const json = { 'content-type': 'application/json' };
const post = async (path: string, data: object) => (await fetch(address + path, { method: 'POST', headers: json, body: JSON.stringify(data) })).json() as any;
const { id } = await post('/api/projects', { name: 'Large ' + count, from: 'empty' });
const opened = await (await fetch(`${address}/api/projects/${id}`)).json() as any;
const first = opened.project.pages[0];
const parent = first.elements[first.root].children[0];
let revision = 0;
const cardsN = Math.floor((count - 20) / 5);
const per = 200;
for (let at = 0; at < cardsN; at += per) {
  const n = Math.min(per, cardsN - at);
  const parts = Array.from({ length: n }, (_, k) => { const i = at + k; return [
    el(`ec${i}`, 'div', { children: [`eh${i}`, `et${i}`, `er${i}`], styles: { base: { 'padding-top': '8px' } } }),
    el(`eh${i}`, 'h3', { text: `Tool ${i}` }), el(`et${i}`, 'p', { text: 'Hangs on a peg, goes out for a week.' }),
    el(`er${i}`, 'div', { children: [`eb${i}`] }), el(`eb${i}`, 'button', { text: 'Reserve' })]; });
  const row = el(`erow${at}`, 'div', { name: 'Cards', children: parts.map(([c]) => c!.id), styles: { base: { display: 'grid', 'grid-template-columns': 'repeat(4, minmax(0, 1fr))', 'row-gap': '8px', 'column-gap': '20px' } } });
  const t = performance.now();
  const a = await post(`/api/projects/${id}/edits`, { revision, edits: [{ id: crypto.randomUUID(), kind: 'do', edit: { type: 'insertElement', page: first.id, parent, index: 0, elements: [row, ...parts.flat()] } }] });
  revision = a.revision; if (a.refused?.length) console.log(a.refused);
}
const t0 = performance.now(); const text = await (await fetch(`${address}/api/projects/${id}`)).text(); console.log('GET ms', Math.round(performance.now() - t0), text.length);
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox','--disable-gpu','--disable-quic','--no-first-run','--disable-background-networking','--disable-component-update','--disable-sync'], chromiumSandbox: false });
const p = await b.newPage({ viewport: { width: 1280, height: 800 }, storageState: { cookies: [], origins: [{ origin: address, localStorage: [{ name: 'mill-pond-measuring', value: 'asked' }] }] } as any });
p.on('pageerror', (e) => console.log('pageerror', e.message));
for (let k = 0; k < 3; k++) {
  let ses: any; if (process.argv[4] === 'open' && k === 2) { ses = await p.context().newCDPSession(p); await ses.send('Profiler.enable'); await ses.send('Profiler.start'); }
  const t = performance.now();
  await p.goto(`${address}/projects/${id}`);
  await p.waitForFunction(() => document.querySelector('iframe'), undefined, { polling: 20 });
  await p.waitForFunction(() => document.querySelectorAll('[role=treeitem]').length > 5, undefined, { polling: 20 });
  let frame;
  for (;;) { frame = p.frames().find((f) => f !== p.mainFrame()); if (frame && await frame.evaluate(() => document.querySelectorAll('button').length).catch(() => 0) >= cardsN) break; await p.waitForTimeout(20); }
  console.log('opened ms', Math.round(performance.now() - t));
  if (ses) { const { profile } = await ses.send('Profiler.stop'); (await import('node:fs')).writeFileSync('/tmp/open.cpuprofile', JSON.stringify(profile)); }
}
if (process.argv[4] === 'profile') {
  const s = await p.context().newCDPSession(p);
  await s.send('Profiler.enable'); await s.send('Profiler.start');
  (globalThis as any).stopProfile = async () => { const { profile } = await s.send('Profiler.stop'); (await import('node:fs')).writeFileSync('/tmp/p.cpuprofile', JSON.stringify(profile)); };
}
const frame = p.frames().find((f) => f !== p.mainFrame())!;
await p.getByRole('treeitem', { name: /^Cards/ }).first().click();
await p.waitForTimeout(500);
const box = p.getByRole('textbox', { name: 'Any declaration' });
for (let k = 0; k < 6; k++) {
  await box.fill(`row-gap: ${20 + k}px`);
  const v = `${20 + k}px`;
  const seen = frame.evaluate(`new Promise((done) => { const all = [...document.querySelectorAll('[data-mp-node^="erow"]')]; (function look() { all.some((r) => getComputedStyle(r).rowGap === '${v}') ? done(Date.now()) : setTimeout(look, 3); })(); })`) as Promise<number>;
  const s = await p.evaluate(`(() => { const w = window; w.begun = Date.now(); w.saved = 0; w.dirty = false; const e = document.querySelector('[data-testid=saving]'); (function look() { if (e.textContent !== 'All saved') w.dirty = true; else if (w.dirty) { w.saved = Date.now(); return; } setTimeout(look, 2); })(); return w.begun; })()`) as number;
  await box.press('Enter');
  const at = await seen;
  await p.waitForFunction(() => (window as any).saved > 0, undefined, { polling: 10 });
  const saved = await p.evaluate(() => (window as any).saved - (window as any).begun);
  console.log('seen ms', at - s, 'saved ms', saved);
  await p.waitForTimeout(400);
}
await (globalThis as any).stopProfile?.();
await b.close();
console.log(id);
