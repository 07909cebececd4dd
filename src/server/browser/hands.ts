import type { Looking } from '@/core/audit';
import type { Slice } from '@/core/breakpoints';
import type { Page, Project } from '@/core/document';
import { turns } from './lanes';
import type { SweepStep } from './measuring';
import { MeasuredPage } from './measuring';
import { stepsOf } from './sweep-samples';
import { together } from './together';
import type { TurnWish } from './turns';
import { Aborted } from './turns';

/** Tabs that work on one page at once: each has a core. */
const HANDS = 2;
/** Fewer widths, of all views together, are decided sooner by one: the other would load the page for them. */
const DIVIDED_LEAST = 600;
/** Narrow widths take longer, so that this share of all is as much work as the rest. */
const NARROW = 0.4;

/** What one hand has done, with what it was about. */
export interface HandStep extends SweepStep {
  readonly looking: Looking;
  /** Without the waiting, ms. */
  readonly ms: number;
}

export interface HandsWish {
  readonly slice?: Slice | undefined;
  readonly near?: number;
  /** Whoever has a turn already works in it; further hands wait for turns of their own. */
  readonly inTurn?: boolean;
}

/** The most looked-at first; its widths in two parts, if there are many, so that both hands have something to do. */
function shared([first, ...others]: readonly Looking[]): Looking[] {
  if (!first || first.widths.length < DIVIDED_LEAST || others.length > 1) return [...(first ? [first] : []), ...others];
  const at = Math.round(first.widths.length * NARROW);
  return [{ ...first, widths: first.widths.slice(at) }, { ...first, widths: first.widths.slice(0, at) }, ...others];
}

/**
 * Decides all that is asked of a page, by several tabs at once, each step in a turn. Whoever comes late finds the rest.
 * @throws BrowserTrouble as soon as one of them fails
 */
export async function* byHands(
  project: Project,
  page: Page,
  wanted: readonly Looking[],
  wish: TurnWish,
  { slice, near, inTurn = false }: HandsWish = {},
): AsyncGenerator<HandStep> {
  const open = shared(wanted);
  const allTaken = new AbortController();
  const signal = AbortSignal.any([allTaken.signal, ...(wish.signal ? [wish.signal] : [])]);

  async function* hand(first: boolean): AsyncGenerator<HandStep> {
    // Whoever helps waits as long as it takes: the work gets on without it.
    const own = first ? wish : { ...wish, waitMostMs: Infinity };
    const turn = <T>(work: () => Promise<T>, asked = own) => (first && inTurn ? work() : turns.run(asked, work));
    const measured = await turn(() => MeasuredPage.open(project, page, slice), first ? own : { ...own, signal });
    try {
      for (let looking = open.shift(); looking; looking = open.shift()) {
        if (open.length === 0) allTaken.abort();
        const steps = stepsOf(measured, [project, page, slice], looking, near === undefined ? {} : { near });
        try {
          for (;;) {
            let begun = 0;
            const { value: step, done } = await turn(() => {
              begun = performance.now();
              return steps.next();
            });
            if (done || !step) break;
            yield { ...step, looking, ms: performance.now() - begun };
          }
        } finally {
          await steps.return(undefined);
        }
      }
    } finally {
      await measured.close();
    }
  }
  /** One that is still waiting when all is taken isn't needed any more. */
  async function* ifNeeded(): AsyncGenerator<HandStep> {
    try {
      yield* hand(false);
    } catch (error) {
      if (!(error instanceof Aborted && allTaken.signal.aborted)) throw error;
    }
  }
  const isMuch = wanted.reduce((sum, { widths, heights }) => sum + widths.length * heights.length, 0) >= DIVIDED_LEAST;
  const more = isMuch ? Math.min(HANDS, open.length) - 1 : 0;
  yield* together([hand(true), ...Array.from({ length: more }, ifNeeded)]);
}
