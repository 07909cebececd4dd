import type { Finding } from '../audit';
import type { Edit } from '../edits';
import { applyEdit } from '../edits';
import { breakpoint, insert, MAIN, make, set, TEXT } from '../edits/project-for-tests';
import { elementsInWords, entriesOf, entryOf, fixesFor } from './index';

const found = (check: string, element: string, from: number, below: number, more: Partial<Finding> = {}): Finding => ({
  key: `${check} ${element}`,
  check,
  severity: 'broken',
  element,
  widths: [{ from, below }],
  worst: { width: from, violation: { element, amount: below - from, measured: { cut: 9 }, others: [] } },
  ...more,
});
const card: Edit = {
  type: 'addShared',
  style: { id: 'scard', name: 'Card', styles: { base: { height: '90px' } } },
  carriers: ['ea', 'eb', 'ec'].map((node) => ({ node, place: 0 })),
};
const NARROW = breakpoint('bnarrow', 'Narrow', { below: 600 });
const cards = ['ea', 'eb', 'ec', 'ed'].map((id) => insert(id, 'div'));
const keys = (project: ReturnType<typeof make>, findings: readonly Finding[]) =>
  entriesOf(project, project.pages[0]!, findings).map((entry) => entry.elements.join(' '));

test('what one declaration causes is one entry, where its widths meet', () => {
  const project = make(NARROW, ...cards, card, set('ed', 'base', 'height', '90px'));
  const all = [
    found('clipped-content', 'ea', 400, 500),
    found('clipped-content', 'eb', 500, 550),
    found('clipped-content', 'ec', 700, 720),
    found('clipped-content', 'ed', 400, 500),
    found('fixed-height', 'ea', 400, 500),
  ];
  expect(keys(project, all)).toEqual(['ea eb', 'ec', 'ed', 'ea']);
  const [entry] = entriesOf(project, project.pages[0]!, all);
  expect(entry).toMatchObject({ key: 'clipped-content ea', widths: [{ from: 400, below: 550 }], worst: { element: 'ea' } });
});

test('copies without a style in common belong together, what was accepted or shows other rows does not', () => {
  const alike = ['ea', 'eb', 'ec'].map((id) => set(id, 'base', 'height', '90px'));
  const project = make(...cards, ...alike, set('ed', 'base', 'height', '80px'));
  const all = ['ea', 'eb', 'ec', 'ed'].map((id) => found('clipped-content', id, 400, 500));
  expect(keys(project, all)).toEqual(['ea eb ec', 'ed']);
  expect(keys(project, [all[0]!, { ...all[1]!, accepted: 'meant so' }, { ...all[2]!, sample: 'dx r2' }])).toEqual([
    'ea',
    'eb',
    'ec',
  ]);
});

test('where nobody wrote anything it is the kind that is in common, and only where a declaration could be to blame', () => {
  const project = make(insert('ea', 'button'), insert('eb', 'div'), insert('ec', 'button', 0, 'eb'), insert('ed', 'a', 0, 'eb'));
  const of = (check: string) => ['ea', 'ec', 'ed'].map((id) => found(check, id, 320, 600));
  expect(keys(project, of('finger-target'))).toEqual(['ea ec', 'ed']);
  expect(keys(project, of('oversized-picture'))).toEqual(['ea', 'ec', 'ed']);
});

test('an element that is gone is told, and a value around several is one cause', () => {
  const project = make(
    ...cards,
    set(MAIN, 'base', 'flex-direction', 'row'),
    insert('ee', 'p', 0, 'ea'),
    insert('ef', 'span', 0, MAIN),
  );
  expect(keys(project, [found('squeezed-text', 'egone', 320, 400)])).toEqual(['egone']);
  expect(keys(project, [found('squeezed-text', TEXT, 320, 400), found('squeezed-text', 'ef', 320, 400)])).toEqual([`${TEXT} ef`]);
});

const owners = (edit: Edit): string[] =>
  edit.type === 'group' ? edit.edits.flatMap(owners) : 'owner' in edit ? [edit.owner] : [];

test('a fix is written at the cause: the shared style, before each of its elements', () => {
  const project = make(NARROW, ...cards, card);
  const entry = entryOf(['ea', 'eb', 'ec'].map((id) => found('clipped-content', id, 400, 600)));
  const fixes = fixesFor(project, project.pages[0]!, entry);
  expect(fixes[0]!.title).toBe('Automatic height for shared style Card at 599 and narrower');
  expect(new Set(owners(fixes[0]!.edit))).toEqual(new Set(['scard']));
  const each = fixes.find(({ edit }) => owners(edit).includes('ea'))!;
  expect(new Set(owners(each.edit))).toEqual(new Set(['ea', 'eb', 'ec']));
  expect(each.title).toContain('ea, eb and ec');
});

test('without a style in common each element is written, then all of their kind; what an element says itself stays its own', () => {
  const project = make(insert('ea', 'button'), insert('eb', 'button'), set('ea', 'base', 'min-height', '20px'));
  const entry = entryOf(['ea', 'eb'].map((id) => found('finger-target', id, 320, 600)));
  const titles = fixesFor(project, project.pages[0]!, entry).map(({ title }) => title);
  expect(titles[0]).toMatch(/^ea and eb at least 44 by 44 px /);
  const free = make(insert('ea', 'button'), insert('eb', 'button'));
  expect(fixesFor(free, free.pages[0]!, entry).some(({ title }) => title.startsWith('all buttons at least'))).toBe(true);
});

test('grids, spans, first screenfuls and orientation have fixes that can be made', () => {
  const grid = { columns: 12, gutter: 24, margin: 32, align: 'centre', columnLeast: 40 } as const;
  const project = make(
    NARROW,
    { type: 'setColumns', page: null, at: 'base', grid },
    ...cards,
    set('ea', 'base', 'display', 'grid'),
    set('ea', 'base', 'grid-template-columns', 'repeat(4, 1fr)'),
    insert('ei', 'p', 0, 'ea'),
    set('ei', 'base', 'grid-column-end', 'span 6'),
    set('eb', 'base', 'padding-top', '200px'),
    set('ed', 'base', 'display', 'block'),
    breakpoint('bu', 'Upright', { orientation: 'portrait' }),
    set('ed', 'bu', 'display', 'none'),
  );
  const page = project.pages[0]!;
  const titles = (check: string, element: string, measured: Record<string, number>, height?: number) => {
    const worst = { width: 400, ...(height && { height }), violation: { element, amount: 5, measured, others: [] } };
    const fixes = fixesFor(project, page, entryOf([found(check, element, 400, 500, { worst })]));
    for (const { edit } of fixes) expect(applyEdit(project, edit).footprint[page.id]!.widths.length).toBeGreaterThan(0);
    return fixes.map(({ title }) => title).join('\n');
  };
  expect(titles('tight-grid', page.root, { columnWidth: 6, least: 40, fits: 1 })).toMatch(/^4 columns in place of 12 at 599/m);
  expect(titles('row-over-full', 'ea', { own: 4, columns: 6 })).toMatch(/^Items of ea within its 4 columns/m);
  expect(titles('first-below', 'ec', { below: 80, height: 600 }, 600)).toMatch(/^Room before ec at 50%/m);
  expect(titles('orientation-lock', page.root, { share: 10 }, 800)).toMatch(/^Show ed both ways$/m);
});

test('several elements in words', () => {
  expect(elementsInWords(['Card 1', 'Card 2', 'Card 12'])).toBe('3 of Card');
  expect(elementsInWords(['All', 'Wood', 'Garden', 'Old'])).toBe('All, Wood and 2 more');
  expect([elementsInWords(['All']), elementsInWords(['All', 'Wood'])]).toEqual(['All', 'All and Wood']);
});
