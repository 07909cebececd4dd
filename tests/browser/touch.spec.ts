import type { CDPSession, Locator, Page } from '@playwright/test';
import { expect, test } from '@playwright/test';
import { createProject, elementNamed, frameOf, openWorkbench, outline, readProject, saved, width } from './workbench';

test.use({ hasTouch: true, isMobile: true, viewport: { width: 1180, height: 800 } });

type Point = readonly [number, number];

/** A finger that is put down, stays for a while, moves in steps, and is lifted. */
async function finger(hand: CDPSession, from: Point, to: Point, staysMs = 0): Promise<void> {
  const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', [x, y]: Point) =>
    hand.send('Input.dispatchTouchEvent', { type, touchPoints: type === 'touchEnd' ? [] : [{ x, y }] });
  await touch('touchStart', from);
  if (staysMs > 0) await new Promise((done) => setTimeout(done, staysMs));
  const steps = 12;
  for (let i = 1; i <= steps; i++)
    await touch('touchMove', [from[0] + ((to[0] - from[0]) * i) / steps, from[1] + ((to[1] - from[1]) * i) / steps]);
  await touch('touchEnd', to);
}

async function middleOf(locator: Locator): Promise<Point> {
  const { x, y, width: wide, height } = (await locator.boundingBox())!;
  return [x + wide / 2, y + height / 2];
}
/** Where something of the page on the stage is in the window, as large as it is shown. */
async function onStage(page: Page, locator: Locator, frame = 0): Promise<{ readonly middle: Point; readonly bottom: number }> {
  const stage = (await page.locator('iframe').nth(frame).boundingBox())!;
  const [left, top, wide, high, room] = await locator.evaluate((element) => {
    const { x, y, width: w, height: h } = element.getBoundingClientRect();
    return [x, y, w, h, innerWidth] as const;
  });
  const zoom = stage.width / room;
  return {
    middle: [stage.x + (left + wide / 2) * zoom, stage.y + (top + high / 2) * zoom],
    bottom: stage.y + (top + high) * zoom,
  };
}
const chosen = (page: Page, name: string) => expect(outline(page, name)).toHaveAttribute('aria-selected', 'true');

test('with fingers: a tap chooses, a stroke scrolls, what is held follows, and the gauge is moved along', async ({
  page,
  request,
}) => {
  const id = await createProject(request, 'demo');
  await openWorkbench(page, id);
  await page.getByRole('button', { name: /^Page:/ }).tap();
  await page.getByRole('menuitem', { name: 'Catalogue' }).tap();
  await expect(frameOf(page).locator('.card').first()).toBeVisible();
  const hand = await page.context().newCDPSession(page);
  const heading = frameOf(page).locator('h1').first();
  await page.touchscreen.tap(...(await onStage(page, heading)).middle);
  await chosen(page, 'Heading');

  // A stroke scrolls the page and leaves what is chosen alone.
  const cards = frameOf(page).locator('.card');
  const { middle: second } = await onStage(page, cards.nth(1));
  const top = () =>
    frameOf(page)
      .locator('html')
      .evaluate(() => scrollY);
  expect(await top()).toBe(0);
  await finger(hand, [second[0], second[1]], [second[0], second[1] - 200]);
  await expect.poll(top).toBeGreaterThan(80);
  await chosen(page, 'Heading');
  await frameOf(page)
    .locator('html')
    .evaluate(() => scrollTo(0, 0));

  // Several, without a key.
  await page.getByRole('button', { name: 'Several', exact: true }).tap();
  await page.touchscreen.tap(...(await onStage(page, cards.nth(1))).middle);
  await chosen(page, 'Heading');
  await expect(page.getByRole('treeitem', { selected: true })).toHaveCount(2);
  await page.getByRole('button', { name: 'Several', exact: true }).tap();

  // The cursor and a post of the gauge.
  const cursor = page.getByTestId('cursor');
  const scale = (await cursor.boundingBox())!;
  await finger(hand, [scale.x + 300, scale.y + 10], [scale.x + 120, scale.y + 10]);
  expect(await width(page)).toBeLessThan(450);
  const post = page.locator('[data-post=bnarrow]');
  const foot = await middleOf(post);
  await finger(hand, foot, [foot[0] + 30, foot[1]]);
  await saved(page);
  const edge = (await readProject(request, id)).project.breakpoints.find((one) => one.id === 'bnarrow')!.condition.below!;
  expect(edge).toBeGreaterThan(620);
});

test('a finger that stays takes hold: an element is moved, and a grip is taken beside it', async ({ page, request }) => {
  const id = await createProject(request, 'empty');
  const { project } = await readProject(request, id);
  const first = project.pages[0]!;
  const words = Object.values(first.elements).filter(({ tag }) => tag === 'p' || tag === 'h1');
  expect(words.length).toBeGreaterThan(1);
  await openWorkbench(page, id);
  const hand = await page.context().newCDPSession(page);
  const order = async () => {
    const { pages } = (await readProject(request, id)).project;
    return Object.values(pages[0]!.elements).find(({ children }) => children.includes(words[0]!.id))!.children;
  };
  const before = await order();
  const boxOf = (node: string) => frameOf(page).locator(`[data-mp-node="${node}"]`);
  const { middle: from } = await onStage(page, boxOf(words[0]!.id));
  const { bottom } = await onStage(page, boxOf(words[1]!.id));
  await finger(hand, from, [from[0], bottom - 1], 600);
  await expect.poll(order).not.toEqual(before);
  await page.getByRole('button', { name: 'Undo' }).tap();
  await expect.poll(order).toEqual(before);

  await page.touchscreen.tap(...(await onStage(page, boxOf(words[1]!.id))).middle);
  await chosen(page, words[1]!.name);
  const grip = await middleOf(page.locator('[data-handle="Width"]'));
  await finger(hand, [grip[0] - 9, grip[1]], [grip[0] - 129, grip[1]]);
  await expect
    .poll(async () => elementNamed((await readProject(request, id)).project, words[1]!.name).styles.base?.width)
    .toMatch(/px$/);
});

test('the line-up by fingers: a tap chooses in a frame, a stroke scrolls all of them, a menu turns a device', async ({
  page,
  request,
}) => {
  await openWorkbench(page, await createProject(request, 'demo'), 'Catalogue');
  // A mouse was used last; a finger in a frame takes its place.
  await page.getByRole('button', { name: 'Line up', exact: true }).click();
  await page.evaluate(() => dispatchEvent(new PointerEvent('pointerdown', { pointerType: 'mouse' })));
  await expect(page.locator('html[data-finger]')).toHaveCount(0);
  const frames = page.locator('iframe');
  await expect(frames.nth(1)).toBeVisible();
  const inside = (i: number) => page.frameLocator('iframe').nth(i);
  await inside(0).locator('h1').waitFor();
  await inside(1).locator('h1').waitFor();
  const hand = await page.context().newCDPSession(page);
  const heading = await onStage(page, inside(1).locator('h1').first(), 1);
  await page.touchscreen.tap(...heading.middle);
  await expect(page.locator('html[data-finger]')).toHaveCount(1);
  await page.getByRole('button', { name: 'Shape', exact: true }).tap();
  await chosen(page, 'Heading');
  await page.getByRole('button', { name: 'Line up', exact: true }).tap();
  await inside(0).locator('h1').waitFor();
  await inside(1).locator('h1').waitFor();
  const top = (i: number) =>
    inside(i)
      .locator('html')
      .evaluate(() => scrollY);
  const box = (await frames.nth(0).boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + Math.min(box.height, 400) * 0.8];
  await finger(hand, [x, y], [x, y - 120]);
  await expect.poll(() => top(0)).toBeGreaterThan(40);
  await expect.poll(() => top(1)).toBeGreaterThan(40);
  const caption = page.locator('header').filter({ has: page.getByRole('button', { name: /^Turn / }) });
  const size = caption.first().getByTestId('device-size');
  const before = await size.textContent();
  await caption
    .first()
    .getByRole('button', { name: /^Turn / })
    .tap();
  await expect(size).not.toHaveText(before!);
});
