import type { FieldValue } from './field-value';

/** What fields show, by property. */
export interface Fields {
  get(property: string): FieldValue | undefined;
}

/** The same, and which of them were asked for: who asked has to be drawn again only where one of these tells something else. */
export class Watched implements Fields {
  readonly #asked = new Set<string>();

  constructor(private latest: Fields) {}

  get(property: string): FieldValue | undefined {
    this.#asked.add(property);
    return this.latest.get(property);
  }

  /** Takes others over, where all that was asked for tells the same as before; says whether that is so. */
  follow(next: Fields): boolean {
    for (const property of this.#asked) if (this.latest.get(property)?.story !== next.get(property)?.story) return false;
    this.latest = next;
    return true;
  }
}
