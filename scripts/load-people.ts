import { randomUUID } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';

const headers = { 'content-type': 'application/json' };
const pause = (ms: number) => new Promise((done) => setTimeout(done, ms));
const sorted = (values: readonly number[]) => [...values].sort((a, b) => a - b);
export const quantile = (values: readonly number[], q: number) =>
  Math.round(sorted(values)[Math.min(values.length - 1, Math.floor(values.length * q))] ?? 0);

export async function call(url: string, body?: object): Promise<{ status: number; text: string }> {
  const answer = await fetch(url, body ? { method: 'POST', headers, body: JSON.stringify(body) } : {});
  return { status: answer.status, text: await answer.text() };
}

const read = (pid: string, file: string) => readFileSync(`/proc/${pid}/${file}`, 'utf8');

/**
 * Megabytes of memory, shared pages by their share (PSS): the server, and all of Chromium that it started. Chromium's own
 * processes write over what surrounds them, so they are known by the group of the one that started them.
 */
function memory(home: string): { server: number; chromium: number } {
  const found = { server: 0, chromium: 0 };
  const groups = new Set<string>();
  const seen: { pid: string; chromium: boolean; group: string }[] = [];
  for (const pid of readdirSync('/proc').filter((name) => /^\d+$/.test(name)))
    try {
      const command = read(pid, 'cmdline');
      const chromium = command.includes('chromium');
      if (!chromium && !command.includes('serve.mjs')) continue;
      const group = read(pid, 'stat').split(') ')[1]!.split(' ')[2]!;
      const ours = read(pid, 'environ').includes(`MILLPOND_HOME=${home}\0`);
      if (chromium && ours) groups.add(group);
      if (chromium || ours) seen.push({ pid, chromium, group });
    } catch {
      // Gone meanwhile.
    }
  for (const { pid, chromium, group } of seen)
    try {
      const pss = /^Pss:\s+(\d+)/m.exec(read(pid, 'smaps_rollup'));
      if (pss && (!chromium || groups.has(group))) found[chromium ? 'chromium' : 'server'] += Number(pss[1]) / 1024;
    } catch {
      // Gone meanwhile.
    }
  return { server: Math.round(found.server), chromium: Math.round(found.chromium) };
}

export interface PeopleReport {
  readonly edits: number;
  readonly lost: number;
  readonly failed: readonly string[];
  readonly p50: number;
  readonly p95: number;
  readonly blockedMs: number;
  readonly memory: { readonly server: number; readonly chromium: number };
  readonly audited: string;
}

/** So many people edit so many projects for a while, each listening to the others; every project is audited meanwhile. */
export async function people(address: string, count: number, projects: number, minutes: number): Promise<PeopleReport> {
  const ids: string[] = [];
  for (let i = 0; i < projects; i++)
    ids.push(
      (JSON.parse((await call(`${address}/api/projects`, { name: `Load ${i}`, from: 'demo' })).text) as { id: string }).id,
    );
  await call(`${address}/api/health?blocked`);
  const until = performance.now() + minutes * 60_000;
  const times: number[] = [];
  const failed: string[] = [];
  const answered = new Map<string, Set<string>>(ids.map((id) => [id, new Set()]));
  const stop = new AbortController();
  const most = { server: 0, chromium: 0 };
  const person = async (n: number) => {
    const id = ids[n % ids.length]!;
    const { revision } = JSON.parse((await call(`${address}/api/projects/${id}`)).text) as { revision: number };
    let known = revision;
    void fetch(`${address}/api/projects/${id}/events?since=${revision}`, { signal: stop.signal })
      .then(async (answer) => {
        const reader = answer.body!.getReader();
        while (!(await reader.read()).done);
      })
      .catch(() => undefined);
    for (let k = 0; performance.now() < until; k++) {
      await pause(500 + Math.random() * 2_000);
      const edit = { type: 'setStyle', owner: `efront${1 + (n % 5)}`, at: 'base', property: 'padding-top', value: `${k % 90}px` };
      const edits = [{ id: randomUUID(), kind: 'do', edit }];
      const begun = performance.now();
      const { status, text } = await call(`${address}/api/projects/${id}/edits`, { revision: known, edits });
      times.push(performance.now() - begun);
      if (status === 200) {
        known = (JSON.parse(text) as { revision: number }).revision;
        answered.get(id)!.add(edits[0]!.id);
      } else failed.push(`${status} ${text.slice(0, 120)}`);
    }
  };
  const audit = async (id: string) => {
    const { revision } = JSON.parse((await call(`${address}/api/projects/${id}`)).text) as { revision: number };
    const { status, text } = await call(`${address}/api/projects/${id}/audits`, { revision });
    // An edit came in between: once more.
    if (status === 409) await audit(id);
    else if (status !== 201) failed.push(`audit ${status} ${text.slice(0, 120)}`);
  };
  const watch = setInterval(() => {
    const now = memory(process.env.MILLPOND_HOME!);
    most.server = Math.max(most.server, now.server);
    most.chromium = Math.max(most.chromium, now.chromium);
  }, 5_000);
  await Promise.all([...Array.from({ length: count }, (_, n) => person(n)), ...ids.map(audit)]);
  clearInterval(watch);
  stop.abort();
  const { blockedMs } = JSON.parse((await call(`${address}/api/health?blocked`)).text) as { blockedMs: number };
  let lost = 0;
  let [done, pages] = [0, 0];
  for (const id of ids) {
    const { log } = JSON.parse((await call(`${address}/api/projects/${id}/everything`)).text) as { log: { editId: string }[] };
    const there = new Set(log.map(({ editId }) => editId));
    lost += [...answered.get(id)!].filter((one) => !there.has(one)).length + (log.length - there.size);
    const { runs } = JSON.parse((await call(`${address}/api/projects/${id}/audits`)).text) as {
      runs: { pages: { state: string }[] }[];
    };
    pages += runs[0]?.pages.length ?? 0;
    done += runs[0]?.pages.filter(({ state }) => state === 'done').length ?? 0;
  }
  const audited = `${done} of ${pages} pages`;
  return {
    edits: times.length,
    lost,
    failed,
    p50: quantile(times, 0.5),
    p95: quantile(times, 0.95),
    blockedMs,
    memory: most,
    audited,
  };
}
