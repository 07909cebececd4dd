import { gridAt, layColumns } from '../grid/columns';
import { readSpan } from '../grid/spans';
import { childIds } from '../document/content';
import { DEFAULT_SLICE } from '../breakpoints/viewport';
import { integersIn } from '../breakpoints/interval';
import { ancestorsOf, parentOf, subtreeOf } from '../document/tree';
import { specifiedValue } from '../cascade/resolve';
import type { Candidate } from '../cascade/sources';
import type { Edit } from '../edits/edit';
import { decides } from './decides';
import { chain } from './layout-recipes';
import type { Recipe, Situation } from './situation';

/** Fewer columns, or less between them, as far as the narrowest width with the finding asks for it. */
export function looserGrid({ project, page, finding }: Situation): Recipe[] {
  const widths = integersIn(finding.widths, { first: 0, last: 10_000 });
  const [narrowest] = widths;
  const { width } = finding.worst;
  const chosen = narrowest === undefined ? undefined : gridAt(project, page, { ...DEFAULT_SLICE, width });
  if (!chosen || narrowest === undefined) return [];
  const { grid, own } = chosen;
  const { columnWidth: _, ...stretching } = grid;
  const fits = (one: typeof grid) => {
    const laid = layColumns(one, narrowest);
    return laid.fits && laid.columnWidth >= one.columnLeast;
  };
  const laid = (columns: typeof grid, title: string): Recipe => ({
    title,
    values: [],
    edits: (at): readonly Edit[] => [{ type: 'setColumns', page: own ? page.id : null, at, grid: columns }],
  });
  const fewer = Array.from({ length: grid.columns - 1 }, (_one, i) => grid.columns - 1 - i).find(
    (columns) => grid.columns % columns === 0 && fits({ ...stretching, columns }),
  );
  const closer = [0.75, 0.5, 0.25]
    .map((share) => ({ ...grid, gutter: Math.round(grid.gutter * share), margin: Math.round(grid.margin * share) }))
    .find(fits);
  return [
    ...(grid.columnWidth !== undefined && fits(stretching)
      ? [laid(stretching, `${grid.columns} columns that stretch with the page`)]
      : []),
    ...(closer ? [laid(closer, `Gutters of ${closer.gutter} px and margins of ${closer.margin} px`)] : []),
    ...(fewer ? [laid({ ...stretching, columns: fewer }, `${fewer} columns in place of ${grid.columns}`)] : []),
  ];
}

/** Items that ask for more columns than there are take those that there are; or there are as many as they ask for. */
export function withinColumns({ page, finding: { element, worst }, value, name }: Situation): Recipe[] {
  const { own = 1, columns = 1 } = worst.violation.measured;
  const items = childIds(page.elements[element]!).flatMap((id) => {
    const span = readSpan(value(id, 'grid-column-start'), value(id, 'grid-column-end'), own);
    return span && (span.start ?? 1) + span.span - 1 > own ? [{ id, span: Math.min(own, span.span) }] : [];
  });
  return [
    ...(items.length > 0
      ? [
          {
            title: `Items of ${name(element)} within its ${own} columns`,
            values: items.flatMap(({ id, span }) => [
              [id, 'grid-column-start', 'auto'] as const,
              [id, 'grid-column-end', `span ${span}`] as const,
            ]),
          },
        ]
      : []),
    {
      title: `${columns} columns for ${name(element)}`,
      values: [[element, 'grid-template-columns', `repeat(${columns}, minmax(0, 1fr))`]],
    },
  ];
}

/** Layers whose values can be taken away. */
const CLEARED: ReadonlySet<Candidate['layer']> = new Set(['own', 'shared', 'part', 'kind']);

const ROOM = ['padding-top', 'padding-bottom', 'margin-top', 'margin-bottom', 'row-gap', 'height', 'min-height'] as const;
/** Less is no room worth taking from, px. */
const WORTH = 12;
const pixels = (value: string): number | undefined => (/^[\d.]+px$/.test(value) ? parseFloat(value) : undefined);

/** What stands before an element, the nearest first: those around it, and what comes earlier in them. */
function before({ page }: Situation, element: string): string[] {
  return chain({ page } as Situation, element).flatMap((id) => {
    const around = parentOf(page, id);
    const siblings = around ? childIds(around) : [];
    return [id, ...siblings.slice(0, siblings.indexOf(id)).reverse()];
  });
}

/** Less room before it; held at the bottom edge of the screen; or shown again where it was hidden. */
export function earlier(situation: Situation): Recipe[] {
  const { finding, value, name } = situation;
  const { element, worst } = finding;
  if (worst.violation.measured.hidden) return shownAgain(situation, chain(situation, element));
  const less = (share: number) =>
    before(situation, element).flatMap((id) =>
      ROOM.flatMap((property) => {
        const px = pixels(value(id, property));
        return px !== undefined && px >= WORTH ? [[id, property, `${Math.round(px * share)}px`] as const] : [];
      }),
    );
  return [
    ...[0.5, 0.25, 0].map((share): Recipe => ({
      title: share === 0 ? `No spare room before ${name(element)}` : `Room before ${name(element)} at ${share * 100}%`,
      values: less(share),
    })),
    {
      title: `${name(element)} at the bottom edge of the screen until its place is reached`,
      values: [
        [element, 'position', 'sticky'],
        [element, 'bottom', '0px'],
      ],
    },
  ];
}

/** Elements that aren't displayed at the worst viewport are, as they are at the first width at which they are. */
function shownAgain({ project, page, value, name }: Situation, elements: readonly string[]): Recipe[] {
  const hidden = elements.filter((id) => value(id, 'display') === 'none');
  const elsewhere = (id: string) =>
    [320, 480, 760, 1280, 1920]
      .map((width) => specifiedValue(project, page, id, 'display', { ...DEFAULT_SLICE, width }))
      .find((display) => display !== 'none') ?? 'block';
  return hidden.length === 0
    ? []
    : [{ title: `Show ${name(hidden[0]!)}`, values: hidden.map((id) => [id, 'display', elsewhere(id)] as const) }];
}

/** What is hidden when the device is held one way, and shows when it is turned, shows both ways: what hides it is dropped. */
export function bothWays({ project, page, finding, value, name }: Situation): Recipe[] {
  const { width, height = DEFAULT_SLICE.height } = finding.worst;
  const turned = { ...DEFAULT_SLICE, width: height, height: width };
  const isHidden = (property: string, said: string) => said === (property === 'display' ? 'none' : 'hidden');
  const lost = subtreeOf(page, page.root).flatMap(({ id }) =>
    (['display', 'visibility'] as const).flatMap((property) => {
      const there = specifiedValue(project, page, id, property, turned);
      return isHidden(property, value(id, property)) && !isHidden(property, there) ? [{ id, property }] : [];
    }),
  );
  const outermost = lost.filter(({ id }) => !ancestorsOf(page, id).some((one) => lost.some((other) => other.id === one.id)));
  const edits = outermost.flatMap(({ id, property }): Edit[] => {
    const { layer, owner = id, at } = decides(project, page, finding, id, property) ?? {};
    if (at === undefined || layer === undefined || !CLEARED.has(layer)) return [];
    return [{ type: 'clearStyle', owner, at, property }];
  });
  const unique = [...new Map(edits.map((edit) => [JSON.stringify(edit), edit])).values()];
  return unique.length === 0
    ? []
    : [{ title: `Show ${name(outermost[0]!.id)} both ways`, values: [], edits: () => unique, fixed: true }];
}

/** Content that keeps narrow on wide screens takes more of them; where there is little of it, in larger type. */
export function fuller({ page, value, name }: Situation): Recipe[] {
  const kept = subtreeOf(page, page.root).filter(
    ({ id }) => pixels(value(id, 'max-width')) !== undefined || pixels(value(id, 'width')) !== undefined,
  );
  const outermost = kept.filter(({ id }) => !ancestorsOf(page, id).some((one) => kept.includes(one))).slice(0, 12);
  const wider = (share: number): Recipe[] =>
    outermost.length === 0
      ? []
      : [
          {
            title: `${name(outermost[0]!.id)} ${share}% of the width`,
            values: outermost.flatMap(({ id }) => [
              ...(pixels(value(id, 'width')) === undefined ? [] : [[id, 'width', `${share}%`] as const]),
              ...(pixels(value(id, 'max-width')) === undefined ? [] : [[id, 'max-width', `${share}%`] as const]),
            ]),
          },
        ];
  const larger = [1.25, 1.5].map((times): Recipe => ({
    title: `Type of ${name(page.root)} ${times * 100}% as large`,
    values: [[page.root, 'font-size', `${times}em`]],
  }));
  return [...wider(80), ...wider(92), ...larger];
}
