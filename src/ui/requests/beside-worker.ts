import type { Asked, Told } from './beside';
import { fetchJson } from './fetch-json';

// Makes requests beside the page.

addEventListener('message', ({ data }: MessageEvent<Asked>) => void answer(data));

async function answer({ id, address, init }: Asked): Promise<void> {
  let told: Told;
  try {
    told = { id, ...(await fetchJson(address, init)) };
  } catch (error) {
    told = { id, failed: error instanceof Error ? error.message : String(error) };
  }
  postMessage(told);
}
