import { bandsOf } from '../breakpoints/bands';
import { choiceAt } from '../breakpoints/choice';
import { slicesOf } from '../breakpoints/cells';
import type { Viewport } from '../breakpoints/viewport';
import { DEFAULT_SLICE } from '../breakpoints/viewport';
import { alternatesOn, atBase, handedSet } from '../document/alternates';
import type { Page, Project } from '../document/project';
import { ancestorsOf } from '../document/tree';
import { plural } from '../text/plural';
import { isBuiltLater } from './behaviour';

/** What a page that is handed over says of itself at one viewport, asked in a browser. */
export interface Told {
  /** How many alternates have been built since the page was opened. */
  readonly built: number;
  /** By set as it is named there: which of those built later whose places are there show, counted from 0 in reading order. */
  readonly shown: Readonly<Record<string, readonly number[]>>;
  /** By set, the fields of what shows: what they held as the page came to this viewport, and what was typed into them then. */
  readonly fields: Readonly<Record<string, Readonly<Record<string, { readonly held: string; readonly typed: string }>>>>;
}

/** What was proven of one page. */
export interface Rehearsal {
  readonly page: string;
  readonly name: string;
  readonly viewports: number;
  readonly built: number;
  /** How often what a visitor had typed went along. */
  readonly kept: number;
  /** What isn't as it must be, in words. */
  readonly faults: readonly string[];
}

interface LateSet {
  readonly name: string;
  /** Those built later whose place is in the page, in reading order. */
  readonly there: (viewport: Viewport) => readonly string[];
  /** Those of them that show. */
  readonly shown: (viewport: Viewport) => readonly string[];
}

/** The sets of a page of which something is built only when it is first shown. */
function lateSets(project: Project, page: Page): readonly LateSet[] {
  const later = (id: string) => isBuiltLater(page, id);
  const isChosen = (id: string, viewport: Viewport) => {
    const set = alternatesOn(page).get(page.elements[id]!.alternate!.set)!;
    return choiceAt(project.breakpoints, set.choice, atBase(set), viewport) === id;
  };
  return [...alternatesOn(page).values()].flatMap(({ id, members }): LateSet[] => {
    const late = members.filter(later);
    if (late.length === 0) return [];
    // What stands in one that isn't there isn't there either, nor is its place.
    const there = (viewport: Viewport) =>
      late.filter((member) => ancestorsOf(page, member).every((one) => !later(one.id) || isChosen(one.id, viewport)));
    const shown = (viewport: Viewport) => there(viewport).filter((member) => isChosen(member, viewport));
    return [{ name: handedSet(id), there, shown }];
  });
}

export const isRehearsed = (project: Project, page: Page): boolean => !page.brought && lateSets(project, page).length > 0;

const NEAR_SCREENS = { least: 300, most: 1600 };

/**
 * The viewports that a page is taken through, each from the one before: at every height that makes a difference up through all bands, the
 * edges of each, what lies beside them and the middle; and down again over the edges. Whole px.
 */
export function rehearsed(project: Project): readonly { readonly width: number; readonly height: number }[] {
  const { first, last } = project.audit.range;
  const heights = new Set([
    DEFAULT_SLICE.height,
    ...slicesOf(project.breakpoints.map(({ condition }) => condition)).map(({ height }) =>
      Math.round(Math.min(NEAR_SCREENS.most, Math.max(NEAR_SCREENS.least, height))),
    ),
  ]);
  return [...heights].flatMap((height) => {
    const bands = bandsOf(project, { ...DEFAULT_SLICE, height }).flatMap(({ from, below }) => {
      const [least, most] = [Math.max(from, first), Math.min(below - 1, last)];
      return least <= most ? [{ least, most }] : [];
    });
    const up = bands.flatMap(({ least, most }) => [least, least + 1, Math.floor((least + most) / 2), most - 1, most]);
    const down = bands.flatMap(({ least, most }) => [least, most]).reverse();
    const widths = [...new Set([...up].sort((a, b) => a - b)), ...down].filter((width) => width >= first && width <= last);
    return widths.map((width) => ({ width, height }));
  });
}

/** Compares what a page told at each viewport with what the document says: nothing of it is taken from the script that is judged. */
export function judged(
  project: Project,
  page: Page,
  viewports: readonly { readonly width: number; readonly height: number }[],
  told: readonly Told[],
): Rehearsal {
  const sets = lateSets(project, page);
  const seen = new Set<string>();
  const faults: string[] = [];
  let kept = 0;
  const named = (list: readonly string[]) =>
    list.map((id) => page.elements[id]?.name ?? 'something else').join(' and ') || 'none that is built later';
  viewports.forEach(({ width, height }, at) => {
    const where = `At ${width} by ${height} px`;
    const here = told[at];
    if (!here) return void faults.push(`${where} the page said nothing.`);
    const viewport = { ...DEFAULT_SLICE, width, height };
    for (const set of sets) {
      const wanted = set.shown(viewport);
      const there = set.there(viewport);
      const shown = (here.shown[set.name] ?? []).map((i) => there[i] ?? '');
      for (const id of wanted) seen.add(id);
      if (shown.join() !== wanted.join()) faults.push(`${where} ${named(shown)} shows in place of ${named(wanted)}.`);
      const before = told[at - 1]?.fields[set.name] ?? {};
      for (const [field, { held }] of Object.entries(here.fields[set.name] ?? {}))
        if (before[field] && before[field].typed !== held)
          faults.push(`${where} the field ${field} of ${named(shown)} lost what had been typed.`);
        else if (before[field] && set.shown({ ...DEFAULT_SLICE, ...viewports[at - 1]! }).join() !== wanted.join()) kept++;
    }
    if (here.built !== seen.size)
      faults.push(`${where} ${plural(here.built, 'alternate')} had been built; ${seen.size} had been shown.`);
  });
  const built = told[told.length - 1]?.built ?? 0;
  return { page: page.id, name: page.name, viewports: viewports.length, built, kept, faults };
}

/** What was proven, in a sentence. */
export function rehearsalInWords({ name, viewports, built, kept, faults }: Rehearsal): string {
  if (faults.length > 0)
    return `“${name}” isn’t as it must be: ${faults[0]!}${faults.length > 1 ? ` And ${plural(faults.length - 1, 'more fault')}.` : ''}`;
  const typed = kept > 0 ? ` What was typed went along ${plural(kept, 'time')}.` : '';
  return `“${name}” as it is handed over, at ${plural(viewports, 'size')} up and down: ${plural(built, 'alternate')} built, each once, when first shown; none within a band.${typed}`;
}
