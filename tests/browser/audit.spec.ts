import { expect, test } from '@playwright/test';
import type { APIRequestContext, Page } from '@playwright/test';
import type { Edit } from '@/core/edits';
import { reportSchema } from '@/core/report';
import { createProject, makeEdits, openWorkbench, readProject } from './workbench';

const WORDS =
  'Bring the ladder back on Saturday, please, since six people are waiting for it and the gutters are full of leaves.';

/** One page of our own: a box of fixed height that cuts its text when narrow, and pale text beside it. */
async function makePage(request: APIRequestContext): Promise<string> {
  const id = await createProject(request, 'empty', 'Notices');
  const { project } = await readProject(request, id);
  const page = project.pages[0]!;
  const element = (key: string, tag: string, name: string, more: object) => ({
    id: key,
    tag,
    name,
    attributes: {},
    children: [],
    shared: [],
    styles: {},
    ...more,
  });
  // Fewer widths say the same, and take less time.
  const range: Edit = { type: 'setProject', field: 'range', value: { first: 320, last: 900 } };
  const insert: Edit = {
    type: 'insertElement',
    page: page.id,
    parent: page.root,
    index: 0,
    elements: [
      element('ebox', 'div', 'Notice box', {
        children: ['etext'],
        styles: { base: { height: '84px', 'overflow-x': 'hidden', 'overflow-y': 'hidden', width: '50%' } },
      }),
      element('etext', 'p', 'Notice text', { text: WORDS, styles: { base: { 'font-size': '16px', 'line-height': '24px' } } }),
    ],
  } as Edit;
  const pale: Edit = {
    type: 'insertElement',
    page: page.id,
    parent: page.root,
    index: 1,
    elements: [element('epale', 'p', 'Pale line', { text: 'Open today', styles: { base: { color: '#aaaaaa' } } })],
  } as Edit;
  // Few devices keep the audit short.
  const fewer = project.deviceSets.map(({ id: set }): Edit => ({ type: 'removeDeviceSet', id: set }));
  await makeEdits(request, id, [range, insert, pale, ...fewer]);
  return id;
}

const audited = async (page: Page) => {
  await page.getByRole('navigation', { name: 'Views' }).getByRole('button', { name: /Audit/ }).click();
  await expect(page.locator('[data-testid=audit-state][data-complete=true]')).toBeVisible({ timeout: 60_000 });
};
const row = (page: Page, text: string) => page.getByTestId('audit-list').getByRole('button', { name: text });

test('a finding is found, explained, mended and proved; one undo takes it back', async ({ page, request }) => {
  const id = await makePage(request);
  await openWorkbench(page, id);
  await audited(page);
  // The last edit took a set of devices away: nothing looks different.
  await page.getByRole('button', { name: 'Prove it' }).click();
  await expect(page.getByTestId('proof')).toContainText('Changed: nothing. Identical: 320 to 900 (581 widths compared)', {
    timeout: 60_000,
  });
  await row(page, 'Contrast is low').click();
  await page.getByRole('button', { name: 'Find fixes' }).click();
  await page
    .getByTestId('fix')
    .first()
    .getByRole('button', { name: /^Apply/ })
    .click({ timeout: 60_000 });
  // Only painted otherwise, at every width.
  await expect(page.getByTestId('proof')).toContainText('Changed: 320 to 900. Identical: no width', { timeout: 60_000 });
  await row(page, 'Content is cut off').click();
  const detail = page.getByTestId('finding-detail');
  await expect(detail).toContainText(/Notice box cuts \d+ px off Notice text/);
  await expect(detail.getByTestId('cause')).toContainText('height 84px, set at the base');
  await expect(detail.getByTestId('finding-picture')).toBeVisible();
  await detail.getByRole('button', { name: 'Find fixes' }).click();
  const fix = detail.getByTestId('fix').first();
  await expect(fix).toContainText('Automatic height for Notice box', { timeout: 60_000 });
  await expect(fix).toContainText(/clears it everywhere · adds nothing/);
  await expect(detail.getByRole('button', { name: 'Try again' })).toBeVisible({ timeout: 60_000 });
  await fix.getByRole('button', { name: /^Apply/ }).click();
  const proof = page.getByTestId('proof');
  await expect(proof).toHaveAttribute('data-done', 'true', { timeout: 60_000 });
  await expect(proof).toContainText(/Changed: 320 to \d+\. Identical: \d+ to 900 \(581 widths compared\)/);
  await expect(row(page, 'Content is cut off')).toHaveCount(0, { timeout: 60_000 });
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(row(page, 'Content is cut off')).toHaveCount(1, { timeout: 60_000 });
});

test('a finding is accepted with a reason, a check is tuned and turned off, by keyboard', async ({ page, request }) => {
  const id = await makePage(request);
  await openWorkbench(page, id);
  await page.keyboard.press('Shift+A');
  await expect(page.locator('[data-testid=audit-state][data-complete=true]')).toBeVisible({ timeout: 60_000 });
  await row(page, 'Contrast is low').focus();
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Accept it with a reason' }).press('Enter');
  await page.keyboard.type('no');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'Say in a few words' })).toBeVisible();
  await page.keyboard.type(' matter: it is an ornament');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Accepted' })).toContainText('no matter: it is an ornament');
  await page.getByRole('button', { name: 'No longer accept' }).press('Enter');
  await expect(page.getByRole('region', { name: 'Accepted' })).toHaveCount(0);
  await page.getByRole('tab', { name: 'Checks' }).press('Enter');
  await page.getByRole('tab', { name: 'Checks' }).click();
  await page.getByRole('spinbutton', { name: 'Least ratio to 1, 1 to 21' }).fill('2');
  await page.keyboard.press('Enter');
  await page.getByRole('checkbox', { name: /^Content is cut off/ }).uncheck();
  await page.getByRole('tab', { name: 'This page' }).click();
  await expect(row(page, 'Contrast is low')).toHaveCount(0, { timeout: 60_000 });
  await expect(row(page, 'Content is cut off')).toHaveCount(0, { timeout: 60_000 });
});

test('all that is safe is mended at once, a breakpoint is proposed, and a report comes in every form', async ({
  page,
  request,
}) => {
  const id = await makePage(request);
  await openWorkbench(page, id);
  await audited(page);
  await page.getByRole('tab', { name: 'Proposed breakpoints' }).click();
  await expect(page.getByTestId('proposed').first()).toContainText('Content is cut off: Notice box');
  await page.getByRole('tab', { name: 'All pages' }).click();
  await page.getByRole('button', { name: 'Audit all pages' }).click();
  await expect(page.getByTestId('run-state')).toContainText(/^Audited /, { timeout: 90_000 });
  await expect(page.getByTestId('pages-by-devices')).toContainText(/[1-9]\d* \/ \d+/);
  const form = async (name: string) => (await request.get(`/api/projects/${id}/report?form=${name}`)).text();
  const report = reportSchema.parse(JSON.parse(await form('json')));
  expect(report.findings.map(({ check }) => check)).toEqual(expect.arrayContaining(['clipped-content', 'contrast']));
  const cut = report.findings.find(({ check }) => check === 'clipped-content')!;
  expect(cut.widths[0]!.first).toBe(320);
  expect((JSON.parse(await form('sarif')) as { runs: { results: unknown[] }[] }).runs[0]!.results).toHaveLength(
    report.findings.length,
  );
  expect((await form('csv')).trim().split('\r\n')).toHaveLength(report.findings.length + 1);
  expect(await form('junit')).toContain(`<failure message="${cut.sentence}"`);
  expect(await form('html')).toContain('<svg role="img"');
  expect((await request.get(`/api/projects/${id}/report?form=docx`)).status()).toBe(400);
  await page.getByRole('tab', { name: 'This page' }).click();
  await page.getByRole('button', { name: 'Mend what is safe' }).click();
  // Nothing is done before it was seen.
  const review = page.getByRole('dialog');
  await expect(review.getByRole('heading', { name: /^2 edits mend \d+ causes/ })).toBeVisible({ timeout: 120_000 });
  await expect(review.getByTestId('mend-steps').getByRole('listitem')).toHaveCount(2);
  await expect(review.getByTestId('edit-picture').nth(1)).toBeVisible({ timeout: 60_000 });
  await review.getByRole('button', { name: 'Make these 2 edits' }).click();
  await expect(page.getByTestId('proof')).toHaveAttribute('data-done', 'true', { timeout: 120_000 });
  await expect(row(page, 'Content is cut off')).toHaveCount(0, { timeout: 60_000 });
  await expect(row(page, 'Contrast is low')).toHaveCount(0, { timeout: 60_000 });
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(row(page, 'Content is cut off')).toHaveCount(1, { timeout: 60_000 });
  await expect(row(page, 'Contrast is low')).toHaveCount(1);
});
