import type { Browser, BrowserContextOptions, Page as BrowserPage } from 'playwright-core';
import { atMost, BrowserTrouble } from './trouble';
import { browserAnswers, warmBrowser } from './warm-browser';

/** How long a tab may work on one thing without a word, ms. Work is asked for in pieces that take far less. */
const longestSilence = () => Number(process.env.MILLPOND_SILENT_MS ?? 15_000);
/** How often the browser is asked whether it is there while a tab works, ms. */
const HEART_MS = 3_000;
/** How long a tab that has nothing to do may take to say that it is there, ms. */
const BEAT_MOST_MS = 2_000;
/** How long a new tab may take to open, ms. */
const OPEN_MOST_MS = 15_000;
/** A tab is renewed after so many uses, so that what pages leave behind doesn't add up. */
const USES_MOST = 200;
/** How long those wait that are only kept for a while, ms. A new one takes a second to open where the machine is busy. */
const SPARE_MS = 10_000;

/** A page of the browser that may crash, hang or go at any time. All that is asked of it goes through `ask`. */
export class Tab<E = undefined> {
  #trouble: BrowserTrouble | undefined;
  #lose: (trouble: BrowserTrouble) => void = () => {};
  readonly #lost = new Promise<never>((_, reject) => {
    this.#lose = (trouble) => {
      this.#trouble ??= trouble;
      reject(this.#trouble);
    };
  });
  uses = 0;

  constructor(
    readonly page: BrowserPage,
    readonly extra: E,
    private readonly silentMostMs = longestSilence(),
  ) {
    this.#lost.catch(() => undefined);
    page.once('crash', () => this.#lose(new BrowserTrouble('crashed')));
    page.once('close', () => this.#lose(new BrowserTrouble('ended')));
  }

  get usable(): boolean {
    return this.#trouble === undefined && !this.page.isClosed();
  }

  /**
   * Waits for something that the tab does.
   * @throws BrowserTrouble when the tab has crashed or gone, or says nothing for too long; what the work throws, otherwise
   */
  async ask<T>(work: (page: BrowserPage) => Promise<T>): Promise<T> {
    if (this.#trouble) throw this.#trouble;
    const asked = work(this.page);
    // Long before the tab is given up, the browser is asked whether it and all its processes are alive.
    const heart = setInterval(() => void browserAnswers(), HEART_MS);
    try {
      return await atMost(this.silentMostMs, Promise.race([asked, this.#lost]), () => new BrowserTrouble('silent'));
    } catch (error) {
      if (error instanceof BrowserTrouble) {
        this.#lose(error);
        throw error;
      }
      // Words of the protocol don't tell a fault of the page from the end of the tab; the tab itself does.
      if (!(await this.answers())) throw this.#trouble ?? new BrowserTrouble('ended');
      throw error;
    } finally {
      clearInterval(heart);
    }
  }

  /** Whether the tab is there: its heartbeat. */
  async answers(): Promise<boolean> {
    if (!this.usable) return false;
    try {
      const beat = Promise.race([this.page.evaluate('1'), this.#lost]);
      await atMost(BEAT_MOST_MS, beat, () => new BrowserTrouble('silent'));
      return true;
    } catch (error) {
      this.#lose(error instanceof BrowserTrouble ? error : new BrowserTrouble('ended'));
      return false;
    }
  }

  /** Closes the tab with its context; one that hangs can't even say that it's closed, so nobody waits for long. */
  async close(): Promise<void> {
    await atMost(BEAT_MOST_MS, this.page.context().close(), () => new BrowserTrouble('silent')).catch(() => undefined);
  }
}

/** Tabs of one sort, kept for the next who need one as long as they are sound. */
export class TabPool<E = undefined> {
  readonly #idle: Tab<E>[] = [];
  #closing: NodeJS.Timeout | undefined;

  /**
   * @param prepare what is done once with each new page
   * @param keep how many wait, at most
   * @param spare how many more wait for a while: whoever needs several at once needs them again soon
   */
  constructor(
    private readonly options: BrowserContextOptions,
    private readonly prepare: (page: BrowserPage) => Promise<E>,
    private readonly keep: number,
    private readonly silentMostMs?: number,
    private readonly spare = 0,
  ) {}

  async use<T>(work: (tab: Tab<E>) => Promise<T>): Promise<T> {
    const tab = await this.take();
    try {
      return await work(tab);
    } finally {
      await this.leave(tab);
    }
  }

  /** Whoever takes a tab leaves it again, however the work ended. */
  async take(): Promise<Tab<E>> {
    for (let tab = this.#idle.pop(); tab; tab = this.#idle.pop()) {
      if (await tab.answers()) return tab;
      await tab.close();
    }
    return this.#open(await warmBrowser());
  }

  async #open(browser: Browser): Promise<Tab<E>> {
    const opening = browser.newPage(this.options);
    let page: BrowserPage;
    try {
      page = await atMost(OPEN_MOST_MS, opening, () => new BrowserTrouble('silent'));
      // Nothing is ever loaded from anywhere.
      const ready = page.route('**/*', (route) => route.abort()).then(() => this.prepare(page));
      return new Tab(page, await atMost(OPEN_MOST_MS, ready, () => new BrowserTrouble('silent')), this.silentMostMs);
    } catch (error) {
      void opening.then((opened) => opened.context().close()).catch(() => undefined);
      // The browser went meanwhile, or hangs.
      await browserAnswers();
      if (browser.isConnected() || error instanceof BrowserTrouble) throw error;
      throw new BrowserTrouble('ended', error instanceof Error ? error.message.split('\n')[0] : undefined);
    }
  }

  async leave(tab: Tab<E>): Promise<void> {
    tab.uses++;
    if (!tab.usable || tab.uses >= USES_MOST || this.#idle.length >= this.keep + this.spare) return tab.close();
    this.#idle.push(tab);
    if (this.#idle.length > this.keep) this.#closeSpareSoon();
  }

  #closeSpareSoon(): void {
    clearTimeout(this.#closing);
    this.#closing = setTimeout(() => {
      // Those that have waited longest.
      for (const tab of this.#idle.splice(0, Math.max(0, this.#idle.length - this.keep))) void tab.close();
    }, SPARE_MS).unref();
  }
}
