import { readFileSync } from 'node:fs';
import { getPriority, setPriority } from 'node:os';
import type { Browser, CDPSession } from 'playwright-core';
import { log } from '../logging/log';
import { launchChromium } from './chromium';
import { atMost, BrowserTrouble } from './trouble';

/** How long the browser's own process may take to say that it is there, ms. */
const BEAT_MOST_MS = 4_000;
const LAUNCH_MOST_MS = 30_000;
/** How far its processes stand back: about a third of the share of others that want the same core. */
const NICENESS = 5;

interface Warm {
  readonly browser: Browser;
  readonly session: CDPSession;
  /** The browser's process; its group holds all that it has started. */
  readonly pid: number | undefined;
}

// Next loads modules more than once; one process keeps one browser.
const kept = globalThis as { millPondBrowser?: Promise<Warm> | undefined };

/**
 * One Chromium for the whole process, kept warm; started again when it has gone.
 * @throws BrowserTrouble when it can't be started
 */
export async function warmBrowser(): Promise<Browser> {
  return (await warm()).browser;
}

function warm(): Promise<Warm> {
  if (kept.millPondBrowser) return kept.millPondBrowser;
  const starting = launch();
  kept.millPondBrowser = starting;
  starting.then(
    ({ browser, pid }) =>
      browser.once('disconnected', () => {
        letGo(starting);
        // Those of its processes that stand still don't notice that it has gone.
        if (pid !== undefined) killGroup(pid);
      }),
    () => letGo(starting),
  );
  return starting;
}

function letGo(one: Promise<Warm>): void {
  if (kept.millPondBrowser === one) kept.millPondBrowser = undefined;
}

async function launch(): Promise<Warm> {
  try {
    // With scrollbars, since pages are also pictured as devices show them; where they take no room the page says so.
    const browser = await launchChromium({ scrollbars: true, network: false, mostMs: LAUNCH_MOST_MS });
    const session = await browser.newBrowserCDPSession();
    const { processInfo } = await session.send('SystemInfo.getProcessInfo');
    standBack(processInfo);
    return { browser, session, pid: processInfo.find(({ type }) => type === 'browser')?.id };
  } catch (error) {
    throw new BrowserTrouble('unstartable', error instanceof Error ? error.message.split('\n')[0] : undefined);
  }
}

/**
 * Lets people's requests and their own browser, which mostly runs on this machine too, go before whatever is laid out in
 * the background. Done again at each heartbeat, for processes that were made since.
 */
function standBack(processes: readonly { readonly id: number }[]): void {
  const niceness = Math.min(19, getPriority() + NICENESS);
  for (const { id } of processes)
    try {
      setPriority(id, niceness);
    } catch {
      // Gone already.
    }
}

/** Asks the browser's own process whether it is there. One that says nothing is ended, so that the next asker gets a new one. */
export async function browserAnswers(): Promise<boolean> {
  const current = kept.millPondBrowser;
  if (!current) return false;
  try {
    const { session } = await current;
    const asked = session.send('SystemInfo.getProcessInfo');
    const { processInfo } = await atMost(BEAT_MOST_MS, asked, () => new BrowserTrouble('silent'));
    // A tab whose process stands still is never closed by the browser.
    for (const { id } of processInfo) if (standsStill(id)) process.kill(id, 'SIGKILL');
    standBack(processInfo);
    return true;
  } catch {
    log.warn('the browser does not answer; a new one is started');
    await endBrowser();
    return false;
  }
}

/** Ends the browser by force, with all its processes. */
async function endBrowser(): Promise<void> {
  const current = kept.millPondBrowser;
  kept.millPondBrowser = undefined;
  const was = await current?.catch(() => undefined);
  if (was?.pid !== undefined) killGroup(was.pid);
  void was?.browser.close().catch(() => undefined);
}

function standsStill(pid: number): boolean {
  try {
    return /\) T /.test(readFileSync(`/proc/${pid}/stat`, 'utf8'));
  } catch {
    return false;
  }
}

function killGroup(pid: number): void {
  for (const target of [-pid, pid])
    try {
      process.kill(target, 'SIGKILL');
    } catch {
      // Gone already, or not the leader of a group.
    }
}

export async function closeBrowser(): Promise<void> {
  const current = kept.millPondBrowser;
  kept.millPondBrowser = undefined;
  await (await current?.catch(() => undefined))?.browser.close();
}

/** Processes of the browser that runs, for those who look after memory. */
export async function browserProcesses(): Promise<readonly { readonly type: string; readonly id: number }[]> {
  const current = await kept.millPondBrowser?.catch(() => undefined);
  return current ? (await current.session.send('SystemInfo.getProcessInfo')).processInfo : [];
}
