import { monitorEventLoopDelay } from 'node:perf_hooks';
import { log } from './log';

/** Everybody waits while one thing holds the process; longer than this is worth a line in the log, ms. */
const BLOCKED_MS = 200;
const LOOKED_AT_MS = 10_000;
const RESOLUTION_MS = 10;

// Next loads modules more than once; one process watches once.
const kept = globalThis as { millPondLoop?: { longest: number; look: () => void } };

/** Begins to watch how long this process answers nobody, once. */
export function watchLoop(): void {
  if (kept.millPondLoop) return;
  const delay = monitorEventLoopDelay({ resolution: RESOLUTION_MS });
  delay.enable();
  const seen = { longest: 0, look };
  function look() {
    const longest = Math.max(0, Math.round(delay.max / 1e6) - RESOLUTION_MS);
    delay.reset();
    seen.longest = Math.max(seen.longest, longest);
    if (longest > BLOCKED_MS) log.warn({ ms: longest }, 'nobody was answered meanwhile');
  }
  setInterval(look, LOOKED_AT_MS).unref();
  kept.millPondLoop = seen;
}

/** The longest time that nobody was answered, ms, since this was asked last. */
export function longestBlock(): number {
  watchLoop();
  const seen = kept.millPondLoop!;
  seen.look();
  const { longest } = seen;
  seen.longest = 0;
  return longest;
}
