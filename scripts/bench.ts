import { demoProject } from '@/demo';
import { applyEdit } from '@/core/edits';
import { launchChromium } from '@/server/browser/chromium';
import { benchAudit, benchMemory } from './bench-audit';
import { benchBringIn } from './bench-bring-in';
import { benchCascade } from './bench-cascade';
import { benchDragging } from './bench-dragging';
import { benchLineup } from './bench-lineup';
import { benchWorkbench } from './bench-workbench';
import { longTasks, scrub } from './long-tasks';
import { closeBrowser } from '@/server/browser/warm-browser';

const project = demoProject('00000000-0000-4000-8000-000000000000');

/** How long an edit takes in the core, on the demo's catalogue. */
function edits(): void {
  const page = project.pages[1]!;
  const cards = Object.values(page.elements).find((element) => element.name === 'Tool cards')!;
  const time = (work: () => unknown) => {
    for (let i = 0; i < 20; i++) work();
    const start = performance.now();
    for (let i = 0; i < 100; i++) work();
    return ((performance.now() - start) / 100).toFixed(2);
  };
  const style = time(() =>
    applyEdit(project, { type: 'setStyle', owner: cards.id, at: 'bmiddle', property: 'gap', value: '9px' }),
  );
  let edge = 700;
  const move = time(() => applyEdit(project, { type: 'moveBreakpoint', id: 'bmiddle', edge: edge++ }));
  console.log(`Edits in the core: a value ${style} ms, a moved breakpoint ${move} ms`);
}

async function interaction(): Promise<void> {
  const browser = await launchChromium();
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(process.env.MILLPOND_URL!);
  await page.getByRole('listitem').getByRole('link').first().click();
  await page.getByRole('tree').waitFor();
  await page.getByRole('button', { name: /^Page:/ }).click();
  await page.getByRole('menuitem', { name: 'Catalogue' }).click();
  await page.locator('[data-done=true]').waitFor({ timeout: 60_000 });
  await page.getByRole('treeitem', { name: /^Tool cards/ }).click();
  await page.waitForTimeout(500);
  console.log(`Main thread while scrubbing over all widths: ${await longTasks(page, () => scrub(page))}`);
  const type = async () => {
    const field = page.locator('input[data-property="gap"]');
    await field.focus();
    for (let i = 0; i < 30; i++) await page.keyboard.press('ArrowUp');
    await field.fill('');
    await page.keyboard.type('12px 18px', { delay: 20 });
    await page.keyboard.press('Enter');
  };
  console.log(`Main thread while stepping and typing a value: ${await longTasks(page, type)}`);
  let way = -1;
  const drag = async () => {
    const post = (await page.locator('[data-post=bmiddle]').boundingBox())!;
    way = -way;
    await page.mouse.move(post.x + 20, post.y + 8);
    await page.mouse.down();
    for (let i = 0; i <= 60; i++) await page.mouse.move(post.x + 20 + way * i, post.y + 8);
    await page.mouse.up();
  };
  console.log(`Main thread while dragging a breakpoint: ${await longTasks(page, drag)}`);
  await browser.close();
}

// `npm run bench dragging` prints that part alone; `npm run bench audit cards pages/*.html` measures 3,000 elements and those files too.
const only = process.argv[2];
if (!only || only === 'cascade') benchCascade();
if (!only || only === 'audit') await benchAudit(process.argv.slice(3));
if (only === 'memory') await benchMemory();
await closeBrowser();
if (!only || only === 'edits') edits();
if (!only || only === 'interaction') await interaction();
if (!only || only === 'workbench') await benchWorkbench();
if (!only || only === 'dragging') await benchDragging();
if (!only || only === 'lineup') await benchLineup();
if (!only || only === 'bring-in') await benchBringIn();
