import { expect } from '@playwright/test';
import type { APIRequestContext, FrameLocator, Page } from '@playwright/test';
import type { OpenedProject } from '@/ui/session/api';
import type { Project } from '@/core/document';

export async function createProject(
  request: APIRequestContext,
  from: 'demo' | 'empty',
  name = 'Test project',
): Promise<string> {
  const answer = await request.post('/api/projects', { data: { name, from } });
  expect(answer.status()).toBe(201);
  return ((await answer.json()) as { id: string }).id;
}

export async function readProject(request: APIRequestContext, id: string): Promise<OpenedProject> {
  return (await (await request.get(`/api/projects/${id}`)).json()) as OpenedProject;
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

/** Puts the cursor at a width by keyboard, from wherever it is. */
export async function goTo(page: Page, wanted: number): Promise<void> {
  await page.getByTestId('cursor').focus();
  await page.keyboard.press('Home');
  const steps = wanted - 240;
  for (let i = 0; i < Math.floor(steps / 10); i++) await page.keyboard.press('Shift+ArrowRight');
  for (let i = 0; i < steps % 10; i++) await page.keyboard.press('ArrowRight');
  await expect(page.getByTestId('cursor')).toHaveAttribute('aria-valuenow', String(wanted));
}

/** The field of a property in the inspector. */
export const field = (page: Page, property: string) => page.locator(`input[data-property="${property}"]`);

export async function write(page: Page, property: string, value: string): Promise<void> {
  await field(page, property).fill(value);
  await field(page, property).press('Enter');
}
