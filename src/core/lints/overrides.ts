import type { At, Cell } from '../breakpoints';
import { BASE, cellsOf } from '../breakpoints';
import type { Candidate } from '../cascade/sources';
import { looksOf } from '../cascade/circumstances';
import { heldIn } from '../cascade/look';
import { elementOf } from '../cascade/root';
import { conditionsOf, isHolding, sourcesOf } from '../cascade/sources';
import type { Source } from '../cascade/sources';
import type { Project } from '../document/project';
import { readPseudo, splitPseudo } from '../document/pseudo';
import type { PageElement } from '../document/element';
import { isSaidBy } from '../cascade/owning';
import type { Carrier } from '../edits/owners';
import { allOwners, carriersOf, ownerName } from '../edits/owners';
import { describeTarget } from '../edits/set-style';
import { propertyNamed } from '../styles/properties';
import { ownerKind } from '../document/owner';
import type { LintFinding } from './lint';

/** Whether a source is what one owner has written at one place. */
function isFrom(source: Omit<Candidate, 'value'>, owner: string, at: At, element: PageElement): boolean {
  const { id, pseudo } = splitPseudo(owner);
  return source.at === at && (source.pseudo ?? '') === pseudo && isSaidBy(source, id, element);
}

interface Verdict {
  /** It decides in some cell. */
  wins: boolean;
  /** In each cell where it decides, the next one says the same. */
  echoes: boolean;
  /** What it echoes, where that is one and the same layer. */
  echoed: Source | undefined;
}

function judge(
  project: Project,
  cells: readonly Cell[],
  carriers: readonly Carrier[],
  owner: string,
  at: At,
  property: string,
): Verdict {
  const verdict: Verdict = { wins: false, echoes: true, echoed: undefined };
  const { pseudo } = splitPseudo(owner);
  const { state } = readPseudo(pseudo);
  const looks = carriers.flatMap(({ page, element }) =>
    looksOf(project, page, element.id, pseudo, property).map((look) => [element, look] as const),
  );
  for (const [element, look] of looks) {
    // What is said of rest is judged as if the document said nothing of states: it may come to rest again.
    const sources = sourcesOf(look.project, look.page, elementOf(look.page, look.node), property).filter(
      // A panel is judged as it is when it is open.
      (source) =>
        source.layer !== 'panel' &&
        (state !== undefined || source.layer === 'browser' || readPseudo(source.pseudo ?? '').state === undefined),
    );
    for (const { sample } of cells) {
      const holding = sources.filter((source) => isHolding(source, heldIn(look, sample)));
      const winner = holding[holding.length - 1];
      if (!winner || !isFrom(winner, owner, at, element)) continue;
      verdict.wins = true;
      // The same place may say it twice where a breakpoint takes it over.
      const next = holding.findLast((source) => !isFrom(source, owner, at, element));
      const value = winner.declarations[property]!;
      const same = next
        ? next.declarations[property] === value
        : value === 'unset' || value === (propertyNamed(property).inherited ? 'inherit' : 'initial');
      if (!same) return { wins: true, echoes: false, echoed: undefined };
      verdict.echoed = next;
    }
  }
  return verdict;
}

/**
 * Values that equal what they override, values that never win, and own values that repeat what a shared style or the
 * kind says at the same place. Dropping any of them changes nothing; dropping one can make another needed, so each is
 * judged again when several are dropped.
 */
export function lintOverrides(project: Project): LintFinding[] {
  const cells = cellsOf(conditionsOf(project));
  return allOwners(project).flatMap(({ id: owner, styles }) => {
    const carriers = carriersOf(project, owner);
    if (carriers.length === 0) return [];
    return Object.entries(styles).flatMap(([at, declarations]) =>
      Object.keys(declarations).flatMap((property): LintFinding[] => {
        const verdict = judge(project, cells, carriers, owner, at, property);
        if (verdict.wins && !verdict.echoes) return [];
        const { echoed } = verdict;
        const twice = echoed && echoed.at === at && ['part', 'shared', 'kind'].includes(echoed.layer);
        const lint = !verdict.wins ? 'never-wins' : twice ? 'written-twice' : 'same-as-beneath';
        const place = at === BASE ? 'the base' : describeTarget(project, at);
        const what = `${ownerName(project, owner)}: ${property} ${declarations[property]} at ${place}`;
        const why =
          lint === 'never-wins'
            ? 'never wins'
            : twice
              ? `is also in ${ownerName(project, echoed.owner! + (echoed.pseudo ?? ''))}`
              : echoed
                ? 'is what holds there anyway'
                : 'is what browsers do anyway';
        return [
          {
            lint,
            key: `${owner} ${at} ${property}`,
            owner,
            ...(ownerKind(owner) === 'element' && { pageId: carriers[0]!.page.id }),
            at,
            property,
            sentence: `${what} ${why}.`,
            fix: { type: 'restyle', label: `Drop ${what}`.slice(0, 300), changes: [{ owner, at, property, value: null }] },
            unchanged: true,
          },
        ];
      }),
    );
  });
}
