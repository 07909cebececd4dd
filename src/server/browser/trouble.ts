export type TroubleKind = 'unstartable' | 'crashed' | 'silent' | 'ended';

const WORDS: Record<TroubleKind, string> = {
  unstartable: 'Chromium could not be started',
  crashed: 'the browser’s tab crashed; the page may need more memory than there is',
  silent: 'the browser gave no answer; the page’s layout may never come to an end',
  ended: 'the browser ended',
};

/** What befell the browser or one of its tabs while it worked: not a fault of what it was asked, so worth another try. */
export class BrowserTrouble extends Error {
  override readonly name = 'BrowserTrouble';

  constructor(
    readonly kind: TroubleKind,
    detail?: string,
  ) {
    super(detail ? `${WORDS[kind]}: ${detail}` : WORDS[kind]);
  }
}

/** Waits for a promise, at most so long. `late` says what is thrown then; what was waited for is left to itself. */
export async function atMost<T>(ms: number, waited: Promise<T>, late: () => Error): Promise<T> {
  let timer: NodeJS.Timeout | undefined;
  const over = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(late()), ms);
  });
  waited.catch(() => undefined);
  try {
    return await Promise.race([waited, over]);
  } finally {
    clearTimeout(timer);
  }
}
