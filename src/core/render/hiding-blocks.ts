import type { Term } from '../breakpoints/choice';
import { holdsForReader } from '../breakpoints/condition';
import { HIDDEN, hiddenAlternate, panelTerms } from '../cascade/hiding';
import { isBuiltLater } from '../behaviour';
import { alternatesOn } from '../document/alternates';
import { classNames } from '../document/class-names';
import type { Panel, PanelEdge } from '../document/panel';
import { isOver } from '../document/panel';
import { panelsOn } from '../document/panels';
import type { Page, Project } from '../document/project';
import { isInUse } from '../document/use';
import type { Rule, SheetBlock } from './sheet-block';
import type { SheetOptions } from './sheet-options';
import { termQueries } from './term-query';

const HIDES = Object.entries(HIDDEN).map(([name, value]) => `${name}: ${value} !important;`);

/** What browsers say of a closed or open `popover`, taken back: a panel looks as it would without being one, but for being closed. */
const AS_IN_THE_PAGE = [
  ...[
    'display: block',
    'position: static',
    'inset: auto',
    'width: auto',
    'height: auto',
    'margin: 0',
    'padding: 0',
    'border: none',
  ],
  ...['overflow: visible', 'color: inherit', 'background: none', '--panel: 0'],
].map((line) => `${line};`);

/** How far outside of the screen it stands while it is closed. */
const OUTSIDE: Readonly<Record<PanelEdge, string>> = { left: '-100% 0', right: '100% 0', top: '0 -100%', bottom: '0 100%' };

/**
 * A panel that slides comes from outside (CSS Transitions 2, `@starting-style`). It leaves at once: what would go on showing while it
 * leaves would also show when a page in a window is made narrower, and the panel leaves the page.
 */
function sliding(id: string, name: string, { edge, slides }: Panel): readonly Rule[] {
  if (!slides || !edge) return [];
  return [
    {
      ...{ key: `${id} comes`, selector: `${name}:popover-open` },
      lines: ['transition: translate 0.2s ease-out;', `@starting-style { translate: ${OUTSIDE[edge]}; }`],
    },
  ];
}

interface Hiding {
  readonly id: string;
  readonly selector: string;
  readonly terms: readonly Term[];
  readonly lines: readonly string[];
}

/** What each tree itself says, not what it shows of parts: those say it once for all their uses. */
const ownPanels = (tree: Page) => panelsOn(tree).filter(({ id, use }) => !isInUse(id) && !use);

/** Before all that is written here: panels are as they would be without being any, and what is built later isn't away. */
export function groundBlocks(project: Project, trees: readonly Page[], layer: string | undefined): SheetBlock[] {
  const names = classNames(project);
  const own = trees.flatMap(ownPanels);
  const panels = own.filter(({ panel }) => isOver(panel!));
  const folds = own.filter(({ panel }) => !isOver(panel!));
  const later = trees.flatMap((tree) => Object.keys(tree.elements).filter((id) => !isInUse(id) && isBuiltLater(tree, id)));
  const classes = (ids: readonly string[]) => ids.map((id) => `.${names.get(id)}`).join(', ');
  const locking = panels.filter(({ panel }) => panel!.locks).map(({ id }) => id);
  return [
    {
      key: 'swapped',
      ...(layer && { layer }),
      rules: [
        ...(panels.length > 0
          ? [{ key: 'panels', selector: `:where(${classes(panels.map(({ id }) => id))})`, lines: AS_IN_THE_PAGE }]
          : []),
        ...(folds.length > 0
          ? [{ key: 'folds', selector: `:where(${classes(folds.map(({ id }) => id))})`, lines: ['--panel: 0;'] }]
          : []),
        ...(later.length > 0
          ? [
              { key: 'later', selector: `:where(${classes(later)})`, lines: ['--away: 0;'] },
              { key: 'templates', selector: 'template[data-later]', lines: HIDES },
            ]
          : []),
        // The room of a scrollbar stays when the page is locked, so nothing jumps.
        ...(locking.length > 0
          ? [{ key: 'room', selector: `:where(html:has(${classes(locking)}))`, lines: ['scrollbar-gutter: stable;'] }]
          : []),
      ],
    },
  ];
}

/** Last of all: alternates that don't show, panels that are closed, and the page that is locked behind an open one. */
export function hidingBlocks(project: Project, trees: readonly Page[], boost: string, options: SheetOptions): SheetBlock[] {
  const names = classNames(project);
  const found = trees.flatMap((tree) => [
    ...[...alternatesOn(tree).values()].flatMap((set) =>
      set.members.length < 2
        ? []
        : set.members.flatMap((id): Hiding[] =>
            isInUse(id)
              ? []
              : [
                  {
                    ...{ id, selector: `.${names.get(id)}${boost}`, terms: hiddenAlternate(project, set, id) },
                    lines: isBuiltLater(tree, id) ? ['--away: 1;', ...HIDES] : HIDES,
                  },
                ],
          ),
    ),
    ...ownPanels(tree).flatMap((element): Hiding[] => {
      const [id, name, terms] = [element.id, `.${names.get(element.id)}`, panelTerms(project, element)];
      const is = { id: `${id} panel`, selector: name, terms, lines: ['--panel: 1;'] };
      if (!isOver(element.panel!)) {
        const inPage = panelTerms(project, element, false);
        return [
          is,
          { id: `${id} summary`, selector: `${name}${boost} > summary`, terms: inPage, lines: HIDES },
          {
            id: `${id} unfolded`,
            selector: `${name}::details-content`,
            terms: inPage,
            lines: ['content-visibility: visible !important;'],
          },
        ];
      }
      return [
        is,
        { id, selector: `${name}${boost}:not(:popover-open)`, terms, lines: HIDES },
        ...(element.panel!.locks
          ? [{ id: `${id} locks`, selector: `html:has(${name}:popover-open)`, terms, lines: ['overflow: hidden !important;'] }]
          : []),
      ];
    }),
  ]);
  const blocks = new Map<string, SheetBlock & { readonly rules: SheetBlock['rules'][number][] }>();
  for (const { id, selector, terms, lines } of found)
    for (const term of terms) {
      const queries = termQueries(term, options.standIn, options.queries);
      if (queries === null) continue;
      const key = `shown ${queries.join(' & ')}`;
      const block = blocks.get(key) ?? {
        ...{ key, rules: [], term },
        ...(queries.length > 0 && { query: queries[queries.length - 1]!, within: queries.slice(0, -1) }),
      };
      block.rules.push({ key: id, selector, lines });
      blocks.set(key, block);
    }
  return [...blocks.values(), ...slidingBlocks(project, trees, options)];
}

/** How panels slide in and out, where they are panels, for those who don't ask for less motion. */
function slidingBlocks(project: Project, trees: readonly Page[], { standIn, queries: syntax }: SheetOptions): SheetBlock[] {
  if (standIn && !holdsForReader({ motion: 'full' }, standIn)) return [];
  const names = classNames(project);
  return trees.flatMap(ownPanels).flatMap((element) => {
    const rules = sliding(element.id, `.${names.get(element.id)}`, element.panel!);
    if (rules.length === 0) return [];
    return panelTerms(project, element).flatMap((term, i): SheetBlock[] => {
      const queries = termQueries(term, standIn, syntax);
      if (queries === null) return [];
      const all = [...(standIn ? [] : ['(prefers-reduced-motion: no-preference)']), ...queries];
      const query = all[all.length - 1];
      return [{ key: `slides ${element.id} ${i}`, rules, term, ...(query && { query, within: all.slice(0, -1) }) }];
    });
  });
}
