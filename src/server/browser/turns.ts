// Two cores: one piece of measuring at a time leaves the other to the application.
let queue: Promise<unknown> = Promise.resolve();

/** Waits until it's one's turn to use Chromium. Call what it resolves to when done. */
export async function takeTurn(): Promise<() => void> {
  let done!: () => void;
  const turn = queue;
  queue = new Promise<void>((resolve) => (done = resolve));
  await turn;
  return done;
}
