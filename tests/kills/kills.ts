import { randomUUID } from 'node:crypto';
import { spawn } from 'node:child_process';
import type { ChildProcess } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { OpenedProject } from '@/ui/requests/requests';
import type { AuditRun } from '@/ui/audit/api';

const VICTIMS = ['application', 'database', 'chromium', 'worker'] as const;
type Victim = (typeof VICTIMS)[number];

interface Stack {
  readonly address: string;
  readonly databaseUrl: string;
  readonly pids: { readonly application: number; readonly database: number };
  readonly stop: () => Promise<void>;
}

export interface KillWish {
  readonly rounds: number;
  readonly seed: number;
  /** How many edit at the same time, each a project of their own. */
  readonly people: number;
  /** Waits for the newest audit of each project, which takes minutes; otherwise only for a sweep of each. */
  readonly audits?: boolean;
  readonly told?: (line: string) => void;
}

export interface KillReport {
  readonly killed: Record<Victim, number>;
  readonly answered: number;
  /** Edits that were answered and aren't in the log, or in it twice. */
  readonly lost: readonly string[];
  readonly doubled: readonly string[];
  /** Answers that shouldn't be, 500 above all. */
  readonly odd: readonly string[];
  /** Audits or sweeps that never came to an end. */
  readonly hung: readonly string[];
}

/** How long the audit of a whole demo project may take here, among others, ms. */
const AUDIT_MOST_MS = 600_000;
const headers = { 'content-type': 'application/json' };
const pause = (ms: number) => new Promise((done) => setTimeout(done, ms));

/** mulberry32: the same seed, the same kills. */
function chance(seed: number) {
  let state = seed >>> 0;
  return (below: number) => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) % below;
  };
}

/** Kills processes at random (SIGKILL) while people edit and audits run, and then looks whether all is as was answered. */
export async function kills({ rounds, seed, people, audits = false, told = () => {} }: KillWish): Promise<KillReport> {
  const { startStack } = (await import('../../scripts/setup/stack.mjs' as string)) as {
    startStack: (options: { fresh: boolean }) => Promise<Stack>;
  };
  const draw = chance(seed);
  const killed: Record<Victim, number> = { application: 0, database: 0, chromium: 0, worker: 0 };
  const odd: string[] = [];
  let stack = await startStack({ fresh: true });
  let worker = startWorker(stack.databaseUrl);
  let stop = false;
  const persons = await Promise.all(Array.from({ length: people }, (_, i) => newPerson(stack.address, i)));
  const address = () => stack.address;
  const editing = persons.map((person) => edit(person, address, () => stop, odd));
  try {
    for (let round = 0; round < rounds; round++) {
      // Something must have been answered since the last one, or there is nothing to lose.
      const answered = total(persons);
      for (let waited = 0; total(persons) < answered + people && waited < 60_000; waited += 50) await pause(50);
      await pause(draw(900));
      const victim = VICTIMS[round < VICTIMS.length ? round : draw(VICTIMS.length)]!;
      killed[victim]++;
      if (victim === 'application') {
        process.kill(stack.pids.application, 'SIGKILL');
        await stack.stop();
        stack = await startStack({ fresh: false });
        kill(worker);
        worker = startWorker(stack.databaseUrl);
      } else if (victim === 'database') {
        const { database } = stack.pids;
        process.kill(database, 'SIGKILL');
        while (stack.pids.database === database) await pause(50);
      } else if (victim === 'chromium') killChromium();
      else {
        kill(worker);
        worker = startWorker(stack.databaseUrl);
      }
      if (round % 10 === 9) told(`${round + 1} kills: ${JSON.stringify(killed)}`);
    }
    stop = true;
    await Promise.all(editing);
    const hung = audits ? await unendedAudits(persons, stack.address) : await unendedSweeps(persons, stack.address);
    const [lost, doubled] = await compare(persons, stack.address);
    return { killed, answered: total(persons), lost, doubled, odd, hung };
  } finally {
    stop = true;
    kill(worker);
    await stack.stop();
  }
}

interface Person {
  readonly project: string;
  readonly name: string;
  readonly answered: string[];
  revision: number;
}

const total = (persons: readonly Person[]) => persons.reduce((sum, { answered }) => sum + answered.length, 0);

async function newPerson(address: string, i: number): Promise<Person> {
  const body = JSON.stringify({ name: `Person ${i}`, from: 'demo' });
  const { id } = (await (await fetch(`${address}/api/projects`, { method: 'POST', headers, body })).json()) as { id: string };
  return { project: id, name: `Person ${i}`, answered: [], revision: 0 };
}

/** Sends one edit after the other, each until it is answered; now and then an audit is ordered and a page swept. */
async function edit(person: Person, address: () => string, over: () => boolean, odd: string[]): Promise<void> {
  let sweeping = false;
  for (let n = 0; !over(); n++) {
    const id = randomUUID();
    const change = { type: 'setStyle', owner: 'efront1', at: 'base', property: 'padding-top', value: `${n % 90}px` };
    const path = () => `${address()}/api/projects/${person.project}`;
    for (;;) {
      const answer = await call(`${path()}/edits`, { revision: person.revision, edits: [{ id, kind: 'do', edit: change }] });
      if (answer?.status === 200) {
        person.revision = (JSON.parse(answer.text) as { revision: number }).revision;
        person.answered.push(id);
        break;
      }
      if (answer && answer.status !== 503) odd.push(`edit: ${answer.status} ${answer.text}`);
      if (over()) return;
      await pause(100);
    }
    if (n % 20 === 5) await ask(`${path()}/audits`, { revision: person.revision }, odd);
    if (n % 7 === 3 && !sweeping) {
      sweeping = true;
      const widths = [{ first: 320, last: 420 }];
      const asked = ask(`${path()}/sweep`, { page: 'gfront', revision: person.revision, near: 320, widths }, odd);
      void asked.finally(() => (sweeping = false));
    }
    await pause(30);
  }
}

/** What may fail while something is down, but never as a fault of the program. */
async function ask(url: string, body: object, odd: string[]): Promise<void> {
  const answer = await call(url, body);
  if (answer && answer.status >= 500 && answer.status !== 503) odd.push(`${url}: ${answer.status} ${answer.text}`);
}

/** A whole answer, or nothing where the connection broke: an answer that is half read must not be left lying. */
async function call(url: string, body: object): Promise<{ readonly status: number; readonly text: string } | undefined> {
  try {
    const answer = await fetch(url, { method: 'POST', headers, body: JSON.stringify(body) });
    return { status: answer.status, text: await answer.text() };
  } catch {
    return undefined;
  }
}

async function unendedSweeps(persons: readonly Person[], address: string): Promise<string[]> {
  const hung: string[] = [];
  for (const { project, revision, name } of persons) {
    const body = JSON.stringify({ page: 'gjoin', revision, near: 320, widths: [{ first: 320, last: 330 }] });
    const url = `${address}/api/projects/${project}/sweep`;
    const text = await (await fetch(url, { method: 'POST', headers, body, signal: AbortSignal.timeout(60_000) })).text();
    if (!text.includes('"type":"done"')) hung.push(`${name}: ${text.slice(-300)}`);
  }
  return hung;
}

async function unendedAudits(persons: readonly Person[], address: string): Promise<string[]> {
  const url = ({ project }: Person) => `${address}/api/projects/${project}/audits`;
  const runs = async (person: Person) => ((await (await fetch(url(person))).json()) as { runs: AuditRun[] }).runs;
  // Only the newest is waited for; all others are ended first, which has to work as well, or they would stand before it.
  for (const person of persons)
    for (const { id } of (await runs(person)).slice(1)) await fetch(`${url(person)}/${id}`, { method: 'DELETE' });
  const ended = async (person: Person) =>
    (await runs(person)).every(({ pages }) => pages.every(({ state }) => state === 'done' || state === 'failed'));
  const until = Date.now() + persons.length * AUDIT_MOST_MS;
  const hung: string[] = [];
  for (const person of persons) {
    while (!(await ended(person)) && Date.now() < until) await pause(500);
    if (!(await ended(person))) hung.push(person.name);
  }
  return hung;
}

/** Every answered edit is in the log once, and the log leads to the document that is shown. */
async function compare(persons: readonly Person[], address: string): Promise<[string[], string[]]> {
  const lost: string[] = [];
  const doubled: string[] = [];
  for (const { project, answered, revision, name } of persons) {
    const everything = (await (await fetch(`${address}/api/projects/${project}/everything`)).json()) as {
      log: { editId: string; revision: number }[];
    };
    const times = new Map<string, number>();
    for (const { editId } of everything.log) times.set(editId, (times.get(editId) ?? 0) + 1);
    lost.push(...answered.filter((id) => !times.has(id)).map((id) => `${name} ${id}`));
    doubled.push(...[...times].filter(([, count]) => count > 1).map(([id]) => `${name} ${id}`));
    const gap = everything.log.findIndex((entry, i) => entry.revision !== i + 1);
    if (gap >= 0) lost.push(`${name}: revision ${gap + 1} is missing`);
    const opened = (await (await fetch(`${address}/api/projects/${project}`)).json()) as OpenedProject;
    if (opened.revision !== everything.log.length || opened.revision < revision || opened.damage)
      lost.push(
        `${name}: revision ${opened.revision} is shown, ${everything.log.length} are in the log, ${revision} was answered`,
      );
  }
  return [lost, doubled];
}

function startWorker(url: string): ChildProcess {
  return spawn(process.execPath, [join(process.cwd(), 'scripts/worker.mjs')], {
    env: { ...process.env, DATABASE_URL: url },
    // A group of its own, so that it can be killed with all its children at once.
    detached: true,
    stdio: 'ignore',
  });
}

function kill(worker: ChildProcess): void {
  try {
    process.kill(-worker.pid!, 'SIGKILL');
  } catch {
    // Gone already.
  }
}

/** Kills each browser that the server or a worker of this home has started, and nobody else's. */
function killChromium(): void {
  const home = `MILLPOND_HOME=${process.env.MILLPOND_HOME}\0`;
  for (const pid of readdirSync('/proc').filter((name) => /^\d+$/.test(name)))
    try {
      const command = readFileSync(`/proc/${pid}/cmdline`, 'utf8');
      if (!command.includes('chromium') || command.includes('--type=')) continue;
      if (readFileSync(`/proc/${pid}/environ`, 'utf8').includes(home)) process.kill(Number(pid), 'SIGKILL');
    } catch {
      // Gone already.
    }
}
