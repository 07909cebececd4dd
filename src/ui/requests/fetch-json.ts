/** What is told of an answer: its status and what it holds, undefined where that is no JSON. */
export interface Answer {
  readonly status: number;
  readonly answer: unknown;
}

/** @throws TypeError where the network fails */
export async function fetchJson(address: string, init: RequestInit): Promise<Answer> {
  const response = await fetch(address, init);
  return { status: response.status, answer: await response.json().catch(() => undefined) };
}
