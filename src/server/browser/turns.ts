type Urgency = 'now' | 'later';

// Two cores: one piece of measuring at a time leaves the other to the application.
const waiting: Record<Urgency, (() => void)[]> = { now: [], later: [] };
let busy = false;

function next(): void {
  const one = waiting.now.shift() ?? waiting.later.shift();
  if (one) one();
  else busy = false;
}

/**
 * Waits until it's one's turn to use Chromium. Whoever somebody waits for comes before what is done in the background.
 * Call what it resolves to when done.
 */
export async function takeTurn(urgency: Urgency = 'now'): Promise<() => void> {
  if (busy) await new Promise<void>((resolve) => waiting[urgency].push(resolve));
  busy = true;
  let given = false;
  return () => {
    if (given) return;
    given = true;
    next();
  };
}
