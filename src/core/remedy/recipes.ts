import type { Finding } from '../audit/sweep/ledger';
import { specifiedValue } from '../cascade/resolve';
import { DEFAULT_SLICE } from '../breakpoints/viewport';
import type { Page, Project } from '../document/project';
import { splitPseudo } from '../document/pseudo';
import { readable } from './colour-recipes';
import {
  breaking,
  closerOrScrolled,
  freed,
  growing,
  inOrder,
  larger,
  narrower,
  oneColumn,
  overlapping,
  round,
  smallerType,
  typeOf,
  wrapAround,
} from './layout-recipes';
import { bothWays, earlier, fuller, looserGrid, withinColumns } from './screen-recipes';
import type { Recipe, Situation } from './situation';
import { lineOfFocus, worseInState } from './state-recipes';

export function situationOf(project: Project, page: Page, finding: Finding, limits: Situation['limits']): Situation {
  const { width, height } = finding.worst;
  const viewport = { ...DEFAULT_SLICE, width, ...(height !== undefined && { height }) };
  return {
    project,
    page,
    finding,
    limits,
    value: (element, property) => specifiedValue(project, page, element, property, viewport),
    name: (element) => `{${element}}`,
  };
}

/** Larger text, more spacing, little room: what is cut off grows, what lies on other things makes room. */
function underStress(situation: Situation): Recipe[] {
  const { element, worst } = situation.finding;
  const [other = element] = worst.violation.others;
  return [
    ...growing(situation, element),
    ...growing(situation, other),
    ...wrapAround(situation, element),
    ...breaking(situation, other),
    ...overlapping(situation),
  ];
}

/** Recipes by check: what usually mends it. Whether it does is tried out. */
const BOOK: Readonly<Record<string, (situation: Situation) => Recipe[]>> = {
  'sideways-scroll': (situation) =>
    situation.finding.worst.violation.others
      .slice(0, 2)
      .flatMap((id) => [
        ...wrapAround(situation, id),
        ...narrower(situation, id),
        ...closerOrScrolled(situation, id),
        ...breaking(situation, id),
        ...oneColumn(situation, id),
      ]),
  'outside-viewport': (situation) => [
    ...wrapAround(situation, situation.finding.element),
    ...narrower(situation, situation.finding.element),
    ...closerOrScrolled(situation, situation.finding.element),
    ...breaking(situation, situation.finding.element),
    ...oneColumn(situation, situation.finding.element),
  ],
  'clipped-content': (situation) => {
    const inner = situation.finding.worst.violation.others[0] ?? situation.finding.element;
    return [
      ...growing(situation, situation.finding.element),
      ...breaking(situation, inner),
      ...smallerType(situation, inner),
      ...oneColumn(situation, situation.finding.element),
    ];
  },
  'fixed-height': (situation) => growing(situation, situation.finding.element),
  'overlapping-text': overlapping,
  'overlapping-boxes': overlapping,
  'large-text': underStress,
  'spaced-text': underStress,
  reflow: (situation) => [
    ...situation.finding.worst.violation.others.slice(0, 1).flatMap((id) => narrower(situation, id)),
    ...underStress(situation),
  ],
  'wrapped-label': (situation) => [
    {
      title: `Keep ${situation.name(situation.finding.element)} on one line`,
      values: [[situation.finding.element, 'white-space', 'nowrap']],
    },
    ...wrapAround(situation, situation.finding.element),
    ...smallerType(situation, situation.finding.element),
    ...oneColumn(situation, situation.finding.element),
  ],
  'squeezed-text': (situation) => [
    ...oneColumn(situation, situation.finding.element),
    ...wrapAround(situation, situation.finding.element),
    ...smallerType(situation, situation.finding.element),
  ],
  'broken-words': (situation) => [
    ...oneColumn(situation, situation.finding.element),
    ...smallerType(situation, situation.finding.element),
  ],
  'dropped-item': (situation) => {
    const { element, worst } = situation.finding;
    const item = worst.violation.others[0] ?? element;
    return [
      ...oneColumn(situation, item),
      { title: `Keep ${situation.name(element)} in one row`, values: [[element, 'flex-wrap', 'nowrap']] },
    ];
  },
  'long-lines': ({ finding: { element }, name, limits }) => [
    {
      title: `${name(element)} no wider than ${Math.floor((limits.most ?? 80) * 0.85)} characters`,
      values: [[element, 'max-width', `${Math.floor((limits.most ?? 80) * 0.85)}ch`]],
    },
  ],
  'small-text': (situation) => typeOf(situation, situation.finding.element, situation.limits.least ?? 12),
  'field-zoom': (situation) => typeOf(situation, situation.finding.element, situation.limits.least ?? 16),
  'growing-type': (situation) =>
    typeOf(situation, situation.finding.element, round(situation.finding.worst.violation.measured.above ?? 16)),
  'small-target': (situation) => larger(situation, situation.finding.element, situation.limits.least ?? 24),
  'finger-target': (situation) => larger(situation, situation.finding.element, situation.limits.least ?? 44),
  contrast: readable,
  pointed: worseInState,
  focused: worseInState,
  pressed: worseInState,
  'unseen-focus': lineOfFocus,
  'faint-focus': lineOfFocus,
  'reading-order': inOrder,
  'focus-order': inOrder,
  'covered-focus': freed,
  'tall-bars': freed,
  'ragged-row': ({ finding: { element, worst }, value, name }) => {
    const { full = 3 } = worst.violation.measured;
    if (!/grid$/.test(value(element, 'display'))) return [];
    return [full - 1, full + 1]
      .filter((columns) => columns > 1)
      .map((columns) => ({
        title: `${columns} columns for ${name(element)}`,
        values: [[element, 'grid-template-columns', `repeat(${columns}, minmax(0, 1fr))`]] as const,
      }));
  },
  'tight-grid': looserGrid,
  'row-over-full': withinColumns,
  'first-below': earlier,
  'orientation-lock': bothWays,
  'narrow-content': fuller,
  'empty-screen': fuller,
  'unequal-items': ({ finding: { worst }, name }) =>
    worst.violation.others.map((id) => ({ title: `Let ${name(id)} shrink`, values: [[id, 'min-width', '0']] })),
};

export function recipesFor(situation: Situation): Recipe[] {
  const { page, finding } = situation;
  const recipes = BOOK[finding.check]?.(situation) ?? [];
  const seen = new Set<string>();
  return recipes.filter(({ title, values, edits }) => {
    const key = JSON.stringify([values, edits?.('base')]);
    if (seen.has(key) || (values.length === 0 && !edits) || !values.every(([owner]) => page.elements[splitPseudo(owner).id]))
      return false;
    seen.add(key);
    return title.length > 0;
  });
}
