import { checkSet, DEFAULT_SLICE, READY_SETS } from '../breakpoints';
import { laneFor } from '../cascade';
import type { Project } from '../document';
import { applyEdit } from '../edits';
import {
  breakpoint,
  HEADING,
  insert,
  MAIN,
  make,
  makeFrom,
  MIDDLE,
  NARROW,
  set,
  shared,
  sheet,
  TEXT,
} from '../edits/project-for-tests';
import type { Plan } from './index';
import {
  listOverrides,
  planCarry,
  planClear,
  planClearStronger,
  planCopy,
  planCreateShared,
  planDeleteShared,
  planDetach,
  planDuplicateBreakpoint,
  planEverywhere,
  planGive,
  planMakeBase,
  planMend,
  planReadySet,
  planRemoveBreakpoint,
  receiversOf,
} from './index';

const SIZES = [set(TEXT, 'base', 'width', '300px'), set(TEXT, 'bm', 'width', '200px'), set(TEXT, 'bn', 'width', '100px')];
const three = make(MIDDLE, NARROW, ...SIZES);
/** A value at a wide, a middle and a narrow width. */
const across = (project: Project, id = TEXT, property = 'width') =>
  [1000, 700, 500].map((width) => {
    const lane = laneFor(project, project.pages[0]!, id, property);
    return lane.stretches.find(({ from, below }) => from <= width && width < below)!.value;
  });
const after = (project: Project, plan: Plan) => applyEdit(project, plan.edit).document;
const ids = (prefix = 'new') => {
  let n = 0;
  return () => `b${prefix}${n++}`;
};
const at = (place: string, properties?: string[]) => ({ ids: [TEXT], at: place, properties });

test.each<[string, Plan, string[], RegExp]>([
  ['clear', planClear(three, DEFAULT_SLICE, at('bm')), ['300px', '300px', '100px'], /^Clears the one value/],
  [
    'clear one',
    planClear(three, DEFAULT_SLICE, at('bn', ['width'])),
    ['300px', '200px', '200px'],
    /^Clears width of First text at 599/,
  ],
  [
    'copy',
    planCopy(three, DEFAULT_SLICE, at('bn'), 'base'),
    ['100px', '200px', '100px'],
    /from 599 and narrower to the base, in place of one value/,
  ],
  ['make base', planMakeBase(three, DEFAULT_SLICE, at('bm')), ['200px', '200px', '100px'], /^Makes width .* the base/],
  ['everywhere', planEverywhere(three, DEFAULT_SLICE, at('bm')), ['200px', '200px', '200px'], /for every band/],
  [
    'clear stronger',
    planClearStronger(three, DEFAULT_SLICE, [TEXT], 'bm', ['width']),
    ['300px', '200px', '200px'],
    /so that 899 and narrower holds there too/,
  ],
])('%s does what its sentence says, and is undone', (_, plan, expected, sentence) => {
  const { document, inverse } = applyEdit(three, plan.edit);
  expect(across(document)).toEqual(expected);
  expect(plan.sentence).toMatch(sentence);
  expect(applyEdit(document, inverse).document).toEqual(three);
});

test.each<[string, () => unknown, RegExp]>([
  ['clearing nothing', () => planClear(three, DEFAULT_SLICE, { ids: [HEADING], at: 'bm' }), /no own value/],
  ['clearing another property', () => planClear(three, DEFAULT_SLICE, at('bm', ['color'])), /no own value/],
  [
    'copying what is there',
    () =>
      planCopy(
        make(MIDDLE, NARROW, set(TEXT, 'bm', 'width', '1px'), set(TEXT, 'bn', 'width', '1px')),
        DEFAULT_SLICE,
        at('bm'),
        'bn',
      ),
    /isn't at 599 and narrower already/,
  ],
  ['making the base the base', () => planMakeBase(three, DEFAULT_SLICE, at('base')), /already/],
  [
    'what holds everywhere',
    () => planEverywhere(make(set(TEXT, 'base', 'width', '1px')), DEFAULT_SLICE, at('base')),
    /every band already/,
  ],
  ['clearing above the strongest', () => planClearStronger(three, DEFAULT_SLICE, [TEXT], 'bn', ['width']), /Nothing stronger/],
  ['giving nothing', () => planGive(three, DEFAULT_SLICE, HEADING, 'bm', { to: 'siblings' }), /no own value/],
  ['giving to nobody', () => planGive(three, DEFAULT_SLICE, TEXT, 'bm', { to: 'kind', everywhere: true }), /no others/],
  [
    'a second style of the name',
    () => planCreateShared(make(shared(), set(TEXT, 'base', 'width', '1px')), TEXT, 'Quiet', 'sy'),
    /already/,
  ],
  ['a style of nothing', () => planCreateShared(three, HEADING, 'New', 'sy'), /no own values/],
  ['carrying twice', () => planCarry(make(shared(TEXT)), DEFAULT_SLICE, [TEXT], 'sx'), /carried already/],
  ['detaching what is not there', () => planDetach(make(shared()), DEFAULT_SLICE, [TEXT], 'sx', true), /isn't carried/],
])('%s is refused in words', (_, plan, words) => {
  expect(plan).toThrow(words);
});

test('receivers: siblings, the kind on the page, those with the style; one may still differ afterwards', () => {
  const project = makeFrom(three, insert('e1', 'p'), insert('e2', 'div'), shared('e2'));
  expect(receiversOf(project, TEXT, { to: 'siblings' })).toEqual(
    [HEADING, 'e1', 'e2'].sort((a, b) => order(project, a) - order(project, b)),
  );
  expect(receiversOf(project, TEXT, { to: 'kind', everywhere: false })).toEqual(['e1']);
  expect(receiversOf(project, TEXT, { to: 'shared', sharedId: 'sx', everywhere: true })).toEqual(['e2']);
  const given = after(project, planGive(project, DEFAULT_SLICE, TEXT, 'bm', { to: 'siblings' }));
  expect(across(given, 'e1')).toEqual(['auto', '200px', '200px']);
  const differing = makeFrom(given, set('e1', 'bm', 'width', '5px'));
  expect([across(differing, 'e1')[1], across(differing, 'e2')[1]]).toEqual(['5px', '200px']);
  expect(() => planGive(given, DEFAULT_SLICE, TEXT, 'bm', { to: 'siblings' })).toThrow(/all have these values/);
});
const order = (project: Project, id: string) => project.pages[0]!.elements[MAIN]!.children.indexOf(id);

test('a shared style is made, carried, taken off and deleted', () => {
  const made = after(three, planCreateShared(three, TEXT, 'Panel', 'sp'));
  expect(across(made)).toEqual(['300px', '200px', '100px']);
  expect(made.pages[0]!.elements[TEXT]).toMatchObject({ shared: ['sp'], styles: {} });
  const carried = after(made, planCarry(made, DEFAULT_SLICE, [HEADING], 'sp'));
  expect(across(carried, HEADING)).toEqual(['300px', '200px', '100px']);
  const plan = planDetach(carried, DEFAULT_SLICE, [HEADING], 'sp', false);
  expect(plan.details.join(' ')).toContain('Narrow: width 100px becomes auto.');
  expect(across(after(carried, plan), HEADING)).toEqual(['auto', 'auto', 'auto']);
  expect(across(after(carried, planDetach(carried, DEFAULT_SLICE, [HEADING], 'sp', true)), HEADING)).toEqual(
    across(carried, HEADING),
  );
  const gone = after(carried, planDeleteShared(carried, DEFAULT_SLICE, 'sp', true));
  expect(gone.shared).toEqual([]);
  expect([across(gone), across(gone, HEADING)]).toEqual([across(carried), across(carried, HEADING)]);
  expect(planDeleteShared(make(shared()), DEFAULT_SLICE, 'sx', true).sentence).toBe('Deletes Quiet; no element carries it.');
});

test('keeping the look sees to what takes over from others', () => {
  // Found once: at 700 to 799 the value seemed not needed, but there Narrow's is taken over.
  const project = make(
    NARROW,
    breakpoint('bt', 'Taker', { from: 700, below: 800 }),
    shared(TEXT),
    set('sx', 'base', 'width', '9px'),
    set('sx', 'bn', 'width', '5px'),
    set('sx', 'bt', 'width', '9px'),
    { type: 'changeBreakpoint', id: 'bt', also: ['bn'] },
  );
  const kept = after(project, planDeleteShared(project, DEFAULT_SLICE, 'sx', true));
  expect(kept.pages[0]!.elements[TEXT]!.styles).toEqual({ base: { width: '9px' }, bn: { width: '5px' }, bt: { width: '9px' } });
  expect(across(kept)).toEqual(['9px', '9px', '5px']);
});

test('a breakpoint that goes: dropped, moved where nothing is, folded where it can be', () => {
  expect(listOverrides(three, 'bm')).toEqual(['First text: width']);
  const remove = (fate: Parameters<typeof planRemoveBreakpoint>[2]) => planRemoveBreakpoint(three, 'bm', fate);
  expect(across(after(three, remove({ kind: 'drop' })))).toEqual(['300px', '300px', '100px']);
  expect(across(after(three, remove({ kind: 'move', to: 'base' })))).toEqual(['300px', '300px', '100px']);
  expect(remove({ kind: 'move', to: 'bn' }).details).toEqual([
    'Made for tests: width of 1 element may change at 600 to 899.',
    'All other widths stay as they are.',
  ]);
  const carried = make(MIDDLE, NARROW, set(TEXT, 'bm', 'width', '200px'));
  const fold = planRemoveBreakpoint(carried, 'bm', { kind: 'fold' });
  expect(across(after(carried, fold))).toEqual(['auto', 'auto', '200px']);
  expect(planRemoveBreakpoint(make(MIDDLE), 'bm', { kind: 'drop' }).sentence).toBe('Removes Middle; nothing is written there.');
});

test('a ready set takes the place of the present one or comes beside it, in an order of its own too', () => {
  const [ready] = READY_SETS;
  const replaced = after(three, planReadySet(three, ready!, 'replace', ids()));
  expect(replaced.breakpoints.map(({ name }) => name)).toEqual(ready!.breakpoints.map(({ name }) => name));
  expect(across(replaced)).toEqual(['300px', '300px', '300px']);
  expect(replaced.baseName).toBe(ready!.baseName);
  const reordered = makeFrom(three, { type: 'changeBreakpoint', id: 'bn', index: 0 });
  const added = after(reordered, planReadySet(reordered, ready!, 'add', ids()));
  const places = added.breakpoints.map(({ id }) => id);
  expect(places.indexOf('bn')).toBeLessThan(places.indexOf('bm'));
  expect(across(added)).toEqual(across(reordered));
});

test('a duplicate holds the same and changes nothing until it is moved', () => {
  const plan = planDuplicateBreakpoint(three, 'bm', 'bc');
  const { document, footprint } = applyEdit(three, plan.edit);
  expect([document.breakpoints.map(({ name }) => name), footprint]).toEqual([['Middle', 'Fairly narrow', 'Narrow'], {}]);
  expect(planDuplicateBreakpoint(document, 'bm', 'bd').sentence).toContain('Adds Fairly wide');
});

test('every mend that a check offers can be made and mends it', () => {
  const sets = [
    make(breakpoint('ba', 'A', { below: 600 }), breakpoint('bb', 'B', { from: 620 })),
    make(breakpoint('ba', 'A', { below: 640 }), breakpoint('bb', 'B', { from: 620 })),
    make(NARROW, breakpoint('bb', 'B', { below: 600, unit: 'em' }), set(TEXT, 'bn', 'width', '5px')),
    make(breakpoint('ba', 'A', { from: 900, heightBelow: 300, orientation: 'portrait' })),
    makeFrom(three, { type: 'changeBreakpoint', id: 'bn', index: 0 }),
    make(breakpoint('ba', 'A', { below: 620 }), NARROW),
    make(breakpoint('ba', 'A', { below: 400 })),
  ];
  for (const project of sets) {
    const devices = project.breakpoints.length === 1 ? project.devices : [];
    const [problem] = checkSet(project, devices);
    const mended = after(project, planMend(project, problem!.mend, problem!.offer));
    expect(checkSet(mended, devices).map(({ kind }) => kind)).not.toContain(problem!.kind);
  }
});

test('what an important rule from elsewhere decides is not promised to change', () => {
  const project = make(sheet('p { width: 5px !important }'), set(TEXT, 'base', 'width', '9px'));
  expect(planClear(project, DEFAULT_SLICE, at('base')).details).toEqual(['Nothing that shows changes at this height.']);
});
