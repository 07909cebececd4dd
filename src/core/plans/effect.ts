import { listed } from '../text';
import type { Band, Slice } from '../breakpoints';
import { BASE, bandsOf } from '../breakpoints';
import { heldIn, lookOf } from '../cascade/look';
import { resolve } from '../cascade/resolve';
import type { Project } from '../document/project';
import { splitPseudo } from '../document/pseudo';
import { pageHolding } from '../document/tree';
import { ownerName } from '../edits/owners';
import { propertyRank } from '../styles/properties';

/** What becomes of some properties of one element in one band. */
interface BandEffect {
  readonly band: Band;
  readonly changed: readonly string[];
  readonly kept: readonly string[];
}

const MOST_LINES = 8;

/** As properties are listed everywhere, in whatever order they were written. */
const inOrder = (properties: readonly string[]) =>
  [...properties].sort((a, b) => propertyRank(a) - propertyRank(b) || (a < b ? -1 : 1));

/** Properties of all four sides by the name of the four together: "padding" for its four longhands. */
export function namedTogether(properties: readonly string[]): string[] {
  const left = new Set(inOrder(properties));
  const names: string[] = [];
  for (const prefix of ['margin', 'padding'])
    if (['top', 'right', 'bottom', 'left'].every((side) => left.has(`${prefix}-${side}`))) {
      for (const side of ['top', 'right', 'bottom', 'left']) left.delete(`${prefix}-${side}`);
      names.push(prefix);
    }
  if (left.has('row-gap') && left.has('column-gap')) {
    left.delete('row-gap');
    left.delete('column-gap');
    names.push('gap');
  }
  return [...names, ...left];
}

function effectIn(
  before: Project,
  after: Project,
  owner: string,
  properties: readonly string[],
  band: Band,
  slice: Slice,
  edited: ReadonlySet<string>,
): BandEffect | undefined {
  const { id, pseudo } = splitPseudo(owner);
  const pages = [pageHolding(before, id), pageHolding(after, id)];
  if (!pages[0] || !pages[1]) return undefined;
  const [was, is] = [lookOf(before, pages[0], id, pseudo), lookOf(after, pages[1], id, pseudo)];
  const changed: string[] = [];
  const kept: string[] = [];
  for (const property of inOrder(properties)) {
    const a = resolve(was.project, was.page, was.node, property, band.from, heldIn(was, slice));
    const b = resolve(is.project, is.page, is.node, property, band.from, heldIn(is, slice));
    if (a.value !== b.value) changed.push(`${property} ${a.value} becomes ${b.value}`);
    else if (b.origin.kind === 'declared' && b.origin.candidate.layer === 'own' && !edited.has(b.origin.candidate.at))
      kept.push(`${property} ${b.value}`);
  }
  return { band, changed, kept };
}

/** Four sides with the same to say are said once. */
function together(parts: readonly string[]): string[] {
  const said = new Map<string, string[]>();
  for (const part of parts) {
    const [property = '', ...rest] = part.split(' ');
    said.set(rest.join(' '), [...(said.get(rest.join(' ')) ?? []), property]);
  }
  return [...said].flatMap(([rest, properties]) => namedTogether(properties).map((name) => `${name} ${rest}`));
}

/**
 * What an edit changes and what stays as it is, band by band at one height and pointer, one fact a line:
 * "Middle: gap 12px becomes 24px." and "Narrow keeps its own gap 16px."
 * @param elements elements, each perhaps with a state or a box behind it
 * @param edited the places that the edit writes to; values of one's own that come from others are named as kept
 */
export function describeEffect(
  before: Project,
  after: Project,
  elements: readonly string[],
  properties: readonly string[],
  slice: Slice,
  edited: readonly string[],
): string[] {
  const lines: string[] = [];
  const places = new Set(edited);
  for (const id of elements) {
    const name = elements.length > 1 ? `${ownerName(after, id)}, ` : '';
    const changed = new Map<string, string[]>();
    const kept = new Map<string, string[]>();
    for (const band of bandsOf(after, slice)) {
      const effect = effectIn(before, after, id, properties, band, slice, places);
      if (effect?.changed.length) {
        const text = listed(together(effect.changed));
        changed.set(text, [...(changed.get(text) ?? []), band.name]);
      }
      // Where nothing is written, keeping a value is nothing to speak of.
      const reached = places.has(BASE) || band.holds.some((at) => places.has(at));
      for (const text of reached ? together(effect?.kept ?? []) : []) kept.set(text, [...(kept.get(text) ?? []), band.name]);
    }
    for (const [text, bands] of changed) lines.push(`${name}${listed(bands, 8)}: ${text}.`);
    const keeping = new Map<string, string[]>();
    for (const [text, bands] of kept) {
      const who = listed(bands, 8);
      keeping.set(who, [...(keeping.get(who) ?? []), text]);
    }
    if (changed.size > 0 || elements.length === 1)
      for (const [who, texts] of keeping)
        lines.push(`${name}${who} ${/ and |, /.test(who) ? 'keep their' : 'keeps its'} own ${listed(texts)}.`);
  }
  if (lines.length === 0) return ['Nothing that shows changes at this height.'];
  return lines.length > MOST_LINES
    ? [...lines.slice(0, MOST_LINES), `And ${lines.length - MOST_LINES} more of the same kind.`]
    : lines;
}
