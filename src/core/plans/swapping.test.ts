import { choiceAt, DEFAULT_SLICE } from '../breakpoints';
import { isHiddenAt, specifiedValue } from '../cascade';
import type { Page, Project } from '../document';
import { alternatesOn, alternatesWith, atBase, expanded, kept, readProject, subtreeOf } from '../document';
import { applyEdit, makeEdit } from '../edits';
import { HEADING, insert, MAIN, make, makeFrom, MIDDLE, NARROW, set, TEXT } from '../edits/project-for-tests';
import { lintProject } from '../lints';
import { renderExport } from '../render';
import { clipOf, fitClip } from '../structure';
import type { Plan } from './index';
import {
  chosenAlong,
  choosings,
  planAlternates,
  planChoose,
  planMakePart,
  planMoveChoice,
  planNoAlternate,
  planNoPanel,
  planPanel,
  planRemoveBreakpoint,
  planSplit,
  planTakeApart,
} from './index';

const ids = (prefix = 'n') => {
  let count = 0;
  return () => `${prefix}${count++}`;
};
const page = (project: Project): Page => project.pages[0]!;
const made = (project: Project, plan: Plan): Project => {
  const { document, inverse } = makeEdit(project, plan.edit);
  // All of it is one step back, and is kept as it is read.
  expect(applyEdit(document, inverse).document).toEqual(project);
  expect(readProject(JSON.parse(JSON.stringify(kept(document))))).toEqual(document);
  return document;
};
const BASIS = make(MIDDLE, NARROW, insert('eshort', 'p'));
const both = (project = BASIS) => made(project, planAlternates(project, page(project), [TEXT, 'eshort'], 'bn', ids()));
const shown = (project: Project, width: number): string[] => {
  const [one] = alternatesOn(page(project)).values();
  return one!.members.filter((id) => !isHiddenAt(project, page(project), id, width));
};
const lints = (project: Project) =>
  lintProject(project).flatMap(({ lint, owner }) => (/shown|one|twice|panel/.test(lint) ? [`${lint} ${owner}`] : []));

test('two elements become alternates: the first at the base, the second at one place, and one of them everywhere', () => {
  const project = both();
  expect([300, 599, 600, 2000].map((width) => shown(project, width))).toEqual([['eshort'], ['eshort'], [TEXT], [TEXT]]);
  expect(lints(project)).toEqual([]);
  expect(() => planAlternates(BASIS, page(BASIS), [TEXT], 'bn', ids())).toThrow(/two or more/);
  expect(() => planAlternates(BASIS, page(BASIS), [MAIN, TEXT], 'bn', ids())).toThrow(/stands in another/);
  const bare = make(insert('eshort', 'p'));
  expect(() => planAlternates(bare, page(bare), [TEXT, 'eshort'], 'base', ids())).toThrow(/add a breakpoint first/);
});

test('split: a copy takes the place, a third joins, and whoever is taken away leaves exactly one', () => {
  const once = made(BASIS, planSplit(BASIS, page(BASIS), TEXT, 'bm', ids()));
  expect(shown(once, 700)).toEqual(['en0']);
  const twice = made(once, planSplit(once, page(once), 'en0', 'bn', ids('m')));
  expect([1000, 700, 500].map((width) => shown(twice, width)[0])).toEqual([TEXT, 'en0', expect.stringMatching(/^em/)]);
  for (const { id } of Object.values(page(twice).elements).filter(({ alternate }) => alternate)) {
    const without = makeFrom(twice, { type: 'removeElement', node: id });
    for (const width of [500, 700, 1000]) expect([id, width, shown(without, width).length]).toEqual([id, width, 1]);
  }
  expect(made(once, planNoAlternate(page(once), 'en0')).pages[0]!.elements[TEXT]!.alternate).toBeUndefined();
});

test('alternates in alternates: of each set exactly one, where it is shown at all', () => {
  const nested = make(MIDDLE, NARROW, insert('ebox', 'div'), insert('ea', 'p', 0, 'ebox'), insert('eb', 'p', 1, 'ebox'));
  const outer = made(nested, planAlternates(nested, page(nested), [TEXT, 'ebox'], 'bm', ids()));
  const project = made(outer, planAlternates(outer, page(outer), ['ea', 'eb'], 'bn', ids('k')));
  expect(lints(project)).toEqual([]);
  const seen = (width: number) => ['ea', 'eb', TEXT].filter((id) => !isHiddenAt(project, page(project), id, width));
  expect([1000, 700, 500].map(seen)).toEqual([[TEXT], ['ea'], ['eb']]);
});

test('what was said is chosen, moved and taken back at places, with a breakpoint where one is missing', () => {
  const project = both();
  const [choosing] = choosings(project);
  const along = (one: Project) => chosenAlong(one, choosings(one)[0]!, DEFAULT_SLICE).map(({ from, word }) => [from, word]);
  expect(along(project)).toEqual([
    [0, 'eshort'],
    [600, TEXT],
  ]);
  expect(along(made(project, planChoose(project, choosing!, 'bm', 'eshort', 'x')))).toEqual([
    [0, 'eshort'],
    [900, TEXT],
  ]);
  expect(along(made(project, planMoveChoice(project, choosing!, 600, 900, 'eshort', 'x', 'bx')))).toEqual([
    [0, 'eshort'],
    [900, TEXT],
  ]);
  const moved = made(project, planMoveChoice(project, choosing!, 600, 742, 'eshort', 'x', 'bx'));
  expect(along(moved)).toEqual([
    [0, 'eshort'],
    [742, TEXT],
  ]);
  expect(moved.breakpoints.map(({ id }) => id)).toContain('bx');
  expect(() => planChoose(project, choosing!, 'bn', 'eshort', 'x')).toThrow(/so already/);
});

test.each([
  ['drop', { kind: 'drop' }, [TEXT, TEXT]],
  ['move', { kind: 'move', to: 'bm' }, ['eshort', TEXT]],
  ['fold', { kind: 'fold' }, [TEXT, TEXT]],
] as const)('removing a breakpoint: what was chosen there, %s', (_, fate, wanted) => {
  const project = both();
  const after = made(project, planRemoveBreakpoint(project, 'bn', fate));
  expect([500, 1000].map((width) => shown(after, width)[0])).toEqual(wanted);
});

test('copies are alternates of each other, not of what they were copied of; one alone is an ordinary element', () => {
  const grouped = make(MIDDLE, NARROW, insert('ebox', 'div'), insert('ea', 'p', 0, 'ebox'), insert('eb', 'p', 1, 'ebox'));
  const project = made(grouped, planAlternates(grouped, page(grouped), ['ea', 'eb'], 'bn', ids()));
  const copy = (node: string) => ({
    ...{ type: 'duplicateElement' as const, node },
    ids: Object.fromEntries(subtreeOf(page(project), node).map(({ id }) => [id, `${id}2`])),
  });
  const twice = makeFrom(project, copy('ebox'));
  expect([...alternatesOn(page(twice)).values()].map(({ members }) => members)).toEqual([
    ['ea', 'eb'],
    ['ea2', 'eb2'],
  ]);
  expect(page(makeFrom(project, copy('ea'))).elements.ea2!.alternate).toBeUndefined();
  const fitted = fitClip(project, clipOf(project, page(project), ['ebox']), ids('ec'));
  const [top, ...inside] = fitted.trees[0]!;
  expect(new Set(inside.map(({ alternate }) => alternate?.set)).size).toBe(1);
  expect(inside[0]!.alternate!.set).not.toBe(page(project).elements.ea!.alternate!.set);
  expect(top!.alternate).toBeUndefined();
});

test('in a part: each use has its own, made apart too; what would be torn asunder is refused', () => {
  const grouped = make(MIDDLE, NARROW, insert('ebox', 'div'), insert('ea', 'p', 0, 'ebox'), insert('eb', 'p', 1, 'ebox'));
  const project = made(grouped, planAlternates(grouped, page(grouped), ['ea', 'eb'], 'bn', ids()));
  const parted = expanded(made(project, planMakePart(project, 'ebox', false, ids('p'))));
  const [use] = Object.values(page(parted).elements).filter((one) => one.use);
  const inside = ['ea', 'eb'].map((id) => `${use!.id}.${id}`);
  expect(alternatesWith(page(parted), page(parted).elements[inside[0]!])!.members).toEqual(inside);
  expect(inside.map((id) => specifiedValue(parted, page(parted), id, 'display', { ...DEFAULT_SLICE, width: 500 }))).toEqual([
    'none',
    'block',
  ]);
  const apart = made(parted, planTakeApart(parted, use!.id, ids('q')));
  expect([500, 1000].map((width) => shown(apart, width).length)).toEqual([1, 1]);
  const torn = both();
  const box = makeFrom(torn, insert('eouter', 'div'), { type: 'moveElement', node: 'eshort', parent: 'eouter', index: 0 });
  expect(() => planMakePart(box, 'eouter', false, ids())).toThrow(/others of them stand outside/);
});

test('fields of the same name are built only when first shown; without that it is pointed out', () => {
  const field = (id: string, parent: string) => [
    insert(id, 'input', 0, parent),
    { type: 'setAttribute' as const, node: id, name: 'name', value: 'email' },
  ];
  const forms = make(NARROW, insert('ea', 'form'), insert('eb', 'form'), ...field('ex', 'ea'), ...field('ey', 'eb'));
  const project = made(forms, planAlternates(forms, page(forms), ['ea', 'eb'], 'bn', ids()));
  expect(page(project).elements.ea!.alternate!.later).toBe(true);
  expect(lints(project)).toEqual([]);
  const files = new Map(renderExport(project).map(({ path, content }) => [path, 'text' in content ? content.text : '']));
  expect(files.get('index.html')).toMatch(/<template class="ea" data-later="[^"]+"><form class="ea">/);
  expect(files.get('index.html')).toContain('<script src="behaviour.js" defer></script>');
  const plain = makeFrom(project, {
    type: 'setAlternate',
    node: 'ea',
    alternate: { set: page(project).elements.ea!.alternate!.set, at: ['bn'] },
  });
  expect(lints(plain)).toEqual(['fields-twice eb']);
});

const wish = {
  kind: 'drawer',
  edge: 'left',
  at: 'bn',
  covers: 'part',
  locks: true,
  outside: true,
  links: true,
  slides: true,
} as const;
const BOX = make(MIDDLE, NARROW, insert('ebox', 'nav'), insert('ein', 'p', 0, 'ebox'), set('ein', 'bn', 'display', 'none'));

test('a panel: closed where it is one, in the page elsewhere, with what opens and closes it', () => {
  const project = made(BOX, planPanel(BOX, page(BOX), 'ebox', wish, ids()));
  const display = (id: string, width: number, open: string[] = []) =>
    specifiedValue(project, page(project), id, 'display', { ...DEFAULT_SLICE, width, open });
  expect([display('ebox', 500), display('ebox', 500, ['ebox']), display('ebox', 700)]).toEqual(['none', 'block', 'block']);
  // What was hidden for want of room shows in it.
  expect(display('ein', 500)).toBe('block');
  const [opener, closer] = ['en0', 'en1'].map((id) => page(project).elements[id]!);
  expect([opener!.attributes.popovertarget, closer!.attributes.popovertargetaction]).toEqual(['ebox', 'hide']);
  expect([display('en0', 500), display('en0', 700)]).toEqual(['inline-block', 'none']);
  expect(lints(project)).toEqual([]);
  const back = made(project, planNoPanel(page(project), 'ebox'));
  expect([back.pages[0]!.elements.ebox!.panel, back.pages[0]!.elements.en0!.attributes.popovertarget]).toEqual([
    undefined,
    undefined,
  ]);
});

test('panels that can’t be: what looks otherwise by itself, a body, an opener within', () => {
  const inside = makeFrom(BOX, insert('ebutton', 'button', 0, 'ebox'));
  expect(() => planPanel(inside, page(inside), 'ebox', { ...wish, opener: 'ebutton' }, ids())).toThrow(/in .* itself/);
  expect(() => planPanel(BOX, page(BOX), TEXT, wish, ids())).toThrow(/<p> can't be a panel/);
  expect(() => planPanel(BOX, page(BOX), 'efirstbody', wish, ids())).toThrow(/body/);
  expect(() => makeEdit(BOX, { type: 'setPanel', node: HEADING, panel: { kind: 'menu', at: {} } })).toThrow(/<h1>/);
});

test('what is wrong with panels and alternates is found without a browser', () => {
  const panel = makeFrom(BOX, { type: 'setPanel', node: 'ebox', panel: { kind: 'drawer', at: { base: false, bn: true } } });
  expect(lints(panel).sort()).toEqual(['shut-panel ebox', 'stuck-panel ebox']);
  const good = made(BOX, planPanel(BOX, page(BOX), 'ebox', wish, ids()));
  expect(lints(makeFrom(good, set('en0', 'bn', 'display', 'none')))).toEqual(['never-shown en0', 'shut-panel ebox']);
  const alternates = both();
  expect(lints(makeFrom(alternates, set('eshort', 'bn', 'display', 'none')))).toContain('not-just-one efirstp');
  const third = makeFrom(alternates, insert('ethird', 'p'), {
    ...{ type: 'setAlternate', node: 'ethird' },
    alternate: { set: page(alternates).elements.eshort!.alternate!.set, at: [] },
  });
  expect(lints(third)).toEqual(['never-shown ethird']);
  expect(atBase(alternatesOn(page(third)).values().next().value!)).toBe(TEXT);
  expect(choiceAt([], new Map([['base', 'x']]), 'y', { ...DEFAULT_SLICE, width: 1 })).toBe('x');
});

test('a disclosure: unfolds where it is one, is simply shown elsewhere without a summary, and can be taken back', () => {
  const project = made(BOX, planPanel(BOX, page(BOX), 'ebox', { ...wish, kind: 'disclosure' }, ids()));
  const { elements } = page(project);
  expect([elements.en0!.tag, elements.en0!.children]).toEqual(['details', ['en1', 'ebox']]);
  const summary = (width: number) => specifiedValue(project, page(project), 'en1', 'display', { ...DEFAULT_SLICE, width });
  expect([summary(500), summary(700)]).toEqual(['list-item', 'none']);
  expect(lints(project)).toEqual([]);
  const css = renderExport(project).flatMap(({ path, content }) =>
    path === 'styles.css' && 'text' in content ? [content.text] : [],
  )[0];
  expect(css).toContain('::details-content');
  expect(renderExport(project).map(({ path }) => path)).not.toContain('behaviour.js');
  const back = made(project, planNoPanel(page(project), 'en0'));
  expect([page(back).elements.en0, page(back).elements[MAIN]!.children]).toEqual([undefined, page(BOX).elements[MAIN]!.children]);
  expect(() => makeEdit(BOX, { type: 'setPanel', node: 'ebox', panel: { kind: 'disclosure', at: {} } })).toThrow(
    /doesn't unfold/,
  );
});
