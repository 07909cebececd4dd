import type { PageFacts } from '../facts';
import type { Judged } from '../judge';
import type { WidthResult } from './ledger';
import { sizesOf } from './sizes';
import type { Sweep, SweptPart, WrongWidth } from './sweep';

/** What a sweep has measured and told. */
export class Progress {
  readonly known = new Map<number, PageFacts>();
  readonly told = new Set<number>();
  readonly #edges: ReadonlySet<number>;
  #layouts = 0;
  #results: WidthResult[] = [];

  constructor(private readonly sweep: Pick<Sweep, 'measure' | 'edges'>) {
    this.#edges = new Set(sweep.edges);
  }

  measured(width: number): PageFacts {
    let facts = this.known.get(width);
    if (!facts) {
      facts = this.sweep.measure(width);
      this.known.set(width, facts);
      this.#layouts++;
    }
    return facts;
  }

  /** After each layout, since of thousands of elements one takes long. */
  soFar(wrong?: WrongWidth): SweptPart {
    const part = { results: this.#results, layouts: this.#layouts, ...(wrong && { wrong }) };
    this.#results = [];
    this.#layouts = 0;
    return part;
  }

  tell(width: number, violations: readonly Judged[]): void {
    this.told.add(width);
    const atEdge = this.#edges.has(width) || this.#edges.has(width + 1);
    this.#results.push({ width, violations, ...(atEdge && { sizes: sizesOf(this.measured(width)) }) });
  }
}
