import { existsSync } from 'node:fs';
import { chromium } from 'playwright-core';
import type { Browser } from 'playwright-core';

/** Debian's Chromium, or the one that MILLPOND_CHROMIUM names. */
export const CHROMIUM_PATH =
  process.env.MILLPOND_CHROMIUM ??
  ['/usr/bin/chromium', '/usr/bin/chromium-browser'].find((path) => existsSync(/* turbopackIgnore: true */ path)) ??
  '/usr/bin/chromium';

/** Root can't use Chromium's own sandbox; the rest keeps it from looking for a network that isn't needed. */
export const CHROMIUM_FLAGS: readonly string[] = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

/**
 * @param scrollbars shown as they are by a browser with a window; without, none take room
 * @throws Error with the path and what to install when Chromium can't be started.
 */
export async function launchChromium({ scrollbars = false } = {}): Promise<Browser> {
  if (!existsSync(/* turbopackIgnore: true */ CHROMIUM_PATH))
    throw new Error(`There is no Chromium at ${CHROMIUM_PATH}. Install it with: apt-get install chromium`);
  return chromium.launch({
    executablePath: CHROMIUM_PATH,
    args: [...CHROMIUM_FLAGS],
    chromiumSandbox: false,
    ignoreDefaultArgs: scrollbars ? ['--hide-scrollbars'] : [],
  });
}
