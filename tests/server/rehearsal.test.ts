import type { Edit } from '@/core/edits';
import * as scripts from '@/core/behaviour/alternates-script';
import { rehearsalInWords } from '@/core/behaviour';
import { closeBrowser } from '@/server/browser/warm-browser';
import { rehearse } from '@/server/rehearsal/rehearse';
import { GET as handOver } from '@/app/api/projects/[id]/export/route';
import { closeDatabase, freshly, HERE, make, newDemo, newEmpty } from './projects';

jest.mock('@/server/logging/log', () => ({ log: { error: jest.fn(), warn: jest.fn(), info: jest.fn() } }));
jest.mock('@/core/behaviour/alternates-script', () => ({
  ...jest.requireActual<typeof scripts>('@/core/behaviour/alternates-script'),
  __esModule: true,
}));

const real = scripts.ALTERNATES_SCRIPT;
const put = (script: string) => ((scripts as { ALTERNATES_SCRIPT: string }).ALTERNATES_SCRIPT = script);

afterEach(() => put(real));
afterAll(() => Promise.all([closeBrowser(), closeDatabase()]));

const BARE = { shared: [], styles: {} };
const field = (id: string, tag: string, attributes: Record<string, string>) => ({
  ...BARE,
  ...{ id, tag, name: id, attributes, children: tag === 'select' ? [`${id}a`, `${id}b`] : [] },
});

/** A form with three fields; in it stand alternates of their own. */
function form(id: string, at: readonly string[]): Edit[] {
  const inner = ['p', 'q'].map((letter) => `${id}${letter}`);
  const alternate = (set: string, places: readonly string[]) => ({ set, at: places, later: true as const });
  return [
    {
      ...{ type: 'insertElement', page: 'gfirst', parent: 'efirstmain', index: 0 },
      elements: [
        { ...BARE, id, tag: 'form', name: id, attributes: {}, children: [`${id}m`, `${id}k`, `${id}s`, ...inner] },
        field(`${id}m`, 'input', { name: 'email', type: 'text' }),
        field(`${id}k`, 'input', { name: 'news', type: 'checkbox', value: 'yes' }),
        field(`${id}s`, 'select', { name: 'day' }),
        ...['a', 'b'].map((one) => ({
          ...{ ...BARE, id: `${id}s${one}`, tag: 'option', name: one, attributes: {}, children: [{ text: one }] },
        })),
        ...inner.map((one) => ({ ...BARE, id: one, tag: 'p', name: one, attributes: {}, children: [{ text: one }] })),
      ],
    },
    { type: 'setAlternate', node: id, alternate: alternate('hforms', at) },
    { type: 'setAlternate', node: inner[0]!, alternate: alternate(`h${id}`, ['base']) },
    { type: 'setAlternate', node: inner[1]!, alternate: alternate(`h${id}`, ['blow']) },
  ];
}

async function twoForms(): Promise<string> {
  const id = await newEmpty();
  const breakpoint = (name: string, condition: object): Edit =>
    ({ type: 'addBreakpoint', breakpoint: { id: `b${name}`, name, condition } }) as Edit;
  await make(
    id,
    ...[breakpoint('narrow', { below: 700 }), breakpoint('tiny', { below: 400 }), breakpoint('low', { heightBelow: 500 })],
    ...[...form('ewide', ['base']), ...form('esmall', ['bnarrow'])],
  );
  return id;
}

test('what is built later is tried as it is handed over: built once each, kept what was typed, also one in another', async () => {
  const { project } = await freshly(await twoForms());
  const [rehearsal, ...more] = await rehearse(project);
  expect(more).toEqual([]);
  expect(rehearsal).toMatchObject({ faults: [], built: 6 });
  // Up, down, and both at two heights: each crossing takes three fields along.
  expect(rehearsal!.kept).toBeGreaterThanOrEqual(9);
  expect(rehearsalInWords(rehearsal!)).toMatch(
    /^“.*” as it is handed over, at \d+ sizes up and down: 6 alternates built, each once/,
  );
});

test.each<[string, string, string, RegExp]>([
  [
    'builds again',
    'for (const { node } of leaving) node.remove();',
    'for (const { node } of leaving) for (const one of document.querySelectorAll("template")) if (built.get(one) === node) { built.delete(one); node.remove(); }',
    /alternates had been built; \d+ had been shown/,
  ],
  ['loses what was typed', 'field.value = other.value', 'field.value', /the field input email of .* lost what had been typed/],
  ['leaves both there', 'node.remove()', 'node', /ewide and esmall shows in place of|esmall and ewide shows in place of/],
])('a script that %s is found out, and nothing is handed over', async (_, from, to, fault) => {
  expect(real).toContain(from);
  put(real.replaceAll(from, to));
  const id = await twoForms();
  const { project } = await freshly(id);
  const [rehearsal] = await rehearse(project);
  expect(rehearsal!.faults.join('\n')).toMatch(fault);
  expect(rehearsalInWords(rehearsal!)).toMatch(/isn’t as it must be: At \d+ by \d+ px/);
  const answer = await handOver(new Request('http://127.0.0.1:1/', { headers: HERE }), { params: Promise.resolve({ id }) });
  expect([answer.status, await answer.text()]).toEqual([
    422,
    expect.stringMatching(/isn’t as it must be: .*Nothing has been handed over/),
  ]);
});

test('alternates of one set in two that are never there together are told apart', async () => {
  const id = await twoForms();
  const alternate = (at: string) => ({ set: 'hacross', at: [at], later: true as const });
  await make(
    id,
    { type: 'setAlternate', node: 'ewidep', alternate: alternate('base') },
    { type: 'setAlternate', node: 'esmallq', alternate: alternate('bnarrow') },
  );
  const [rehearsal] = await rehearse((await freshly(id)).project);
  expect(rehearsal!.faults).toEqual([]);
});

test('where nothing is built later there is nothing to try', async () => {
  expect(await rehearse((await freshly(await newDemo())).project)).toEqual([]);
});
