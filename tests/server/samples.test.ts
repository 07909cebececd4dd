import { Ledger, planOf } from '@/core/audit';
import { DEFAULT_SLICE } from '@/core/breakpoints';
import { childIds } from '@/core/document';
import { applyEdit } from '@/core/edits';
import { planMakeList } from '@/core/plans';
import { sampleInWords, sampleNamed, withSample } from '@/core/tables';
import { demoWithCards } from '@/demo/demo-with-cards-for-tests';
import { MeasuredPage } from '@/server/browser/measuring';
import { stepsOf } from '@/server/browser/sweep-samples';
import { closeBrowser } from '@/server/browser/warm-browser';

jest.mock('@/server/logging/log', () => ({ log: { error: jest.fn(), warn: jest.fn(), info: jest.fn() } }));
afterAll(closeBrowser);

let count = 0;
const demo = demoWithCards();
const cardsOf = (project: typeof demo) => {
  const page = project.pages.find(({ name }) => name === 'Catalogue')!;
  return { page, cards: Object.values(page.elements).find(({ name }) => name === 'Tool cards')! };
};

test('an audit tries every set of rows, and says which one fails that the rows which show don’t', async () => {
  const fed = applyEdit(demo, planMakeList(demo, cardsOf(demo).cards.id, () => `sample${(count++).toString(36)}`).edit).document;
  // One set more, with a word that fits in no card.
  const table = fed.tables.at(-1);
  const endless = table!.sets[0]!.rows.map((row) =>
    row.map((cell, i) => (table!.fields[i]!.name === 'Tool name' ? 'x'.repeat(60) : cell)),
  );
  const sets = [table!.sets[0]!, { id: 'rendless', name: 'Endless', rows: endless }, { id: 'rnone', name: 'None', rows: [] }];
  const project = applyEdit(fed, { type: 'saveTable', table: { ...table!, sets } }).document;
  const { page, cards } = cardsOf(project);
  const widths = [360, 700, 1200];
  const plan = planOf(project, DEFAULT_SLICE)
    .filter(({ view }) => view === 'widths' || view === 'samples')
    .map((looking) => ({ ...looking, widths }));
  expect(plan.map(({ view }) => view)).toEqual(['widths', 'samples']);
  const ledger = new Ledger();
  const measured = await MeasuredPage.open(project, page);
  for (const looking of plan)
    for await (const { results } of stepsOf(measured, [project, page], looking))
      ledger.record(results, looking.view, looking.heights[0]);
  await measured.close();
  expect(ledger.missing(plan)).toEqual([]);
  const findings = ledger.findings(project.audit, plan);
  const others = findings.filter(({ sample }) => sample !== undefined);
  const told = others.filter(({ sample }) => sampleInWords(project, sample!) === 'Endless of Tool cards');
  // Without rows most of a wide screen is empty, which is found on the page as a whole.
  expect(
    others.filter((one) => !told.includes(one)).map(({ check, sample }) => [check, sampleInWords(project, sample!)]),
  ).toEqual([['empty-screen', 'None of Tool cards']]);
  // Six cards fail alike: one finding, on the first, which can be selected.
  expect(told.map(({ check, element }) => [check, element])).toEqual([['clipped-content', childIds(cards)[0]]]);
  // The same as the page with those rows says of itself.
  const other = withSample(project, sampleNamed(told[0]!.sample!));
  const shown = await MeasuredPage.open(other, cardsOf(other).page);
  const itself = (await shown.measure(widths)).flatMap(({ width, violations }) =>
    violations.some(({ check }) => check === 'clipped-content') ? [width] : [],
  );
  await shown.close();
  expect(itself.filter((width) => told[0]!.widths.some(({ from, below }) => from <= width && width < below))).toEqual(itself);
  expect(itself).not.toEqual([]);
}, 60_000);
