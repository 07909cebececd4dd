import type { Finding } from '../audit/sweep/ledger';
import { specifiedValue } from '../cascade/resolve';
import { DEFAULT_SLICE } from '../breakpoints/viewport';
import type { Page, Project } from '../document/project';
import { rootPx } from '../document/root-size';
import { splitPseudo } from '../document/pseudo';
import { parentOf } from '../document/tree';
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
    name: (element) => page.elements[element]?.name ?? element,
  };
}

/** The element and those it stands in, inside out, without the page itself. */
function chain({ page }: Situation, element: string): string[] {
  const list: string[] = [];
  for (let at: string | undefined = element; at && at !== page.root; at = parentOf(page, at)?.id) list.push(at);
  return list;
}

/** The nearest row or grid that an element stands in. */
function rowAround(situation: Situation, element: string): { id: string; grid: boolean } | undefined {
  for (const id of chain(situation, element).slice(1)) {
    const display = situation.value(id, 'display');
    if (/grid$/.test(display)) return { id, grid: true };
    if (/flex$/.test(display) && !situation.value(id, 'flex-direction').startsWith('column')) return { id, grid: false };
  }
  return undefined;
}

function oneColumn(situation: Situation, element: string): Recipe[] {
  const row = rowAround(situation, element);
  if (!row) return [];
  const { id, grid } = row;
  return [
    {
      title: `${situation.name(id)} in one column`,
      values: [grid ? [id, 'grid-template-columns', 'minmax(0, 1fr)'] : [id, 'flex-direction', 'column']],
    },
  ];
}

function wrapAround(situation: Situation, element: string): Recipe[] {
  const row = rowAround(situation, element);
  if (!row || row.grid || situation.value(row.id, 'flex-wrap') !== 'nowrap') return [];
  return [{ title: `Let ${situation.name(row.id)} wrap`, values: [[row.id, 'flex-wrap', 'wrap']] }];
}

function growing(situation: Situation, element: string): Recipe[] {
  return chain(situation, element)
    .slice(0, 3)
    .flatMap((id): Recipe[] => {
      const height = situation.value(id, 'height');
      if (height === 'auto') return [];
      return [
        {
          title: `Automatic height for ${situation.name(id)}`,
          values: [
            [id, 'height', 'auto'],
            [id, 'min-height', height.endsWith('px') ? height : 'auto'],
          ],
        },
      ];
    });
}

function smallerType(situation: Situation, element: string): Recipe[] {
  const size = situation.value(element, 'font-size');
  const value = /^[\d.]+(px|rem|em)$/.test(size) ? `${round(parseFloat(size) * 0.85)}${size.replace(/^[\d.]+/, '')}` : '0.85em';
  const name = situation.name(element);
  return [
    { title: `Smaller type in ${name}: ${value}`, values: [[element, 'font-size', value]] },
    ...fluidType(situation, element, size),
  ];
}

/** Type that is as large as now where the finding ends, and shrinks with the screen below that. */
function fluidType({ project, finding, name }: Situation, element: string, size: string): Recipe[] {
  const rem = rootPx(project);
  const px = /^[\d.]+px$/.test(size) ? parseFloat(size) : /^[\d.]+rem$/.test(size) ? parseFloat(size) * rem : undefined;
  const below = finding.widths[finding.widths.length - 1]!.below;
  if (px === undefined || below > project.audit.range.last) return [];
  const value = `clamp(${round(px * 0.7)}px, ${round((100 * px) / below)}vw, ${round(px)}px)`;
  return [{ title: `Type that shrinks evenly in ${name(element)}: ${value}`, values: [[element, 'font-size', value]] }];
}

const round = (value: number) => Math.round(value * 100) / 100;
const breaking = (situation: Situation, element: string): Recipe[] => [
  { title: `Let words in ${situation.name(element)} break`, values: [[element, 'overflow-wrap', 'anywhere']] },
  ...(/^(nowrap|pre)$/.test(situation.value(element, 'white-space'))
    ? [{ title: `Let ${situation.name(element)} run on several lines`, values: [[element, 'white-space', 'normal'] as const] }]
    : []),
];

function narrower(situation: Situation, element: string): Recipe[] {
  const name = situation.name(element);
  const recipes: Recipe[] = [
    {
      title: `${name} no wider than what it stands in`,
      values: [
        [element, 'max-width', '100%'],
        [element, 'min-width', '0'],
      ],
    },
  ];
  if (situation.value(element, 'width') !== 'auto')
    recipes.push({
      title: `Automatic width for ${name}`,
      values: [
        [element, 'width', 'auto'],
        [element, 'min-width', '0'],
        [element, 'max-width', '100%'],
      ],
    });
  return recipes;
}

function inOrder(situation: Situation): Recipe[] {
  const { finding } = situation;
  const items = [finding.element, ...finding.worst.violation.others];
  const moved = items.flatMap((id) => chain(situation, id).slice(0, 2)).filter((id) => situation.value(id, 'order') !== '0');
  const turned = items
    .flatMap((id) => chain(situation, id).slice(0, 3))
    .filter((id) => situation.value(id, 'flex-direction').endsWith('reverse'));
  return [
    ...(moved.length > 0
      ? [{ title: 'Back to the order in which it is read', values: [...new Set(moved)].map((id) => [id, 'order', '0'] as const) }]
      : []),
    ...[...new Set(turned)].map((id): Recipe => ({
      title: `${situation.name(id)} in the order in which it is read`,
      values: [[id, 'flex-direction', situation.value(id, 'flex-direction').replace('-reverse', '')]],
    })),
  ];
}

function larger(situation: Situation, element: string, least: number): Recipe[] {
  const inline = situation.value(element, 'display') === 'inline';
  return [
    {
      title: `${situation.name(element)} at least ${least} by ${least} px`,
      values: [
        ...(inline ? [[element, 'display', 'inline-block'] as const] : []),
        [element, 'min-width', `${least}px`],
        [element, 'min-height', `${least}px`],
      ],
    },
  ];
}

const typeOf = (situation: Situation, element: string, px: number): Recipe[] => [
  { title: `Type of ${px} px in ${situation.name(element)}`, values: [[element, 'font-size', `${px}px`]] },
];

/** Recipes by check: what usually mends it. Whether it does is tried out. */
const BOOK: Readonly<Record<string, (situation: Situation) => Recipe[]>> = {
  'sideways-scroll': (situation) =>
    situation.finding.worst.violation.others
      .slice(0, 2)
      .flatMap((id) => [
        ...wrapAround(situation, id),
        ...narrower(situation, id),
        ...oneColumn(situation, id),
        ...breaking(situation, id),
      ]),
  'outside-viewport': (situation) => [
    ...wrapAround(situation, situation.finding.element),
    ...narrower(situation, situation.finding.element),
    ...oneColumn(situation, situation.finding.element),
    ...breaking(situation, situation.finding.element),
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
  'large-text': (situation) => growing(situation, situation.finding.element),
  'spaced-text': (situation) => growing(situation, situation.finding.element),
  reflow: (situation) => [
    ...growing(situation, situation.finding.element),
    ...situation.finding.worst.violation.others.slice(0, 1).flatMap((id) => narrower(situation, id)),
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
  contrast: ({ finding: { element }, name }) =>
    ['#1f2b29', '#000000', '#ffffff'].map((colour) => ({
      title: `Text of ${name(element)} in ${colour}`,
      values: [[element, 'color', colour]],
    })),
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
  'unequal-items': ({ finding: { worst }, name }) =>
    worst.violation.others.map((id) => ({ title: `Let ${name(id)} shrink`, values: [[id, 'min-width', '0']] })),
};

function overlapping(situation: Situation): Recipe[] {
  const both = [situation.finding.element, ...situation.finding.worst.violation.others];
  const placed = both
    .flatMap((id) => chain(situation, id).slice(0, 2))
    .filter((id) => /absolute|fixed/.test(situation.value(id, 'position')));
  return [
    ...both.flatMap((id) => growing(situation, id)),
    ...[...new Set(placed)].map((id): Recipe => ({
      title: `${situation.name(id)} in the flow`,
      values: [[id, 'position', 'static']],
    })),
    ...wrapAround(situation, both[0]!),
    ...oneColumn(situation, both[0]!),
    ...smallerType(situation, both[0]!),
  ];
}

function freed({ finding: { element }, name }: Situation): Recipe[] {
  return [{ title: `Let ${name(element)} scroll away`, values: [[element, 'position', 'static']] }];
}

export function recipesFor(situation: Situation): Recipe[] {
  const { page, finding } = situation;
  const recipes = BOOK[finding.check]?.(situation) ?? [];
  const seen = new Set<string>();
  return recipes.filter(({ title, values }) => {
    const key = JSON.stringify(values);
    if (seen.has(key) || values.length === 0 || !values.every(([owner]) => page.elements[splitPseudo(owner).id])) return false;
    seen.add(key);
    return title.length > 0;
  });
}
