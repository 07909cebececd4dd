import { randomUUID } from 'node:crypto';
import { expect } from '@playwright/test';
import type { Edit } from '@/core/edits';
import type { APIRequestContext, FrameLocator, Page } from '@playwright/test';
import type { OpenedProject } from '@/ui/requests/requests';
import type { Project } from '@/core/document';
import { readProject as shownProject } from '@/core/document';
import { cardEdits } from '@/demo/cards-for-tests';

/** A connection that the server has just closed for idleness is opened again. */
const AGAIN = { maxRetries: 2 };

export async function createProject(request: APIRequestContext, from: 'demo' | 'empty', name = 'Test project'): Promise<string> {
  const answer = await request.post('/api/projects', { data: { name, from }, ...AGAIN });
  expect(answer.status()).toBe(201);
  return ((await answer.json()) as { id: string }).id;
}

/** Makes edits by request, as the interface does. */
export async function makeEdits(request: APIRequestContext, id: string, edits: readonly Edit[]): Promise<void> {
  const { revision } = await readProject(request, id);
  const answer = await request.post(`/api/projects/${id}/edits`, {
    data: { revision, edits: edits.map((edit) => ({ id: randomUUID(), kind: 'do', edit })) },
    ...AGAIN,
  });
  expect(await answer.json()).toMatchObject({ refused: [] });
}

/** The demo with the first cards of its catalogue as elements that can each be otherwise. */
export async function createWithCards(request: APIRequestContext, name?: string): Promise<string> {
  const id = await createProject(request, 'demo', name);
  await makeEdits(request, id, cardEdits((await readProject(request, id)).project));
  return id;
}

/** A computed value of an element in the frame, as the browser has it. */
export const computed = (page: Page, node: string, property: string) =>
  frameOf(page)
    .locator(`[data-mp-node="${node}"]`)
    .evaluate((element, name) => getComputedStyle(element).getPropertyValue(name), property);

export async function readProject(request: APIRequestContext, id: string): Promise<OpenedProject> {
  const answer = (await (await request.get(`/api/projects/${id}`, AGAIN)).json()) as OpenedProject;
  return { ...answer, project: shownProject(answer.project) };
}

export function elementNamed(project: Project, name: string, pageName?: string) {
  const pages = project.pages.filter((page) => !pageName || page.name === pageName);
  const element = pages.flatMap((page) => Object.values(page.elements)).find((one) => one.name === name);
  if (!element) throw new Error(`There is no element "${name}".`);
  return element;
}

export const frameOf = (page: Page): FrameLocator => page.frameLocator('iframe');

/** Opens a project; resolves when the page shows. */
export async function openWorkbench(page: Page, id: string, pageName?: string): Promise<void> {
  await page.goto(`/projects/${id}`);
  await page.getByRole('tree').waitFor();
  if (pageName) {
    await page.getByRole('button', { name: /^Page:/ }).click();
    await page.getByRole('menuitem', { name: pageName }).click();
  }
  await frameOf(page).locator('body[data-mp-node]').waitFor();
}

export const swept = (page: Page) =>
  expect(page.locator('[data-testid=sweep-state][data-done=true]')).toBeVisible({ timeout: 45_000 });
export const saved = (page: Page) => expect(page.getByTestId('saving')).toHaveText('All saved');
export const width = async (page: Page) => Number(await page.getByTestId('cursor').getAttribute('aria-valuenow'));

/** Puts the cursor at a width: a press near it on the scale, and arrow keys for the rest. */
export async function goTo(page: Page, wanted: number): Promise<void> {
  const box = (await page.getByTestId('axis').boundingBox())!;
  const x = (Math.log(wanted / 240) / Math.log(2560 / 240)) * box.width;
  await page.mouse.click(box.x + Math.min(box.width - 1, Math.max(1, x)), box.y + 12);
  await page.getByTestId('cursor').focus();
  for (let attempt = 0; attempt < 5; attempt++) {
    const missing = wanted - (await width(page));
    if (missing === 0) break;
    const arrow = `Arrow${missing > 0 ? 'Right' : 'Left'}`;
    for (let tens = Math.floor(Math.abs(missing) / 10); tens > 0; tens--) await page.keyboard.press(`Shift+${arrow}`);
    for (let ones = Math.abs(missing) % 10; ones > 0; ones--) await page.keyboard.press(arrow);
  }
  await expect(page.getByTestId('cursor')).toHaveAttribute('aria-valuenow', String(wanted));
  // The page on the stage has a process of its own, which comes after.
  const stage = page.locator(`iframe[title$=", ${wanted} px wide"]`);
  if ((await stage.count()) === 1)
    await expect
      .poll(() =>
        stage
          .contentFrame()
          .locator('html')
          .evaluate(() => innerWidth),
      )
      .toBe(wanted);
}

/** An element's row in the list of elements. */
export const outline = (page: Page, name: string) => page.getByRole('treeitem', { name: new RegExp(`^${name}(,|$)`) }).first();

/** The field of a property in the inspector. */
export const field = (page: Page, property: string) => page.locator(`input[data-property="${property}"]`);

/** Brings the field of a property into sight, whether it applies or not; an empty one shows all as usual again. */
export async function find(page: Page, property: string): Promise<void> {
  const search = page.getByLabel('Find a property');
  if (await search.isVisible()) await search.fill(property);
}

export async function write(page: Page, property: string, value: string): Promise<void> {
  await find(page, property);
  await field(page, property).fill(value);
  await field(page, property).press('Enter');
  await find(page, '');
}

/** Unfolds the values along the width. */
export const showLanes = (page: Page) => page.getByRole('button', { name: 'Lanes', exact: true }).click();
