import { converter, differenceCiede2000, parse } from 'culori';
import type { At, Viewport } from '../breakpoints';
import { bandsOf, BASE, slicesOf } from '../breakpoints';
import { heldIn, lookOf } from '../cascade/look';
import { resolve } from '../cascade/resolve';
import type { Candidate } from '../cascade/sources';
import { conditionsOf } from '../cascade/sources';
import type { Page, Project } from '../document/project';
import type { Pseudo } from '../document/pseudo';
import { styleSetsOf } from '../document/style-sets';
import { pageOf, treesOf } from '../document/tree';
import { applyEdit } from '../edits/apply-edit';
import { ownerName } from '../edits/owners';
import { describeTarget } from '../edits/set-style';
import type { LintFinding } from './lint';

/** Colour steps under this (CIEDE2000) aren't noticed side by side. */
const LEAST_COLOUR_STEP = 1;
const lab = converter('lab');
const step = differenceCiede2000();

/** How two values hardly differ, in words; undefined where they are equal or differ visibly. */
export function hardlyDiffers(a: string, b: string): string | undefined {
  if (a === b) return undefined;
  const [x, y] = [/^(-?[\d.]+)px$/.exec(a), /^(-?[\d.]+)px$/.exec(b)];
  if (x && y) {
    const difference = Math.abs(Number(x[1]) - Number(y[1]));
    return difference > 0 && difference < 1 ? `${Math.round(difference * 100) / 100} px` : undefined;
  }
  const [c, d] = [lab(parse(a)), lab(parse(b))];
  if (!c || !d || (c.alpha ?? 1) !== (d.alpha ?? 1)) return undefined;
  const difference = step(c, d);
  return difference < LEAST_COLOUR_STEP ? `a colour step of ${difference.toFixed(1)}` : undefined;
}

/** Own overrides that give a band hardly another value than the neighbouring one has. */
export function lintNeighbours(project: Project): LintFinding[] {
  const slices = slicesOf(conditionsOf(project));
  return treesOf(project).flatMap((page) =>
    Object.values(page.elements).flatMap((element) =>
      styleSetsOf(element).flatMap(([pseudo, styles]) => {
        const look = lookOf(project, page, element.id, pseudo);
        const overridden = new Set(
          Object.entries(styles).flatMap(([at, declarations]) => (at === BASE ? [] : Object.keys(declarations))),
        );
        return [...overridden].flatMap((property) => {
          const found = new Map<string, LintFinding>();
          for (const slice of slices) {
            const bands = bandsOf(project, slice);
            for (let i = 1; i < bands.length; i++) {
              const sides = [bands[i - 1]!, bands[i]!].map((band) =>
                resolve(look.project, look.page, look.node, property, band.from, heldIn(look, slice)),
              );
              const difference = hardlyDiffers(sides[0]!.value, sides[1]!.value);
              if (!difference) continue;
              const places = sides.map(({ origin }) =>
                origin.kind === 'declared' && isOwnIn(origin.candidate, pseudo) ? origin.candidate.at : undefined,
              );
              // The stronger of the two takes the other's value.
              const order = (at: At | undefined) => project.breakpoints.findIndex(({ id }) => id === at);
              const mended = order(places[0]) > order(places[1]) ? 0 : 1;
              const at = places[mended];
              if (at === undefined || at === BASE) continue;
              found.set(
                at,
                finding(project, page, element.id, pseudo, property, at, sides[mended]!.value, sides[1 - mended]!.value, {
                  difference,
                  viewport: { width: bands[i - 1 + mended]!.from, ...slice },
                }),
              );
            }
          }
          return [...found.values()];
        });
      }),
    ),
  );
}

const isOwnIn = ({ layer, via, pseudo = '' }: Candidate, wanted: Pseudo) => layer === 'own' && !via && pseudo === wanted;

function finding(
  project: Project,
  page: Page,
  elementId: string,
  pseudo: Pseudo,
  property: string,
  at: At,
  from: string,
  to: string,
  { difference, viewport }: { difference: string; viewport: Viewport },
): LintFinding {
  const owner = elementId + pseudo;
  const name = ownerName(project, owner);
  const change = (value: string | null) => ({
    type: 'restyle' as const,
    label: `Let ${property} of ${name} at ${describeTarget(project, at)} be ${to}`.slice(0, 300),
    changes: [{ owner, at, property, value }],
  });
  // Where the other value holds without this one, dropping it is enough.
  const without = applyEdit(project, change(null)).document;
  const look = lookOf(without, pageOf(without, page.id)!, elementId, pseudo);
  const left = resolve(look.project, look.page, look.node, property, viewport.width, heldIn(look, viewport)).value;
  return {
    lint: 'hardly-differs',
    key: `${owner} ${at} ${property} near`,
    owner,
    pageId: page.id,
    at,
    property,
    sentence: `${name}: ${property} ${from} at ${describeTarget(project, at)} differs from the next band's ${to} by ${difference}.`,
    fix: change(left === to ? null : to),
    unchanged: false,
  };
}
