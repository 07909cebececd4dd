import type { WidthResult } from './ledger';
import { newProject, PLAIN_PROFILE } from '../../document';
import { DEFAULT_SLICE } from '../../breakpoints';
import { Ledger } from './ledger';
import { planOf } from './plan';
import { widthsOf } from './range';

const at = (width: number, amounts: Record<string, number>): WidthResult => ({
  width,
  violations: Object.entries(amounts).map(([key, amount]) => {
    const [check, element] = key.split(' ') as [string, string];
    return { check, violation: { element, amount, measured: {}, others: [] } };
  }),
});

test('point results become exact intervals with their worst width', () => {
  const ledger = new Ledger();
  ledger.record([at(321, { 'small-text ea': 2 }), at(320, { 'small-text ea': 1 }), at(322, {}), at(323, { 'small-text ea': 1 })]);
  const [finding] = ledger.findings();
  expect(finding).toMatchObject({ check: 'small-text', severity: 'note', element: 'ea', worst: { width: 321 } });
  expect(finding!.widths).toEqual([
    { from: 320, below: 322 },
    { from: 323, below: 324 },
  ]);
});

test('findings are sorted by severity', () => {
  const ledger = new Ledger();
  ledger.record([at(320, { 'small-text ea': 1, 'wrapped-label eb': 2, 'sideways-scroll ec': 3 })]);
  expect(ledger.findings().map((finding) => finding.severity)).toEqual(['broken', 'poor', 'note']);
});

const project = newProject('00000000-0000-4000-8000-000000000000', 'Looked at');
const swept = widthsOf(project.audit.range);
const whole = planOf(project, DEFAULT_SLICE);
const usual = whole.slice(0, 1);

test('after an edit only its widths are missing; what was found there is told until they are measured again', () => {
  const ledger = new Ledger();
  expect(ledger.missing(usual)).toEqual(usual);
  ledger.record(
    swept.map((width) => at(width, width < 600 ? { 'small-text ea': 1 } : {})),
    'widths',
    800,
  );
  ledger.invalidate([{ from: 0, below: 600 }]);
  expect(ledger.missing(usual)).toEqual([{ ...usual[0], widths: swept.filter((width) => width < 600) }]);
  expect(ledger.decided(usual)).toBe(1601 - 280);
  expect(ledger.findings()).toHaveLength(1);
  ledger.record(
    ledger.missing(usual)[0]!.widths.map((width) => at(width, {})),
    'widths',
    800,
  );
  expect([ledger.findings(), ledger.missing(usual)]).toEqual([[], []]);
});

test('a look at several heights that was broken off goes on where it was', () => {
  const ledger = new Ledger();
  const looking = whole.find(({ view }) => view === 'heights')!;
  const [first, second, ...others] = looking.heights;
  const results = (height: number, widths: readonly number[]) => widths.map((width) => ({ ...at(width, {}), height }));
  ledger.record([...results(first!, swept), ...results(second!, swept.slice(0, 100))], 'heights');
  expect(ledger.missing([looking])).toEqual([
    { ...looking, heights: [second], widths: swept.slice(100) },
    { ...looking, heights: others, widths: swept },
  ]);
});

test('other devices are another plan: their heights are missing, and those that went say nothing more', () => {
  const heightsIn = (plan: typeof whole) => plan.find(({ view }) => view === 'heights')!.heights;
  const devices = project.devices.map((device) => (device.id === 'dphone' ? { ...device, height: 891 } : device));
  const other = planOf({ ...project, devices }, DEFAULT_SLICE);
  const gone = heightsIn(whole).filter((height) => !heightsIn(other).includes(height));
  const come = heightsIn(other).filter((height) => !heightsIn(whole).includes(height));
  expect([gone.length, come.length]).not.toContain(0);
  const ledger = new Ledger();
  for (const { view, heights, widths } of whole)
    for (const height of heights) {
      const wrong = view === 'heights' && height === gone[0];
      ledger.record(
        widths.map((width) => at(width, wrong ? { 'tall-bars ea': 1 } : {})),
        view,
        height,
      );
    }
  expect(ledger.missing(whole)).toEqual([]);
  expect(ledger.findings(undefined, whole)).toMatchObject([{ check: 'tall-bars', heights: [gone[0]] }]);
  const missing = ledger.missing(other);
  expect(missing.find(({ view }) => view === 'heights')).toMatchObject({ heights: come, widths: swept });
  expect(missing.every(({ view }) => view === 'heights' || view === 'turned')).toBe(true);
  expect(ledger.findings(undefined, other)).toEqual([]);
});

test('type that is larger below an edge than above it is found there, as the project lets it', () => {
  const ledger = new Ledger();
  const sized = (width: number, size: number): WidthResult => ({ width, violations: [], sizes: { ea: size } });
  ledger.record([sized(599, 17), sized(600, 16), sized(899, 16), sized(900, 17)]);
  expect(ledger.findings()).toMatchObject([{ check: 'growing-type', element: 'ea', widths: [{ from: 599, below: 600 }] }]);
  expect(ledger.findings({ ...PLAIN_PROFILE, checks: { 'growing-type': { limits: { most: 1 } } } })).toEqual([]);
  expect(ledger.findings({ ...PLAIN_PROFILE, checks: { 'growing-type': { off: true } } })).toEqual([]);
});

test('another view adds what the usual one did not find, with its heights', () => {
  const ledger = new Ledger();
  ledger.record([at(320, { 'clipped-content ea': 1 })]);
  ledger.record([at(320, { 'large-text ea': 9, 'large-text eb': 2 })], 'large-text');
  ledger.record(
    [
      { ...at(400, { 'first-below ec': 5 }), height: 667 },
      { ...at(401, { 'first-below ec': 9 }), height: 600 },
    ],
    'heights',
  );
  const found = ledger.findings();
  expect(found.map(({ key }) => key)).toEqual(['clipped-content ea', 'first-below ec', 'large-text eb']);
  expect(found[1]).toMatchObject({ heights: [600, 667], worst: { width: 401, height: 600 } });
});

test('a finding that is accepted stays in the list with its reason', () => {
  const ledger = new Ledger();
  ledger.record([at(320, { 'small-text ea': 1 })]);
  const accepted = [{ check: 'small-text', element: 'ea', reason: 'It is a caption.' }];
  expect(ledger.findings({ ...PLAIN_PROFILE, accepted })[0]!.accepted).toBe('It is a caption.');
});
