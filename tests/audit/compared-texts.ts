import { asUsual, CHECKS } from '@/core/audit';
import { MeasuredPage } from '@/server/browser/measuring';

const ASKED = asUsual(CHECKS).map(({ check: { id }, limits }) => ({ id, limits }));

/** So many widths, px, from one on. */
export const from = (first: number, count: number): number[] => Array.from({ length: count }, (_, i) => first + i);

/** Works out by their texts all widths of a page that can be, and measures them too. */
export async function comparedTexts(html: string, widths: readonly number[]): ReturnType<MeasuredPage['compareTexts']> {
  const page = await MeasuredPage.openHtml(html, ASKED);
  const result = await page.compareTexts(widths);
  await page.close();
  return result;
}
