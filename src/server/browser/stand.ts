import { createHash } from 'node:crypto';
import { READERS_SIZE } from '@/core/document';
import type { Tab } from './tab';

/** The text size that a tab's browser has been given, where it isn't the usual one. */
const textSizes = new WeakMap<Tab<void>, number>();

/** Gives the browser the reader's text size, as its own settings would: `medium`, percentages of it and em in media queries follow. */
async function setTextSize(tab: Tab<void>, text: number): Promise<void> {
  if ((textSizes.get(tab) ?? 1) === text) return;
  await tab.ask(async (page) => {
    const session = await page.context().newCDPSession(page);
    const [standard, fixed] = [READERS_SIZE, 13].map((size) => Math.round(size * text));
    await session.send('Page.setFontSizes', { fontSizes: { standard: standard!, fixed: fixed! } });
  });
  textSizes.set(tab, text);
}

/**
 * Has documents stand in a measuring tab, at rest: one to be measured, or two versions of it to be compared. What stands there from before isn't
 * loaded again.
 * @param height of the viewport, px
 * @param text the reader's text size, as a share of the usual one
 */
export async function stand(tab: Tab<void>, documents: readonly string[], height: number, text = 1): Promise<void> {
  await setTextSize(tab, text);
  const keys = documents.map((html) => `${text} ${createHash('sha256').update(html).digest('base64')}`);
  const ask = (sources: Readonly<Record<string, string>>) =>
    tab.ask((page) => page.evaluate((wish) => globalThis.millPond.stand(...wish), [keys, height, sources] as const));
  const lacking = await ask({});
  if (lacking.length > 0) await ask(Object.fromEntries(lacking.map((key) => [key, documents[keys.indexOf(key)]!])));
}
