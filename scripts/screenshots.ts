import type { Page } from 'playwright-core';
import { launchChromium } from '@/server/browser/chromium';

const browser = await launchChromium();

async function open(colorScheme: 'light' | 'dark' = 'light'): Promise<Page> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, colorScheme, reducedMotion: 'reduce' });
  await page.addInitScript(() => localStorage.setItem('mill-pond-tour', 'seen'));
  await page.goto(process.env.MILLPOND_URL!);
  await page.getByRole('listitem').getByRole('link').first().waitFor();
  return page;
}

async function openCatalogue(page: Page): Promise<void> {
  await page.getByRole('listitem').getByRole('link').first().click();
  await page.getByRole('tree').waitFor();
  await page.getByRole('button', { name: /^Page:/ }).click();
  await page.getByRole('menuitem', { name: 'Catalogue' }).click();
  await page.locator('[data-done=true]').waitFor({ timeout: 60_000 });
}

/** Puts the cursor at a width, by keyboard. */
async function goTo(page: Page, width: number): Promise<void> {
  await page.getByTestId('cursor').focus();
  await page.keyboard.press('Home');
  for (let i = 0; i < Math.floor((width - 240) / 10); i++) await page.keyboard.press('Shift+ArrowRight');
  for (let i = 0; i < (width - 240) % 10; i++) await page.keyboard.press('ArrowRight');
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
}

async function picture(page: Page, name: string): Promise<void> {
  await page.mouse.move(640, 4);
  await page.waitForTimeout(500);
  await page.screenshot({ path: `docs/screenshots/${name}.png` });
  console.log(`docs/screenshots/${name}.png`);
}

/** What somebody else wrote about the tool library, with things that can't come in. */
const FOREIGN = `<!doctype html><html lang="en"><head><title>Spring repairs at Tansy Street</title><script src="menu.js"></script></head>
<body onload="start()"><h1>Spring repairs</h1><p>Bring what is broken; we have the tools.</p><img src="img/bench.jpg" alt="A bench">
<form action="/send"><input name="name"><button>Sign up</button></form></body></html>`;

const page = await open();
await page.getByRole('button', { name: 'Bring in pages …' }).click();
await page.getByLabel('HTML', { exact: true }).fill(FOREIGN);
await page
  .getByLabel('CSS, if it has its own')
  .fill('body { font: 16px/1.5 Georgia, serif } @media (max-width: 600px) { form { display: grid } }');
await page.getByRole('button', { name: 'Bring in what was pasted' }).click();
await page.getByTestId('bring-in-report').getByRole('group').last().locator('summary').click();
await picture(page, 'bring-in');
await page.getByRole('button', { name: 'To all projects' }).click();
await page.getByRole('button', { name: 'Delete Spring repairs at Tansy Street' }).click();
await page.getByRole('button', { name: 'Delete project' }).click();
await page.getByRole('button', { name: 'Bring it back' }).waitFor();
await openCatalogue(page);
await page.getByRole('button', { name: 'Pages', exact: true }).click();
await page.frameLocator('iframe[title="Picture of Join"]').locator('h1').waitFor();
await picture(page, 'pages');
await page.getByRole('button', { name: 'Shape', exact: true }).click();
await page.getByRole('treeitem', { name: /^Tool cards/ }).click();
await page.getByRole('button', { name: 'Lanes', exact: true }).click();
await goTo(page, 742);
await picture(page, 'workbench-middle');
await page.getByRole('button', { name: 'Lanes', exact: true }).click();
await page.getByRole('treeitem', { name: /^Notice/ }).click();
await goTo(page, 350);
await page.getByRole('tab', { name: /Findings/ }).click();
await page
  .getByTestId('findings')
  .getByRole('button', { name: /Heading and/ })
  .click();
await picture(page, 'findings');
await page
  .getByRole('treeitem', { name: /^Reserve/ })
  .first()
  .click();
await goTo(page, 1240);
await page.getByRole('tab', { name: 'Values' }).click();
await page.getByLabel('Find a property').fill('weight');
await page.getByRole('button', { name: /^Weight: / }).click();
await picture(page, 'story');
await page.keyboard.press('Escape');
await page.getByLabel('Find a property').fill('');
await page.getByRole('tab', { name: 'Styles' }).click();
await page.locator('[data-shared=sbutton] button').first().click();
await picture(page, 'styles');
// The demo keeps its breakpoints: what is added for the picture is taken back.
await page.getByRole('tab', { name: 'Breakpoints' }).click();
await page.getByRole('button', { name: /^Add at/ }).click();
await page.getByRole('menuitem', { name: 'A short screen' }).click();
await page.getByTestId('plane').scrollIntoViewIfNeeded();
await picture(page, 'breakpoints');
await page.getByRole('button', { name: 'Undo' }).click();
await page.getByTestId('saving').filter({ hasText: 'All saved' }).waitFor();
// Spans, the column grid and writing: on the front page, which is undone again.
await page.getByRole('button', { name: /^Page:/ }).click();
await page.getByRole('menuitem', { name: 'Front page' }).click();
await page.getByRole('treeitem', { name: /^Steps(,|$)/ }).click();
await goTo(page, 742);
await page.keyboard.press('t');
await page.getByRole('button', { name: 'Lay on the columns' }).click();
await page.getByRole('button', { name: 'Do it' }).click();
for (const share of ['Thirds in Wide', 'Halves in Middle', 'Full in Narrow'])
  await page.getByRole('button', { name: share }).click();
await page.getByRole('tab', { name: 'Values' }).click();
await picture(page, 'spans');
await page.keyboard.press('t');
await goTo(page, 1240);
await page.getByRole('treeitem', { name: /^Header/ }).click();
await page.keyboard.press('Shift+Y');
await page.getByRole('radio', { name: 'Side column that becomes a top bar' }).check();
await page.frameLocator('iframe[title*="1280 px wide, as it would be"]').locator('header').waitFor();
await page.waitForTimeout(2_000);
await picture(page, 'arrangements');
await page.keyboard.press('Escape');
const words = page.frameLocator('iframe').getByText('Four hundred tools for one street and its');
await words.dblclick();
await words.dblclick({ position: { x: 12, y: 12 } });
const marks = page.getByRole('toolbar', { name: 'Marks of the text' });
await marks.getByRole('button', { name: 'Strong' }).click();
await marks.getByRole('button', { name: 'Emphasis' }).click();
await picture(page, 'writing');
await page.keyboard.press('Escape');
for (let i = 0; i < 6; i++) await page.getByRole('button', { name: 'Undo' }).click();
await page.getByTestId('saving').filter({ hasText: 'All saved' }).waitFor();
// A state of the button there, which is undone again.
await page.getByRole('treeitem', { name: /^Main button/ }).click();
const value = async (property: string, text: string) => {
  await page.locator(`input[data-property="${property}"]`).fill(text);
  await page.locator(`input[data-property="${property}"]`).press('Enter');
};
await page.getByRole('combobox', { name: 'State', exact: true }).selectOption('hover');
await page.getByLabel('Find a property').fill('color');
await value('background-color', '#d9a441');
await value('color', '#1f2b29');
await picture(page, 'states');
await page.getByLabel('Find a property').fill('');
for (let i = 0; i < 2; i++) await page.getByRole('button', { name: 'Undo' }).click();
await page.getByRole('combobox', { name: 'State', exact: true }).selectOption('');
await page.getByTestId('saving').filter({ hasText: 'All saved' }).waitFor();
// The line-up, on an edit that is there to be compared and undone again.
await page.getByRole('button', { name: /^Page:/ }).click();
await page.getByRole('menuitem', { name: 'Catalogue' }).click();
await page.getByRole('treeitem', { name: /^Tool cards/ }).click();
await goTo(page, 1240);
await page.locator('input[data-property="gap"]').fill('40px');
await page.locator('input[data-property="gap"]').press('Enter');
await page.getByTestId('saving').filter({ hasText: 'All saved' }).waitFor();
const way = (name: string) => page.getByRole('button', { name, exact: true }).click();
await way('Line up');
await page.getByRole('combobox', { name: 'Zoom of all frames' }).selectOption('0.35');
await page.keyboard.press('.');
await page.keyboard.press('.');
await page.getByRole('combobox', { name: 'Value under each frame' }).selectOption('column-gap');
await page.waitForTimeout(2_000);
await picture(page, 'line-up');
await way('Crossing');
await page.getByTestId('crossing').getByRole('status').waitFor();
await picture(page, 'crossing');
await way('Since before');
await page.getByRole('button', { name: 'Compare every width' }).click();
await page.getByTestId('moved-widths').getByText('Something moved').waitFor();
await way('Now');
await picture(page, 'before');
await way('All pages');
await page.locator('[data-testid=pictures-state][data-done=true]').waitFor({ timeout: 90_000 });
await picture(page, 'line-up-pages');
await page.keyboard.press('Shift+D');
await page.getByRole('button', { name: 'Change Tablet', exact: true }).click();
await picture(page, 'devices');
await page.keyboard.press('Escape');
await page.getByRole('button', { name: 'Undo' }).click();
await page.getByTestId('saving').filter({ hasText: 'All saved' }).waitFor();
await page.getByRole('navigation', { name: 'Views' }).getByRole('button', { name: /Audit/ }).click();
await page.locator('[data-testid=audit-state][data-complete=true]').waitFor({ timeout: 180_000 });
await page.getByTestId('audit-list').getByRole('button', { name: 'Content is cut off' }).first().click();
await page.getByTestId('finding-picture').waitFor();
await page.getByRole('button', { name: 'Find fixes' }).click();
await page.getByRole('button', { name: 'Try again' }).waitFor({ timeout: 180_000 });
const fix = page.getByTestId('fix').first();
await fix.getByRole('button', { name: /^Show/ }).click();
await fix.getByTestId('edit-picture').nth(3).waitFor();
await fix.scrollIntoViewIfNeeded();
await picture(page, 'audit');
await page.getByRole('tab', { name: 'All pages' }).click();
await page.getByRole('button', { name: 'Audit all pages' }).click();
await page
  .getByTestId('run-state')
  .getByText(/^Audited /)
  .waitFor({ timeout: 400_000 });
await picture(page, 'audit-pages');
await page.close();
const dark = await open('dark');
await dark.getByRole('listitem').getByRole('link').first().click();
await dark.getByRole('treeitem', { name: /^Introduction/ }).waitFor();
await goTo(dark, 440);
await dark.keyboard.press('Shift+V');
await dark.frameLocator('iframe').getByRole('button', { name: 'Menu', exact: true }).click();
await dark.frameLocator('iframe').getByRole('link', { name: 'Join', exact: true }).hover();
await picture(dark, 'workbench-dark');
await browser.close();
