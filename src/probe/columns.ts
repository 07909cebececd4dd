/** A list of rows, column by column. */
export class Columns<Name extends string> {
  readonly #lists: Record<Name, number[]>;
  constructor(...names: readonly Name[]) {
    this.#lists = Object.fromEntries(names.map((name) => [name, []])) as unknown as Record<Name, number[]>;
  }
  push(row: Readonly<Record<Name, number>>): void {
    for (const name in this.#lists) this.#lists[name].push(row[name]);
  }
  of(name: Name): number[] {
    return this.#lists[name];
  }
  get length(): number {
    return Object.values<number[]>(this.#lists)[0]!.length;
  }
}
