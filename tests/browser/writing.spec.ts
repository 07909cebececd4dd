import { expect, test } from '@playwright/test';
import type { Project } from '@/core/document';
import { childIds, ownText, wordsOf } from '@/core/document';
import { boxes } from './boxes';
import { createProject, elementNamed, frameOf, openWorkbench, outline, readProject, saved } from './workbench';

const inside = (project: Project, name: string) => {
  const element = elementNamed(project, name);
  const { elements } = project.pages.find((page) => element.id in page.elements)!;
  return { element, words: wordsOf(elements, element.id), marks: childIds(element).map((id) => elements[id]!) };
};

test('by mouse: a word becomes strong and a link, a stretch takes a shared style; each is one step to undo', async ({
  page,
  request,
}) => {
  const id = await createProject(request, 'demo');
  await openWorkbench(page, id);
  const text = frameOf(page).getByText('Four hundred tools for one street and its');
  await text.dblclick();
  const bar = page.getByRole('toolbar', { name: 'Marks of the text' });
  await expect(bar).toBeVisible();
  // A double press in the text takes a word of it.
  await text.dblclick({ position: { x: 12, y: 12 } });
  await bar.getByRole('button', { name: 'Strong' }).click();
  await expect(text.locator('strong')).toHaveText(/^\w+$/);
  await bar.getByRole('button', { name: 'Link' }).click();
  const leads = page.getByRole('combobox', { name: 'Leads to' });
  await leads.fill('javascript:alert(1)');
  await leads.press('Enter');
  await expect(page.getByText("isn't a link address that is allowed here")).toBeVisible();
  await leads.fill('page:gcatalogue');
  await leads.press('Enter');
  await expect(text.locator('a > strong')).toHaveText(/^\w+$/);
  await page.keyboard.press('Escape');
  await expect(bar).toBeHidden();
  await saved(page);
  let { project, revision } = await readProject(request, id);
  const name = Object.values(project.pages[0]!.elements).find(
    ({ children }) => children.length > 1 && childIds({ children }).length === 1,
  )!.name;
  expect(inside(project, name).marks).toMatchObject([{ tag: 'a', attributes: { href: 'page:gcatalogue' } }]);
  expect(inside(project, name).words).toMatch(/^Four hundred tools for one street/);
  expect(revision).toBe(2);
  await outline(page, name).click();
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect(text.locator('strong')).toHaveCount(0);
  await saved(page);
  ({ project, revision } = await readProject(request, id));
  expect([revision, inside(project, name).marks]).toEqual([4, []]);
});

test('by keyboard: into a text, a burst of typing, two paragraphs of one and back, marks and the bar, and out again', async ({
  page,
  request,
}) => {
  const id = await boxes(request, 'Written by keyboard');
  await openWorkbench(page, id);
  await outline(page, 'First text').click();
  await page.locator('[data-stage]').focus();
  await page.keyboard.press('Enter');
  // At once, as people do who know their way.
  await page.keyboard.type(' Then more.');
  await expect(frameOf(page).getByText('Then more.')).toBeVisible();
  await page.keyboard.press('Shift+ArrowLeft');
  for (let i = 0; i < 4; i++) await page.keyboard.press('Shift+ArrowLeft');
  await page.keyboard.press('Control+i');
  await page.keyboard.press('Control+Enter');
  const bar = page.getByRole('toolbar', { name: 'Marks of the text' });
  await expect(bar.getByRole('button', { name: 'Strong' })).toBeFocused();
  await page.keyboard.press('ArrowRight');
  await expect(bar.getByRole('button', { name: 'Emphasis' })).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('Escape');
  await expect(page.locator('iframe')).toBeFocused();
  await page.keyboard.press('End');
  await page.keyboard.press('Enter');
  await page.keyboard.type('A second paragraph.');
  await page.keyboard.press('Escape');
  await saved(page);
  const { project } = await readProject(request, id);
  const first = inside(project, 'First text');
  expect([first.words, ownText(first.element), first.marks.map(({ tag }) => tag)]).toEqual([
    'Write something here. Then more.',
    'Write something here. Then ',
    ['em'],
  ]);
  expect(Object.values(project.pages[0]!.elements).filter((one) => ownText(one) === 'A second paragraph.')).toMatchObject([
    { tag: 'p' },
  ]);
  // And back into one.
  await page.keyboard.press('Enter');
  await expect(bar).toBeVisible();
  await page.keyboard.press('Home');
  await page.keyboard.press('Backspace');
  await page.keyboard.press('Escape');
  await saved(page);
  // What was typed last may be on its way only after everything before it was saved.
  await expect
    .poll(async () => inside((await readProject(request, id)).project, 'First text').words)
    .toBe('Write something here. Then more.A second paragraph.');
});
