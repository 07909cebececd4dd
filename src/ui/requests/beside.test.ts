import type { Asked, Told } from './beside';
import { askBeside } from './beside';
import { NoAnswer, Refused, saveEdits } from './requests';

/** A worker that is told what to answer. */
class FakeWorker {
  static made: FakeWorker[] = [];
  readonly asked: Asked[] = [];
  onmessage?: (event: { data: Told }) => void;
  onerror?: () => void;

  constructor() {
    FakeWorker.made.push(this);
  }

  terminate(): void {}

  postMessage(asked: Asked): void {
    this.asked.push(asked);
  }

  tell(data: Told): void {
    this.onmessage!({ data });
  }
}

const fetched = jest.fn((address: string) => Promise.resolve(new Response(JSON.stringify({ from: address }), { status: 201 })));
const globals = { Worker: FakeWorker, location: { href: 'http://127.0.0.1:1/projects/p' }, fetch: fetched };
const before = Object.fromEntries(Object.keys(globals).map((name) => [name, Object.getOwnPropertyDescriptor(globalThis, name)]));

beforeAll(() =>
  Object.entries(globals).forEach(([name, value]) => Object.defineProperty(globalThis, name, { value, configurable: true })),
);
afterAll(() => {
  for (const [name, own] of Object.entries(before))
    if (own) Object.defineProperty(globalThis, name, own);
    else Reflect.deleteProperty(globalThis, name);
});

const latest = () => FakeWorker.made[0]!.asked.at(-1)!;

test('answers come to whoever asked, in any order', async () => {
  const [one, two] = [askBeside('/api/a', { method: 'POST' }), askBeside('/api/b', {})];
  const [worker] = FakeWorker.made as [FakeWorker];
  expect(worker.asked.map(({ address, init }) => [address, init.method])).toEqual([
    ['http://127.0.0.1:1/api/a', 'POST'],
    ['http://127.0.0.1:1/api/b', undefined],
  ]);
  worker.tell({ id: worker.asked[1]!.id, status: 200, answer: 'b' });
  worker.tell({ id: worker.asked[0]!.id, status: 404, answer: 'a' });
  expect(await one).toMatchObject({ status: 404, answer: 'a' });
  expect(await two).toMatchObject({ status: 200, answer: 'b' });
  expect(FakeWorker.made).toHaveLength(1);
});

test('edits are sent by it: what is refused, and a network that fails, are told apart as ever', async () => {
  const save = () => saveEdits('p', 3, [{ id: 'x', kind: 'do', edit: { type: 'setLocked', node: 'ea', locked: true } }]);
  const fine = save();
  expect(JSON.parse(latest().init.body as string)).toMatchObject({ revision: 3, edits: [{ id: 'x', kind: 'do' }] });
  FakeWorker.made[0]!.tell({ id: latest().id, status: 200, answer: { known: [], refused: [], entries: [] } });
  expect(await fine).toEqual({ known: [], refused: [], entries: [] });
  const refused = save();
  FakeWorker.made[0]!.tell({ id: latest().id, status: 409, answer: { error: 'It went back.' } });
  await expect(refused).rejects.toThrow(new Refused(409, 'It went back.'));
  const lost = save();
  FakeWorker.made[0]!.tell({ id: latest().id, failed: 'Failed to fetch' });
  await expect(lost).rejects.toThrow(NoAnswer);
  expect(fetched).not.toHaveBeenCalled();
});

test('where it can’t be loaded the page asks itself, for what was asked before too', async () => {
  const asked = askBeside('/api/c', {});
  FakeWorker.made[0]!.onerror!();
  // One that comes late is nobody's.
  FakeWorker.made[0]!.tell({ id: latest().id, status: 500, answer: 'late' });
  expect(await asked).toEqual({ status: 201, answer: { from: 'http://127.0.0.1:1/api/c' } });
  expect(await askBeside('/api/d', {})).toEqual({ status: 201, answer: { from: '/api/d' } });
  expect(FakeWorker.made[0]!.asked.filter(({ address }) => address.endsWith('/api/d'))).toEqual([]);
});
