import { demoProject } from '@/demo';
import type { WidthResult } from '@/core/audit';
import { packed, VIEWS } from '@/core/audit';
import type { PendingEntry } from '@/core/edits';
import { applyEdit } from '@/core/edits';
import { Refused, streamSweep } from '../requests/requests';
import type { SweepLine } from '../requests/requests';
import { useSession } from '../state/store';
import { allWidthsChanged, continueSweep, forgetSweeps, invalidateSweeps, lookFurther, stopSweep } from './sweep';

jest.mock('../requests/requests', () => ({ ...jest.requireActual<object>('../requests/requests'), streamSweep: jest.fn() }));
const stream = streamSweep as unknown as jest.Mock;

const demo = demoProject('00000000-0000-4000-8000-000000000000');
const small = (width: number): WidthResult => ({
  width,
  violations:
    width < 600
      ? [{ check: 'small-text', violation: { element: 'ecatalogue1', amount: 1, measured: { size: 11 }, others: [] } }]
      : [],
});
const state = () => useSession.getState();
const sweep = () => state().sweeps.gcatalogue;
const pause = () => new Promise((done) => setTimeout(done, 0));

/** The widths asked for, answered in two parts; `gate` holds the second one back. */
function answer(gate: Promise<unknown> = Promise.resolve()) {
  stream.mockImplementationOnce(async function* (
    _: string,
    body: { widths: { first: number; last: number }[] },
    signal: AbortSignal,
  ): AsyncGenerator<SweepLine> {
    const widths = body.widths.flatMap(({ first, last }) => Array.from({ length: last - first + 1 }, (__, i) => first + i));
    const half = Math.ceil(widths.length / 2);
    yield { type: 'results', view: 'widths', height: 800, results: packed(widths.slice(0, half).map(small)), layouts: 1 };
    await gate;
    if (signal.aborted) return;
    yield { type: 'results', view: 'widths', height: 800, results: packed(widths.slice(half).map(small)), layouts: 1 };
    yield { type: 'done' };
  });
}

beforeEach(() => {
  stream.mockReset();
  forgetSweeps();
  useSession.setState({
    projectId: 'p',
    project: demo,
    pageId: 'gcatalogue',
    revision: 3,
    pending: [],
    findings: {},
    sweeps: {},
  });
});

test('a page is measured once; its findings have exact widths', async () => {
  answer();
  continueSweep();
  await pause();
  await pause();
  expect(stream.mock.calls[0]![1]).toEqual({
    page: 'gcatalogue',
    revision: 3,
    view: 'widths',
    heights: [800],
    widths: [{ first: 320, last: 1920 }],
    near: state().width,
    height: 800,
    pointer: 'mouse',
  });
  expect(sweep()).toMatchObject({ decided: 1601, total: 1601, running: false, stopped: false });
  expect(state().findings.gcatalogue!.map((finding) => finding.widths)).toEqual([[{ from: 320, below: 600 }]]);
  continueSweep();
  expect(stream).toHaveBeenCalledTimes(1);
});

test('after an edit only its widths are asked for, and only when it is saved', async () => {
  answer();
  continueSweep();
  await pause();
  await pause();
  invalidateSweeps({
    gcatalogue: {
      elements: [],
      properties: [],
      html: false,
      widths: [
        { from: 0, below: 600 },
        { from: 900.5, below: 902 },
      ],
    },
  });
  expect(sweep()!.decided).toBe(1601 - 280 - 1);
  expect(state().findings.gcatalogue).toHaveLength(1);
  useSession.setState({ pending: [{ id: 'x' } as PendingEntry] });
  continueSweep();
  expect(stream).toHaveBeenCalledTimes(1);
  useSession.setState({ pending: [] });
  answer();
  continueSweep();
  await pause();
  await pause();
  expect(stream.mock.calls[1]![1].widths).toEqual([
    { first: 320, last: 599 },
    { first: 901, last: 901 },
  ]);
  expect(sweep()!.decided).toBe(1601);
});

test('stopped, it stays stopped until it is asked to go on; then the rest is measured', async () => {
  let open!: () => void;
  answer(new Promise<void>((done) => (open = done)));
  continueSweep();
  await pause();
  expect(sweep()!.decided).toBe(801);
  stopSweep();
  open();
  await pause();
  expect(sweep()).toMatchObject({ decided: 801, running: false, stopped: true });
  continueSweep();
  expect(stream).toHaveBeenCalledTimes(1);
  answer();
  continueSweep(true);
  await pause();
  await pause();
  expect(stream.mock.calls[1]![1].widths).toEqual([{ first: 1121, last: 1920 }]);
  expect(sweep()).toMatchObject({ decided: 1601, stopped: false });
});

test('an edit of others means: everything again', async () => {
  answer();
  continueSweep();
  await pause();
  await pause();
  allWidthsChanged();
  expect(sweep()!.decided).toBe(0);
});

test('what fails is said; being behind an edit is no failure', async () => {
  stream.mockImplementationOnce(async function* (): AsyncGenerator<SweepLine> {
    throw new Refused(409, 'The project has changed since.');
  });
  continueSweep();
  await pause();
  expect(sweep()!.error).toBeUndefined();
  stream.mockImplementationOnce(async function* (): AsyncGenerator<SweepLine> {
    yield { type: 'failed', message: 'There is no Chromium.' };
  });
  continueSweep();
  await pause();
  expect(sweep()).toMatchObject({ running: false, error: 'There is no Chromium.' });
});

test('an audit asks for what the plan lacks, and goes on after other devices; with nothing left it asks nothing', async () => {
  const asked: { view: string; heights: number[]; widths: { first: number; last: number }[] }[] = [];
  stream.mockImplementation(async function* (_: string, body: (typeof asked)[number]): AsyncGenerator<SweepLine> {
    asked.push(body);
    const widths = body.widths.flatMap(({ first, last }) => Array.from({ length: last - first + 1 }, (__, i) => first + i));
    for (const height of body.heights)
      yield {
        type: 'results',
        view: body.view as never,
        height,
        results: packed(widths.map((width) => ({ width, height, violations: [] }))),
        layouts: 1,
      };
  });
  lookFurther(true);
  for (let i = 0; i < 300 && !sweep()?.complete; i++) await pause();
  // Nothing is said of states here.
  expect([...new Set(asked.map(({ view }) => view))].sort()).toEqual([...VIEWS.slice(0, 6), 'opened', 'samples'].sort());
  expect(sweep()).toMatchObject({ complete: true, running: false, error: undefined });
  const before = asked.length;
  continueSweep();
  await pause();
  expect([asked.length, sweep()!.error]).toEqual([before, undefined]);
  const devices = demo.devices.map((one) => (one.id === 'dphone' ? { ...one, height: 891 } : one));
  useSession.setState({ project: { ...demo, devices } });
  expect(sweep()!.complete).toBe(false);
  continueSweep();
  for (let i = 0; i < 300 && !sweep()!.complete; i++) await pause();
  expect(new Set(asked.slice(before).map(({ view }) => view))).toEqual(new Set(['heights', 'turned']));
  lookFurther(false);
});

test('a server that answers less than it was asked for is told on, not asked for ever', async () => {
  stream.mockImplementation(async function* (): AsyncGenerator<SweepLine> {
    yield { type: 'done' };
  });
  continueSweep();
  for (let i = 0; i < 5; i++) await pause();
  expect(sweep()!.error).toMatch(/less than it was asked/);
  expect(stream).toHaveBeenCalledTimes(1);
});

test('an edit of a part: each page that it reached is measured again in turn, and what it did there can be told', async () => {
  const paged = () => stream.mock.calls.map(([, body]) => (body as { page: string }).page);
  answer();
  continueSweep();
  for (let i = 0; i < 6; i++) await pause();
  expect(new Set(paged())).toEqual(new Set(['gcatalogue']));
  const { footprint } = applyEdit(demo, { type: 'setStyle', owner: 'ecard5', at: 'bnarrow', property: 'color', value: 'red' });
  expect(Object.keys(footprint).sort()).toEqual(['gcatalogue', 'gfront', 'mcard', 'mincatalogue']);
  invalidateSweeps(footprint);
  for (let i = 0; i < 3; i++) answer();
  continueSweep();
  for (let i = 0; i < 20; i++) await pause();
  // The page on screen first; the part by itself isn't looked at.
  expect(paged()).toEqual(['gcatalogue', 'gcatalogue', 'gfront']);
  expect([sweep()!.before, state().sweeps.gfront!.before, state().sweeps.gfront!.reached]).toEqual([1, undefined, true]);
  expect(state().sweeps.gfront!.decided).toBe(state().sweeps.gfront!.total);
});
