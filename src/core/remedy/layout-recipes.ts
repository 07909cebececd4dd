import { rootPx } from '../document/root-size';
import { parentOf } from '../document/tree';
import type { Recipe, Situation } from './situation';

/** The element and those it stands in, inside out, without the page itself. */
export function chain({ page }: Situation, element: string): string[] {
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

export function oneColumn(situation: Situation, element: string): Recipe[] {
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

export function wrapAround(situation: Situation, element: string): Recipe[] {
  const row = rowAround(situation, element);
  if (!row || row.grid || situation.value(row.id, 'flex-wrap') !== 'nowrap') return [];
  return [{ title: `Let ${situation.name(row.id)} wrap`, values: [[row.id, 'flex-wrap', 'wrap']] }];
}

const pixels = (value: string): number | undefined => (/^[\d.]+px$/.test(value) ? parseFloat(value) : undefined);

/** Less between the items of a row that doesn't wrap, or a row that is scrolled in itself. */
export function closerOrScrolled(situation: Situation, element: string): Recipe[] {
  const row = rowAround(situation, element);
  if (!row || row.grid) return [];
  const gap = pixels(situation.value(row.id, 'column-gap'));
  const name = situation.name(row.id);
  return [
    ...(gap !== undefined && gap >= 8
      ? [{ title: `Items of ${name} ${gap / 2} px apart`, values: [[row.id, 'column-gap', `${gap / 2}px`] as const] }]
      : []),
    {
      title: `Let ${name} be scrolled sideways in itself`,
      values: [
        [row.id, 'overflow-x', 'auto'],
        [row.id, 'max-width', '100%'],
      ],
    },
  ];
}

export function growing(situation: Situation, element: string): Recipe[] {
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

export function smallerType(situation: Situation, element: string): Recipe[] {
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

export const round = (value: number) => Math.round(value * 100) / 100;
export const breaking = (situation: Situation, element: string): Recipe[] => [
  { title: `Let words in ${situation.name(element)} break`, values: [[element, 'overflow-wrap', 'anywhere']] },
  ...(/^(nowrap|pre)$/.test(situation.value(element, 'white-space'))
    ? [{ title: `Let ${situation.name(element)} run on several lines`, values: [[element, 'white-space', 'normal'] as const] }]
    : []),
];

export function narrower(situation: Situation, element: string): Recipe[] {
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

export function inOrder(situation: Situation): Recipe[] {
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

export function larger(situation: Situation, element: string, least: number): Recipe[] {
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

export const typeOf = (situation: Situation, element: string, px: number): Recipe[] => [
  { title: `Type of ${px} px in ${situation.name(element)}`, values: [[element, 'font-size', `${px}px`]] },
];

export function overlapping(situation: Situation): Recipe[] {
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

export function freed({ finding: { element }, name }: Situation): Recipe[] {
  return [{ title: `Let ${name(element)} scroll away`, values: [[element, 'position', 'static']] }];
}
