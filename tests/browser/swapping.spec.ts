import { mkdirSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { pathToFileURL } from 'node:url';
import type { APIRequestContext, FrameLocator, Locator, Page } from '@playwright/test';
import { expect, test } from '@playwright/test';
import { unzipSync } from 'fflate';
import type { Edit } from '@/core/edits';
import { createProject, frameOf, goTo, makeEdits, openWorkbench, outline, readProject, saved } from './workbench';

// Alternates and panels, as designers make them and as visitors use them: in the preview, and in what is handed over.

/** What is handed over, as files in a folder. */
async function handedOver(request: APIRequestContext, id: string, folder: string): Promise<(file: string) => string> {
  const files = unzipSync(new Uint8Array(await (await request.get(`/api/projects/${id}/export`)).body()));
  for (const [path, bytes] of Object.entries(files)) {
    mkdirSync(dirname(join(folder, path)), { recursive: true });
    writeFileSync(join(folder, path), bytes);
  }
  return (file) => pathToFileURL(join(folder, file)).href;
}

const seen = (list: Locator) =>
  list.evaluateAll((all) => all.filter((one) => one.checkVisibility()).map((one) => one.textContent));

test('alternates by keyboard and mouse: made, chosen on the strip, moved by its end, taken back, handed over', async ({
  page,
  request,
}, info) => {
  const id = await createProject(request, 'demo');
  await openWorkbench(page, id);
  await goTo(page, 480);
  await outline(page, 'Title').click();
  await page.keyboard.press('Shift+X');
  const strip = page.getByRole('grid', { name: 'Who shows where' }).getByRole('row').first();
  await expect(strip.getByRole('gridcell')).toHaveCount(2);
  await expect(strip.getByRole('gridcell').first()).toHaveAccessibleName(
    'Title, 599 and narrower, 599 and narrower, chosen here',
  );
  const titles = frameOf(page).locator('h1');
  await expect.poll(() => seen(titles)).toHaveLength(1);
  // Its text alone is another.
  await frameOf(page).locator('h1:visible').dblclick();
  await page.keyboard.press('ControlOrMeta+a');
  await page.keyboard.type('Borrow, fix, return');
  await page.keyboard.press('Escape');
  await expect.poll(() => seen(titles)).toEqual(['Borrow, fix, return']);

  // By keyboard: the wide one begins further down.
  await goTo(page, 700);
  await expect.poll(() => seen(titles)).toEqual(['Borrow it, fix it, bring it back']);
  await strip.getByRole('gridcell').nth(1).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('menu')).toContainText('Begin at the cursor, 700');
  await page.getByRole('menuitem', { name: 'Title, 599 and narrower at 899 and narrower' }).press('Enter');
  await expect(strip.getByRole('gridcell').first()).toHaveAccessibleName(/899 and narrower, chosen here/);
  await expect.poll(() => seen(titles)).toEqual(['Borrow, fix, return']);
  await page.keyboard.press('ControlOrMeta+z');
  await expect.poll(() => seen(titles)).toEqual(['Borrow it, fix it, bring it back']);

  // By mouse: its end dragged to another breakpoint does the same.
  const end = (await strip.locator('[data-end=below]').first().boundingBox())!;
  const axis = (await page.getByTestId('axis').boundingBox())!;
  const at900 = axis.x + (Math.log(900 / 240) / Math.log(2560 / 240)) * axis.width;
  await page.mouse.move(end.x + 3, end.y + 8);
  await page.mouse.down();
  await page.mouse.move(at900 - 2, end.y + 8, { steps: 6 });
  await page.mouse.up();
  await expect.poll(() => seen(titles)).toEqual(['Borrow, fix, return']);
  await saved(page);

  const at = await handedOver(request, id, info.outputPath('handed'));
  await page.goto(at('index.html'));
  for (const [width, text] of [
    [400, 'Borrow, fix, return'],
    [899, 'Borrow, fix, return'],
    [900, 'Borrow it, fix it, bring it back'],
  ] as const) {
    await page.setViewportSize({ width, height: 800 });
    expect([width, await seen(page.locator('h1'))]).toEqual([width, [text]]);
    // What doesn't show isn't read out either.
    expect(await page.getByRole('heading', { level: 1 }).count()).toBe(1);
  }
});

/** The demo's menu as a visitor uses it on a phone. */
async function useDrawer(site: Page | FrameLocator, page: Page, press: (one: Locator) => Promise<void>): Promise<void> {
  const menu = site.getByRole('button', { name: 'Menu', exact: true });
  const drawer = site.locator('#menu');
  await expect(drawer).toBeHidden();
  await press(menu);
  await expect(drawer).toBeVisible();
  await expect(site.getByRole('button', { name: 'Close' })).toBeFocused();
  // What is behind it can't be reached, and doesn't scroll.
  await expect(site.locator('main')).toHaveJSProperty('inert', true);
  expect(await site.locator('html').evaluate((root) => getComputedStyle(root).overflowY)).toBe('hidden');
  for (let i = 0; i < 4; i++) await page.keyboard.press('Tab');
  await expect(site.getByRole('link', { name: 'Join', exact: true })).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(drawer).toBeHidden();
  await expect(menu).toBeFocused();
  await expect(site.locator('main')).toHaveJSProperty('inert', false);
  await page.keyboard.press('Enter');
  await press(site.getByRole('button', { name: 'Close' }));
  await expect(drawer).toBeHidden();
  await press(menu);
  await expect(drawer).toBeVisible();
}

test('a drawer as visitors use it, in the preview: press, Tab, Escape, outside, a link and the way back', async ({
  page,
  request,
}) => {
  await openWorkbench(page, await createProject(request, 'demo'));
  await goTo(page, 440);
  await page.getByRole('button', { name: 'Use the page' }).click();
  const frame = frameOf(page);
  await useDrawer(frame, page, (one) => one.click());
  const motion = () => frame.locator('#menu').evaluate((menu) => getComputedStyle(menu).transitionProperty);
  expect(await motion()).toBe('translate');
  await page.emulateMedia({ reducedMotion: 'reduce' });
  expect(await motion()).toBe('none');
  await frame.locator('html').click({ position: { x: 30, y: 300 } });
  await expect(frame.locator('#menu')).toBeHidden();
  await frame.getByRole('button', { name: 'Menu', exact: true }).click();
  await frame.getByRole('link', { name: 'Join', exact: true }).click();
  await expect(frame.getByRole('heading', { level: 1 })).toHaveText('Join the library');
  await frame.getByRole('button', { name: 'What members get' }).click();
  await expect(frame.locator('#welcome')).toBeVisible();
  await frame.getByRole('button', { name: 'Close' }).click();
  await frame.getByLabel('Name', { exact: true }).fill('Ada');
  await page.getByRole('button', { name: '← Front page' }).click();
  await expect(frame.getByRole('heading', { level: 1 })).toHaveText('Borrow it, fix it, bring it back');
  // Escape with nothing open leads back to the editor, where a press selects. The frame that takes the key goes with it, and Chromium then
  // doesn't always say that it was taken.
  await frame.getByRole('heading', { level: 1 }).click();
  page.keyboard.press('Escape').catch(() => undefined);
  await expect(page.getByRole('button', { name: 'Use the page' })).toBeVisible();
  await frame.getByRole('heading', { level: 1 }).click();
  await expect(outline(page, 'Title')).toHaveAttribute('aria-selected', 'true');
  await expect(frame.locator('#menu')).toBeHidden();
});

test.describe('with fingers', () => {
  test.use({ hasTouch: true });
  test('a drawer in the preview by touch: opened, closed outside and by its button, and left by a link', async ({
    page,
    request,
  }) => {
    await openWorkbench(page, await createProject(request, 'demo'));
    await goTo(page, 440);
    await page.getByRole('button', { name: 'Use the page' }).tap();
    const frame = frameOf(page);
    await useDrawer(frame, page, (one) => one.tap());
    await frame.locator('html').tap({ position: { x: 30, y: 300 } });
    await expect(frame.locator('#menu')).toBeHidden();
    await frame.getByRole('button', { name: 'Menu', exact: true }).tap();
    await frame.getByRole('link', { name: 'Join', exact: true }).tap();
    await expect(frame.getByRole('heading', { level: 1 })).toHaveText('Join the library');
  });
});

test('what is handed over: the drawer by touch on a phone, in the page on a desktop, and closed where it is no panel', async ({
  request,
  browser,
}, info) => {
  const at = await handedOver(request, await createProject(request, 'demo'), info.outputPath('handed'));
  const context = await browser.newContext({ viewport: { width: 400, height: 800 }, hasTouch: true });
  const page = await context.newPage();
  try {
    await page.goto(at('index.html'));
    await useDrawer(page, page, (one) => one.tap());
    // Turned wide while open it is part of the page again.
    await page.setViewportSize({ width: 1200, height: 800 });
    await expect(page.getByRole('button', { name: 'Menu', exact: true })).toBeHidden();
    await expect(page.locator('#menu')).toBeVisible();
    expect(await page.locator('#menu').evaluate((menu) => menu.matches(':popover-open'))).toBe(false);
    expect(await page.locator('#menu').evaluate((menu) => getComputedStyle(menu).position)).toBe('static');
    await page.getByRole('link', { name: 'Catalogue', exact: true }).click();
    await expect(page).toHaveURL(/catalogue\.html$/);
    // A drawer at every width keeps its room for the scrollbar, so nothing jumps.
    await page.getByRole('button', { name: 'More filters' }).click();
    await expect(page.getByRole('dialog', { name: 'More filters' })).toBeVisible();
    expect(await page.locator('html').evaluate((root) => getComputedStyle(root).scrollbarGutter)).toBe('stable');
    await page.mouse.click(900, 500);
    await expect(page.locator('#filters')).toBeHidden();
  } finally {
    await context.close();
  }
});

const formEdit = (id: string, text: string, index: number): Edit => ({
  ...{ type: 'insertElement', page: 'gfirst', parent: 'efirstmain', index },
  elements: [
    { id, tag: 'form', name: text, attributes: {}, children: [`${id}t`, `${id}f`], shared: [], styles: {} },
    { id: `${id}t`, tag: 'h2', name: `${text} title`, attributes: {}, children: [{ text }], shared: [], styles: {} },
    {
      id: `${id}f`,
      tag: 'input',
      name: `${text} field`,
      attributes: { name: 'email', type: 'text', 'aria-label': 'Email' },
      children: [],
      shared: [],
      styles: {},
    },
  ],
});

test('alternates with the same field are built once, when they first show, and what was typed goes along', async ({
  page,
  request,
}, info) => {
  const id = await createProject(request, 'empty');
  await makeEdits(request, id, [
    { type: 'addBreakpoint', breakpoint: { id: 'bnarrow', name: 'Narrow', condition: { below: 700 } } },
    formEdit('ewide', 'Wide form', 0),
    formEdit('esmall', 'Small form', 1),
  ]);
  await openWorkbench(page, id);
  await goTo(page, 500);
  await outline(page, 'Wide form').click();
  await outline(page, 'Small form').click({ modifiers: ['ControlOrMeta'] });
  await page.keyboard.press('Shift+X');
  await saved(page);
  const { project } = await readProject(request, id);
  expect(project.pages[0]!.elements.esmall!.alternate).toMatchObject({ at: ['bnarrow'], later: true });
  await outline(page, 'Wide form').click();
  await page.getByRole('button', { name: 'Try it as handed over' }).click();
  await expect(page.getByRole('list', { name: 'Tried as handed over' })).toHaveText(
    /as it is handed over, at \d+ sizes up and down: 2 alternates built, each once, when first shown; none within a band\. What was typed went along \d times\./,
  );

  await page.keyboard.press('Shift+V');
  const frame = frameOf(page);
  await expect(page.getByTestId('builds')).toHaveText('1 alternate built');
  await frame.getByLabel('Email').fill('ada@example.org');
  await goTo(page, 800);
  await expect(page.getByTestId('builds')).toHaveText('2 alternates built');
  await expect(frame.getByRole('heading', { level: 2 })).toHaveText('Wide form');
  await expect(frame.getByLabel('Email')).toHaveValue('ada@example.org');
  await goTo(page, 600);
  await expect(frame.getByRole('heading', { level: 2 })).toHaveText('Small form');
  await expect(page.getByTestId('builds')).toHaveText('2 alternates built');

  const at = await handedOver(request, id, info.outputPath('handed'));
  await page.addInitScript(() => {
    const counted = globalThis as unknown as { built: number };
    counted.built = 0;
    document.addEventListener('alternatebuilt', () => counted.built++);
  });
  const built = () => page.evaluate(() => (globalThis as unknown as { built: number }).built);
  await page.setViewportSize({ width: 1000, height: 800 });
  await page.goto(at('index.html'));
  await page.getByLabel('Email').fill('ada@example.org');
  expect(await built()).toBe(1);
  for (const width of [960, 900, 801, 700]) await page.setViewportSize({ width, height: 800 });
  expect(await built()).toBe(1);
  await page.setViewportSize({ width: 699, height: 800 });
  await expect(page.getByRole('heading', { level: 2 })).toHaveText('Small form');
  await expect(page.getByLabel('Email')).toHaveValue('ada@example.org');
  await expect(page.getByLabel('Email')).toBeFocused();
  expect(await page.locator('input').count()).toBe(1);
  await page.getByLabel('Email').fill('ada@example.com');
  await page.setViewportSize({ width: 1000, height: 800 });
  await expect(page.getByLabel('Email')).toHaveValue('ada@example.com');
  expect(await built()).toBe(2);
});

test('a panel is made of something of one’s own by keyboard, shown open to be designed, and refused where it can’t be', async ({
  page,
  request,
}) => {
  const id = await createProject(request, 'empty');
  await makeEdits(request, id, [
    { type: 'addBreakpoint', breakpoint: { id: 'bnarrow', name: 'Narrow', condition: { below: 700 } } },
    {
      ...{ type: 'insertElement', page: 'gfirst', parent: 'efirstmain', index: 1 },
      elements: [
        {
          id: 'enotes',
          tag: 'div',
          name: 'Notes',
          attributes: {},
          children: [{ text: 'Bring it back dry.' }],
          shared: [],
          styles: {},
        },
      ],
    },
  ]);
  await openWorkbench(page, id);
  await goTo(page, 500);
  const frame = frameOf(page);
  await outline(page, 'First text').click();
  await page.getByRole('button', { name: 'Make a panel …' }).click();
  await expect(page.getByRole('dialog').getByRole('alert')).toContainText("<p> can't be a panel: put it into a group");
  await expect(page.getByRole('button', { name: 'Make the panel' })).toBeDisabled();
  await page.keyboard.press('Escape');
  await outline(page, 'Notes').click();
  await page.getByRole('button', { name: 'Make a panel …' }).press('Enter');
  await page.getByLabel('It is a').selectOption('sheet');
  await page.getByRole('button', { name: 'Make the panel' }).press('Enter');
  await expect(outline(page, 'Open Notes')).toBeVisible();
  await expect(frame.getByText('Bring it back dry.')).toBeHidden();
  await page.getByRole('button', { name: 'Show it open' }).press('Enter');
  await expect(frame.getByText('Bring it back dry.')).toBeVisible();
  const box = (await frame.locator('[data-mp-node=enotes]').boundingBox())!;
  expect(box.width).toBeCloseTo((await frame.locator('html').boundingBox())!.width, 0);
  // Where it is no panel it stands where it stood, whoever shows it open.
  await goTo(page, 900);
  await expect(frame.getByText('Bring it back dry.')).toBeVisible();
  await expect(frame.getByRole('button', { name: 'Notes' })).toBeHidden();
  await goTo(page, 500);
  await page.getByRole('button', { name: 'Shown open' }).press('Enter');
  await expect(frame.getByText('Bring it back dry.')).toBeHidden();
  await page.keyboard.press('ControlOrMeta+z');
  await expect(frame.getByText('Bring it back dry.')).toBeVisible();
  await expect(outline(page, 'Open Notes')).toHaveCount(0);
});

test('heights: an axis beside the page, a breakpoint made, moved and written to there, by mouse and by keyboard', async ({
  page,
  request,
}) => {
  const id = await createProject(request, 'demo');
  await openWorkbench(page, id);
  await goTo(page, 1200);
  await page.keyboard.press('Shift+K');
  const cursor = page.getByRole('slider', { name: 'Viewport height on the axis' });
  const axis = (await cursor.boundingBox())!;
  await page.mouse.click(axis.x + 20, axis.y + (Math.log(600 / 200) / Math.log(1400 / 200)) * axis.height);
  await cursor.focus();
  for (let i = 0; i < 40; i++) {
    const missing = 600 - Number(await cursor.getAttribute('aria-valuenow'));
    if (missing === 0) break;
    await page.keyboard.press(missing > 0 ? 'ArrowDown' : 'ArrowUp');
  }
  await expect
    .poll(() =>
      frameOf(page)
        .locator('html')
        .evaluate(() => innerHeight),
    )
    .toBe(600);
  await page.getByRole('button', { name: '+ and shorter' }).click();
  await expect(page.getByTestId('writes-to')).toHaveText('Writes to 600 and shorter');
  await outline(page, 'Shop picture').click();
  await page.getByRole('button', { name: 'Seen: out of the layout, neighbours move' }).click();
  const drawing = frameOf(page).getByRole('img', { name: 'The library with its green front' });
  await expect(drawing).toBeHidden();
  await cursor.focus();
  await page.keyboard.press('ArrowDown');
  await expect(drawing).toBeVisible();
  await page.keyboard.press('PageUp');
  await expect(drawing).toBeHidden();

  const post = page.getByRole('button', { name: /^Height of breakpoint Short/ });
  await post.press('Shift+ArrowDown');
  await expect(post).toHaveAccessibleName(/610 and shorter/);
  const box = (await post.boundingBox())!;
  await page.mouse.move(box.x + 8, box.y + 8);
  await page.mouse.down();
  await page.mouse.move(box.x + 8, box.y + 48, { steps: 5 });
  await page.mouse.up();
  await expect(post).not.toHaveAccessibleName(/610 and shorter/);
  await saved(page);
  const { project } = await readProject(request, id);
  const { condition } = project.breakpoints.find(({ name }) => name === 'Short')!;
  expect(condition.heightBelow).toBeGreaterThan(640);
  await page.keyboard.press('ControlOrMeta+z');
  await expect(post).toHaveAccessibleName(/610 and shorter/);
});

test('a disclosure unfolds on a phone and is simply there on a desktop, in the preview and in what is handed over', async ({
  page,
  request,
}, info) => {
  const id = await createProject(request, 'demo');
  await openWorkbench(page, id);
  await goTo(page, 480);
  await outline(page, 'Steps').click();
  await page.getByRole('button', { name: 'Make a panel …' }).click();
  await page.getByLabel('It is a').selectOption('disclosure');
  await page.getByRole('button', { name: 'Make the panel' }).press('Enter');
  const frame = frameOf(page);
  await expect(frame.getByText('Twelve a year')).toBeHidden();
  await outline(page, 'Steps, folded').click();
  await page.getByRole('button', { name: 'Show it open' }).click();
  await expect(frame.getByText('Twelve a year')).toBeVisible();
  await goTo(page, 1000);
  await expect(frame.getByText('Twelve a year')).toBeVisible();
  await expect(frame.locator('summary')).toBeHidden();
  await saved(page);

  const at = await handedOver(request, id, info.outputPath('handed'));
  await page.goto(at('index.html'));
  await expect(page.getByText('Twelve a year')).toBeVisible();
  await page.setViewportSize({ width: 400, height: 800 });
  await expect(page.getByText('Twelve a year')).toBeHidden();
  await page.locator('summary').focus();
  await page.keyboard.press('Enter');
  await expect(page.getByText('Twelve a year')).toBeVisible();
});
