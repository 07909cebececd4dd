import { expect, test } from '@playwright/test';
import type { APIRequestContext, Page } from '@playwright/test';
import { boxes } from './boxes';
import { beginWith, inside, openLineup } from './lineup';
import { createProject, makeEdits, openWorkbench, readProject, saved, write } from './workbench';

const way = (page: Page, name: string) => page.getByRole('button', { name, exact: true });

/** The digests of all pictures by page, from the overview on screen. */
const digests = (page: Page) =>
  page
    .locator('tbody tr')
    .evaluateAll((rows) => rows.map((row) => [...row.querySelectorAll('img')].map((image) => image.getAttribute('src')!)));

const made = (page: Page) =>
  expect(page.locator('[data-testid=pictures-state][data-done=true]')).toBeVisible({ timeout: 90_000 });

test('all pages in small pictures: made once, again only where an edit holds, with what is wrong on each', async ({
  page,
  request,
}) => {
  const id = await createProject(request, 'demo');
  await beginWith(request, id, 'dwatch', 'dphone', 'dtablet');
  await openWorkbench(page, id, 'Catalogue');
  await page.keyboard.press('Shift+L');
  await way(page, 'All pages').click();
  await made(page);
  const before = await digests(page);
  expect(before.map((row) => row.length)).toEqual([3, 3, 3, 3, 3, 3]);
  await expect(page.getByRole('button', { name: 'Front page on Phone: nothing wrong' })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Catalogue on Phone: \d+ wrong/ })).toBeVisible();
  await page.getByRole('treeitem', { name: /^Tool cards/ }).click();
  await page.getByRole('button', { name: 'Narrow', exact: true }).first().click();
  await expect(page.getByRole('button', { name: 'Writes to 599 and narrower. Change' })).toBeVisible();
  await write(page, 'gap', '31px');
  await saved(page);
  await expect
    .poll(async () => (await digests(page))[1]!.filter((src, i) => src !== before[1]![i]).length, { timeout: 60_000 })
    .toBe(2);
  await made(page);
  const after = await digests(page);
  // Only the watch and the phone are 599 px or narrower, and only the catalogue has these cards.
  expect(after.map((row, r) => row.map((src, i) => src !== before[r]![i]))).toEqual(
    before.map((row, r) => row.map((_, i) => r === 1 && i < 2)),
  );
  const picture = await request.get(after[1]![1]!);
  expect([picture.headers()['content-type'], (await picture.body()).length > 2_000]).toEqual(['image/png', true]);
  await page.getByRole('button', { name: /^Join on Tablet/ }).click();
  await expect(page.getByRole('button', { name: /^Page: Join/ })).toBeVisible();
  await expect(page.locator('article[aria-current=true]')).toHaveAttribute('aria-label', /^Tablet/);
});

test('a crossing is told element by element, and two widths of one’s own; what stayed is told too', async ({ page, request }) => {
  const id = await createProject(request, 'demo');
  await beginWith(request, id, 'dphone');
  await openWorkbench(page, id, 'Catalogue');
  await openLineup(page);
  await way(page, 'Crossing').click();
  const list = page.getByTestId('crossing');
  await page.getByRole('combobox', { name: 'Crossing' }).selectOption({ label: 'Narrow to Middle at 600' });
  await expect(list.getByRole('status')).toContainText('599 to 600:');
  const cards = list.getByRole('region', { name: 'Values change' }).getByRole('button', { name: /^Tool cards/ });
  await expect(cards).toContainText('grid-template-columns minmax(0, 1fr) → repeat(3, minmax(0, 1fr))');
  await cards.click();
  await expect(page.getByRole('treeitem', { name: /^Tool cards/ })).toHaveAttribute('aria-selected', 'true');
  for (const side of ['Catalogue at 599 pixels', 'Catalogue at 600 pixels'])
    await expect(page.getByRole('article', { name: side }).locator('[data-selected]')).toBeVisible();
  await expect(list.getByRole('button', { name: /^Menu button/ })).toContainText('is hidden');
  // The list follows an edit: the same value on both sides is no change any more.
  await page.getByLabel('Width from').fill('601');
  await page.getByLabel('Width from').press('Enter');
  await expect(list.getByRole('status')).toContainText('601 to 600: 0 written');
  await page.getByLabel('Width to').fill('99999');
  await page.getByLabel('Width to').press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'from 240 to 2560' })).toBeVisible();
});

test('compared with before: flickering, laid over, and exactly the widths at which something moved', async ({
  page,
  request,
}) => {
  const id = await boxes(request, 'Before');
  await beginWith(request, id, 'dphone');
  await makeEdits(request, id, [
    { type: 'setStyle', owner: 'ea', at: 'bnar', property: 'margin-top', value: '9px' },
    { type: 'setStyle', owner: 'ea', at: 'bnar', property: 'color', value: '#303030' },
  ]);
  await openWorkbench(page, id);
  await openLineup(page);
  await way(page, 'Since before').click();
  await page.getByRole('combobox', { name: 'As it was before' }).selectOption({ index: 1 });
  await expect(page.getByRole('combobox', { name: 'As it was before' })).toContainText('Set margin-top of Box A to 9px');
  await page.getByRole('button', { name: 'Compare every width' }).click();
  const moved = page.getByTestId('moved-widths');
  await expect(moved).toContainText('Something moved at 281 widths. The other 1,320 are identical by what', { timeout: 60_000 });
  await expect(moved.getByRole('button', { name: '320 to 600' })).toBeVisible();
  await way(page, 'Before').click();
  const phone = page.getByRole('article', { name: /^Phone: before/ });
  const versions = phone.locator('iframe');
  await expect(versions).toHaveCount(2);
  const margin = (i: number) =>
    phone
      .frameLocator('iframe')
      .nth(i)
      .locator('[data-mp-node=ea]')
      .evaluate((one) => getComputedStyle(one).marginTop);
  expect([await margin(0), await margin(1)]).toEqual(['0px', '9px']);
  expect(await phone.locator('[aria-hidden=true] iframe').count()).toBe(1);
});

const viewport = (width: number, height: number) => ({ width, height, pointer: 'finger' });
async function sheet(request: APIRequestContext, id: string, wish: Record<string, unknown>) {
  const { project, revision } = await readProject(request, id);
  return request.post(`/api/projects/${id}/sheet`, {
    data: {
      page: project.pages[0]!.id,
      revision,
      format: 'png',
      title: 'A sheet',
      whole: false,
      density: 1,
      zoom: 0.5,
      devices: [{ title: 'Phone', note: '400 × 700', viewport: viewport(400, 700), scrollbar: 'overlay' }],
      ...wish,
    },
  });
}

test('a sheet as PNG, PDF and HTML: titled, live, as dense as asked for; what can not be made is said', async ({
  page,
  request,
}) => {
  const id = await createProject(request, 'demo');
  const size = (png: Buffer) => [png.readUInt32BE(16), png.readUInt32BE(20)];
  const [once, twice] = [await sheet(request, id, {}), await sheet(request, id, { density: 2 })];
  const [w, h] = size(await once.body());
  expect(size(await twice.body())).toEqual([w! * 2, h! * 2]);
  const pdf = await sheet(request, id, { format: 'pdf', whole: true });
  expect([pdf.headers()['content-type'], (await pdf.body()).subarray(0, 5).toString()]).toEqual(['application/pdf', '%PDF-']);
  const html = await (await sheet(request, id, { format: 'html', whole: true, title: '<b>A & B</b>' })).text();
  await page.setContent(html);
  await expect(page.getByRole('heading')).toHaveText('<b>A & B</b>');
  const frame = page.locator('iframe');
  await expect(frame).toHaveAttribute('sandbox', '');
  await expect(inside(page.locator('figure')).getByRole('heading', { level: 1 })).toHaveText('Borrow it, fix it, bring it back');
  expect((await frame.boundingBox())!.height).toBeGreaterThan(400);
  const many = Array.from({ length: 30 }, (_, i) => ({
    title: `D${i}`,
    note: '',
    viewport: viewport(2500, 3000),
    scrollbar: 'classic',
  }));
  const huge = await sheet(request, id, { devices: many, density: 3, zoom: 1 });
  expect([huge.status(), ((await huge.json()) as { error: string }).error]).toEqual([
    422,
    expect.stringMatching(/more than a picture can have here. Choose a smaller zoom/),
  ]);
  const none = await sheet(request, id, { devices: [] });
  expect(((await none.json()) as { error: string }).error).toMatch(/no device to put on the sheet/);
  expect((await sheet(request, id, { revision: 99 })).status()).toBe(409);
});
