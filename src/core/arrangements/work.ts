import type { At } from '../breakpoints';
import { BASE, bandsOf, DEFAULT_SLICE, holdsAt } from '../breakpoints';
import { specifiedValue } from '../cascade/resolve';
import { childIds } from '../document/content';
import type { Arranged } from '../document/arranged';
import type { PageElement } from '../document/element';
import type { Page, Project } from '../document/project';
import { pageHolding, pageOf } from '../document/tree';
import { applyEdit, flattened } from '../edits/apply-edit';
import type { Edit } from '../edits/edit';
import { longhandsOfValue } from '../edits/set-style';
import type { ValueChange } from '../edits/value-writer';

/** An arrangement while it is put together: edits one after the other, each made on what the ones before have left. */
export class Work {
  readonly before: Project;
  readonly edits: Edit[] = [];
  /** Facts that go with what is changed, a sentence each. */
  readonly notes: string[] = [];
  /** Existing elements whose values are written, the properties, and the places: for saying what changes in which bands. */
  readonly written = { owners: new Set<string>(), properties: new Set<string>(), places: new Set<At>() };
  /** Set where it joins a list and its detail. */
  joins: Arranged['joins'];
  readonly treeId: string;
  readonly newId: () => string;
  #project: Project;

  /** @param newId gives the rest of ids, up to 24 small letters and digits */
  constructor(project: Project, treeId: string, newId: () => string) {
    this.before = project;
    this.#project = project;
    this.treeId = treeId;
    this.newId = newId;
  }

  get project(): Project {
    return this.#project;
  }

  /** The page, or the part, that is arranged; as it is now. */
  get tree(): Page {
    return pageOf(this.#project, this.treeId)!;
  }

  /** What another has done since, on another tree of the same project. */
  take(other: Work): void {
    this.edits.push(...other.edits.splice(0));
    this.notes.push(...other.notes.splice(0));
    for (const key of ['owners', 'properties', 'places'] as const)
      for (const one of other.written[key]) this.written[key].add(one);
    this.#project = other.project;
  }

  nameOn(treeId: string, id: string): string {
    return pageOf(this.#project, treeId)!.elements[id]!.name;
  }

  /** An element of what is arranged, or of a part that it shows. */
  element(id: string): PageElement {
    return (this.tree.elements[id] ?? pageHolding(this.#project, id)?.elements[id])!;
  }

  children(id: string): readonly string[] {
    return childIds(this.element(id));
  }

  do(...edits: readonly Edit[]): void {
    for (const edit of edits) {
      this.#project = applyEdit(this.#project, edit).document;
      this.edits.push(edit);
      for (const { owner, at, property } of writtenBy(edit)) {
        this.written.owners.add(owner);
        this.written.places.add(at);
        this.written.properties.add(property);
      }
    }
  }

  /** Writes values, shorthands among them, at one place; null takes one away. */
  values(owner: string, at: At, values: Readonly<Record<string, string | null>>): void {
    const changes = Object.entries(values).flatMap(([property, value]): ValueChange[] =>
      value === null
        ? [{ owner, at, property, value }]
        : Object.entries(longhandsOfValue(property, value)).map(([longhand, part]) => ({
            ...{ owner, at },
            ...{ property: longhand, value: part },
          })),
    );
    if (changes.length > 0) this.do({ type: 'restyle', label: 'Arrange', changes });
  }

  /** The specified value of an element where a place holds. */
  valueAt(id: string, property: string, at: At, treeId = this.treeId): string {
    const viewport = { ...DEFAULT_SLICE, width: this.widthAt(at) };
    const tree = pageOf(this.#project, treeId)!;
    return specifiedValue(this.#project, id in tree.elements ? tree : pageHolding(this.#project, id)!, id, property, viewport);
  }

  /** A width at which a place holds, and as few others as can be; 1000 px where it is the base and holds alone nowhere. */
  widthAt(at: At): number {
    const bands = bandsOf(this.#project, DEFAULT_SLICE);
    if (at === BASE) return bands.find(({ holds }) => holds.length === 0)?.from ?? 1000;
    const condition = this.#project.breakpoints.find(({ id }) => id === at)?.condition;
    const holding = bands.filter(({ from }) => !condition || holdsAt(condition, { ...DEFAULT_SLICE, width: from }));
    const least = Math.min(...holding.map(({ holds }) => holds.length));
    return holding.find(({ holds }) => holds.length === least)?.from ?? 1000;
  }

  /**
   * Writes values at the base and keeps what held before at a narrower place, with all that is narrower still: what is written reaches
   * only widths above it. Own values there stay anyway.
   */
  valuesAbove(owner: string, narrow: At, values: Readonly<Record<string, string>>, treeId = this.treeId): void {
    const own = pageOf(this.#project, treeId)!.elements[owner]!.styles[narrow] ?? {};
    const longhands = Object.entries(values).flatMap(([property, value]) => Object.keys(longhandsOfValue(property, value)));
    const kept = longhands.filter((one) => own[one] === undefined);
    this.values(owner, narrow, Object.fromEntries(kept.map((one) => [one, this.valueAt(owner, one, narrow, treeId)])));
    this.values(owner, BASE, values);
  }

  attribute(node: string, name: string, value: string | null): void {
    if (this.element(node).attributes[name] !== (value ?? undefined)) this.do({ type: 'setAttribute', node, name, value });
  }

  /** Values for much room: at a breakpoint, or at the base without reaching what has less. */
  valuesWide(owner: string, at: At, values: Readonly<Record<string, string>>): void {
    const narrow = at === BASE ? widestBelow(this.#project) : undefined;
    if (narrow === undefined) this.values(owner, at, values);
    else this.valuesAbove(owner, narrow, values);
  }
}

function writtenBy(edit: Edit): readonly Pick<ValueChange, 'owner' | 'at' | 'property'>[] {
  if (edit.type === 'group') return flattened(edit).flatMap(writtenBy);
  if (edit.type === 'restyle') return edit.changes;
  if (edit.type !== 'setStyle') return [];
  return Object.keys(longhandsOfValue(edit.property, edit.value)).map((property) => ({
    owner: edit.owner,
    at: edit.at,
    property,
  }));
}

/** The breakpoint for less room that reaches up furthest. */
export function widestBelow({ breakpoints }: Project): At | undefined {
  const narrow = breakpoints.filter(({ condition }) => condition.below !== undefined && condition.from === undefined);
  return narrow.reduce<(typeof narrow)[number] | undefined>(
    (widest, one) => (!widest || one.condition.below! > widest.condition.below! ? one : widest),
    undefined,
  )?.id;
}
