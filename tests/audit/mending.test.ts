import { ALL_WIDTHS } from '@/core/breakpoints';
import type { Project } from '@/core/document';
import type { Edit } from '@/core/edits';
import { applyEdit } from '@/core/edits';
import { breakpoint, insert, make, makeFrom, set, START } from '@/core/edits/project-for-tests';
import type { FixLine, TriedFix } from '@/core/remedy';
import { entriesOf, isSafe } from '@/core/remedy';
import { mendPage } from '@/server/browser/mend-page';
import { Standing } from '@/server/browser/standing';
import { tryFixes } from '@/server/browser/try-fixes';
import { closeBrowser } from '@/server/browser/warm-browser';

// Fixes of findings with one cause, and mends of whole pages, measured in the browser.

const never = new AbortController().signal;
const IDS = ['ea', 'eb', 'ec', 'ed'];
const WORDS = 'Bring the ladder back on Saturday, please, since six people are waiting for it.';
const say = (node: string, text: string): Edit => ({ type: 'setContent', node, children: [{ text }], elements: [] });
const width: Edit = { type: 'setProject', field: 'range', value: { first: 570, last: 629 } };

/** Four cards with one shared style, which cut their words where they are narrow. Few devices, so that there is little to look at. */
function cards(...more: readonly Edit[]): Project {
  const style = {
    id: 'scard',
    name: 'Card',
    styles: {
      base: { 'overflow-y': 'hidden', 'overflow-x': 'hidden', width: '400px' },
      bnarrow: { height: '60px', width: '160px' },
    },
  };
  const project = make(
    width,
    breakpoint('bnarrow', 'Narrow', { below: 600 }),
    ...IDS.map((id) => insert(id, 'p')),
    ...IDS.map((id) => say(id, WORDS)),
    { type: 'addShared', style, carriers: IDS.map((node) => ({ node, place: 0 })) },
  );
  const fewer = project.deviceSets.map(({ id }): Edit => ({ type: 'removeDeviceSet', id }));
  return makeFrom(project, ...fewer, ...more);
}

const found = (project: Project) =>
  new Standing(project, never).findings('gfirst', new Standing(project, never).plan(ALL_WIDTHS));
const worth = async (project: Project) => (await found(project)).filter(({ severity }) => severity !== 'note');

async function lines(work: AsyncGenerator<FixLine>): Promise<FixLine[]> {
  const all: FixLine[] = [];
  for await (const line of work) all.push(line);
  return all;
}
/** What was tried, as it was told last. */
const fixesIn = (all: readonly FixLine[]): TriedFix[] => [
  ...new Map(all.flatMap((line) => (line.type === 'tried' ? [[line.fix.title, line.fix] as const] : []))).values(),
];
const mended = (all: readonly FixLine[]) => all.find((line) => line.type === 'edit')!;
const flat = (edit: Edit): Edit[] => (edit.type === 'group' ? edit.edits.flatMap(flat) : [edit]);

afterAll(closeBrowser);

test('four cards are one entry, and the fix goes to the style that they share', async () => {
  const project = cards();
  const entry = entriesOf(project, project.pages[0]!, await found(project)).find(
    ({ worst }) => worst.check === 'clipped-content',
  )!;
  expect([...entry.elements].sort()).toEqual(IDS);
  expect(entry).toMatchObject({ widths: [{ from: 570, below: 600 }] });
  const fixes = fixesIn(await lines(tryFixes(project, project.pages[0]!, entry.findings, never)));
  const best = fixes.filter(({ verdict }) => isSafe(verdict))[0]!;
  expect(best.title).toBe('Automatic height for shared style Card at 599 and narrower');
  expect(best.verdict).toMatchObject({ cleared: 120, widths: 120, identical: 30 });
  expect(best.verdict.change).toBeGreaterThan(0);
});

test('a mend has as few values as do it, makes no breakpoint, and leaves nothing behind', async () => {
  // A second fault that the first one's mend does not touch.
  const project = cards(insert('ez', 'p', 0), say('ez', 'Open today'), set('ez', 'base', 'color', '#bbbbbb'));
  const { edit, steps, widths } = mended(await lines(mendPage(project, 'gfirst', await worth(project), never))) as Extract<
    FixLine,
    { type: 'edit' }
  >;
  expect(steps.map(({ title }) => title).sort()).toEqual([
    'Automatic height for shared style Card at 599 and narrower',
    expect.stringMatching(/^Text of ez in #[0-9a-f]{6} at all widths$/),
  ]);
  // The least height that goes with the automatic one in case it is needed is not.
  expect(
    flat(edit!)
      .map((one) => ('property' in one ? one.property : one.type))
      .sort(),
  ).toEqual(['color', 'height']);
  expect(widths.length).toBeGreaterThan(0);
  const { document, inverse } = applyEdit(project, edit!);
  expect(await worth(document)).toEqual([]);
  expect(applyEdit(document, inverse).document).toEqual(project);
});

test('what would do harm on another page is said, and is no part of a mend', async () => {
  // On the other page a card stands in a box that has room for it as it is: higher, it would lie on what follows.
  const [first] = START.pages;
  const element = (id: string, tag: string, more: object) => ({
    id,
    tag,
    name: id,
    attributes: {},
    children: [],
    shared: [],
    styles: {},
    ...more,
  });
  const elements = [
    element('eroot', 'body', { children: ['ebox', 'enext'] }),
    element('ebox', 'div', { children: ['ecard'], styles: { base: { height: '130px' } } }),
    element('ecard', 'p', { children: [{ text: `${WORDS} ${WORDS} ${WORDS}` }], shared: ['scard'] }),
    element('enext', 'p', { children: [{ text: WORDS }], styles: { base: { 'margin-top': '0px' } } }),
  ];
  const byId = Object.fromEntries(elements.map((one) => [one.id, one]));
  const page = { ...first!, id: 'gother', name: 'Other', slug: 'other', root: 'eroot', elements: byId };
  const project = cards({ type: 'addPage', page: page as never, index: 1 });
  const entry = entriesOf(project, project.pages[0]!, await found(project)).find(
    ({ worst }) => worst.check === 'clipped-content',
  )!;
  const fixes = fixesIn(await lines(tryFixes(project, project.pages[0]!, entry.findings, never)));
  const atStyle = fixes.find(({ title }) => title.startsWith('Automatic height for shared style Card'))!;
  expect(atStyle.verdict.added).toMatchObject([{ check: 'overlapping-text', page: 'Other' }]);
  expect(isSafe(atStyle.verdict)).toBe(false);
  const { edit } = mended(await lines(mendPage(project, 'gfirst', await worth(project), never))) as { edit: Edit | null };
  expect(edit ? flat(edit).map((one) => ('owner' in one ? one.owner : '')) : []).not.toContain('scard');
});
