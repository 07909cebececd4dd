import { unzipSync } from 'fflate';
import { expect, test } from '@playwright/test';
import { compareExport } from './rectangles';
import { createProject } from './workbench';

const WIDTHS = [320, 375, 480, 599, 600, 742, 899, 900, 1100, 1366, 1600, 1920];

test('the export opens from disk and lies exactly as the preview does, at 12 widths', async ({ page, request, browser }) => {
  const id = await createProject(request, 'demo');
  const zip = async () => unzipSync(new Uint8Array(await (await request.get(`/api/projects/${id}/export`)).body()));
  expect(await zip()).toEqual(await zip());
  const preview = await browser.newPage();
  try {
    await compareExport(page, preview, request, id, WIDTHS, 60);
  } finally {
    await preview.close();
  }
});
