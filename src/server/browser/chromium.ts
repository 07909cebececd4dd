import { existsSync } from 'node:fs';
import { chromium } from 'playwright-core';
import type { Browser } from 'playwright-core';
import programs from './chromium-programs.json' with { type: 'json' };

/** Debian's Chromium, the one without windows where there is both, or the one that MILLPOND_CHROMIUM names. */
export const chromiumPath = (): string =>
  process.env.MILLPOND_CHROMIUM ?? programs.find((path) => existsSync(/* turbopackIgnore: true */ path)) ?? programs[0]!;

/**
 * Root can't use Chromium's own sandbox; the rest keeps it from looking for a network that isn't needed. Frames from elsewhere, as previews are,
 * have processes of their own, and letters aren't put at whole px, as in people's browsers: without windows it has to be told.
 */
export const CHROMIUM_FLAGS: readonly string[] = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--site-per-process',
  '--font-render-hinting=slight',
];

/** No name and no address leads anywhere: nothing is looked up, and nothing connected to ahead of a request. */
const NO_NETWORK = '--host-resolver-rules=MAP * ~NOTFOUND';

/**
 * @param mostMs how long the start may take, ms
 * @param network whether anything can be reached
 * @param scrollbars shown as they are by a browser with a window; without, none take room
 * @throws Error with the path and what to install when Chromium can't be started.
 */
export async function launchChromium({ scrollbars = false, network = true, mostMs = 30_000 } = {}): Promise<Browser> {
  const path = chromiumPath();
  if (!existsSync(/* turbopackIgnore: true */ path))
    throw new Error(`There is no Chromium at ${path}. Install it with: apt-get install chromium-headless-shell`);
  return chromium.launch({
    executablePath: path,
    args: [...CHROMIUM_FLAGS, ...(network ? [] : [NO_NETWORK])],
    chromiumSandbox: false,
    timeout: mostMs,
    // Whoever started this process ends it in order; Chromium goes with it.
    handleSIGINT: false,
    handleSIGTERM: false,
    handleSIGHUP: false,
    ignoreDefaultArgs: scrollbars ? ['--hide-scrollbars'] : [],
  });
}
