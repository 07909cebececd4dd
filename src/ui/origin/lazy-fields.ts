import type { FieldValue } from './field-value';
import type { Fields } from './watched';

/** What fields show, each worked out when it is first asked for: of hundreds of elements it takes long, and few are in sight. */
export class LazyFields implements Fields {
  readonly #known = new Map<string, FieldValue>();

  constructor(private readonly find: (property: string) => FieldValue) {}

  get(property: string): FieldValue {
    let field = this.#known.get(property);
    if (!field) this.#known.set(property, (field = this.find(property)));
    return field;
  }
}
