import type { Asked, Told } from './beside';

// Makes requests beside the page.

addEventListener('message', ({ data }: MessageEvent<Asked>) => void answer(data));

async function answer({ id, address, init }: Asked): Promise<void> {
  let told: Told;
  try {
    const response = await fetch(address, init);
    told = { id, status: response.status, answer: await response.json().catch(() => undefined) };
  } catch (error) {
    told = { id, failed: error instanceof Error ? error.message : String(error) };
  }
  postMessage(told);
}
