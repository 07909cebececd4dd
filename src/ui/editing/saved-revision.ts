import { useSession } from '../state/store';

const SAVE_MOST_MS = 10_000;

/** The revision that the server has, once all edits are there. */
export async function savedRevision(): Promise<number> {
  for (const until = Date.now() + SAVE_MOST_MS; useSession.getState().pending.length > 0;) {
    if (Date.now() > until) throw new Error('What was changed last isn’t saved yet; try again in a moment.');
    await new Promise((done) => setTimeout(done, 100));
  }
  return useSession.getState().revision;
}
