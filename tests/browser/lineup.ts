import { expect } from '@playwright/test';
import type { APIRequestContext, FrameLocator, Locator, Page } from '@playwright/test';
import { makeEdits } from './workbench';

/** Lets a project's line-up begin with just these devices: each frame takes its time. */
export const beginWith = (request: APIRequestContext, id: string, ...list: readonly string[]) =>
  makeEdits(request, id, [
    { type: 'saveDeviceSet', set: { id: 'vsizes', name: 'A few', devices: list.map((device) => ({ device })) } },
  ]);

export const devices = (page: Page): Locator => page.locator('article[data-place]');
export const device = (page: Page, name: string): Locator => page.locator(`article[aria-label^="${name},"]`);
export const inside = (place: Locator): FrameLocator => place.frameLocator('iframe');

/** Opens the line-up of the page on screen; resolves when the first device shows it. */
export async function openLineup(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Line up', exact: true }).click();
  await inside(devices(page).first()).locator('body[data-mp-node]').waitFor();
}

export async function chooseSet(page: Page, name: string): Promise<void> {
  await page.getByRole('button', { name: /^Set of devices/ }).click();
  await page.getByRole('menuitem', { name }).click();
}

/** A computed value on a device, as the browser has it. */
export const onDevice = (place: Locator, node: string, property: string) =>
  inside(place)
    .locator(`[data-mp-node="${node}"]`)
    .evaluate((element, name) => getComputedStyle(element).getPropertyValue(name), property);

export const viewportOf = (place: Locator) =>
  inside(place)
    .locator('body')
    .evaluate(() => [innerWidth, innerHeight, document.documentElement.clientWidth]);

export const scrollOf = (place: Locator) =>
  inside(place)
    .locator('body')
    .evaluate(() => Math.round(scrollY));

/** Where an element stands in a frame's window. */
export const topOf = (place: Locator, node: string) =>
  inside(place)
    .locator(`[data-mp-node="${node}"]`)
    .evaluate((element) => element.getBoundingClientRect().top);

/** Scrolls a frame as a reader does. */
export async function scrollBy(place: Locator, by: number): Promise<void> {
  await inside(place)
    .locator('body')
    .evaluate((_, px) => globalThis.scrollBy(0, px), by);
}

/** All frames at one zoom; at 0.2 all devices of a set are in sight. */
export async function zoom(page: Page, to: number): Promise<void> {
  await page.getByRole('combobox', { name: 'Zoom of all frames' }).selectOption(String(to));
}

export const valueUnder = (place: Locator) => place.getByTestId('value-line');

export async function flip(page: Page, what: string): Promise<void> {
  await page.getByRole('button', { name: 'Frames' }).click();
  await page.getByRole('checkbox', { name: what }).click();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('checkbox', { name: what })).toHaveCount(0);
}
