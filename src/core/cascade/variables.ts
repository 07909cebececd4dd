import type { Viewport } from '../breakpoints/viewport';
import type { Page, Project } from '../document/project';
import { substitute, variablesIn } from '../styles/custom';
import { decide } from './resolve';
import { aboveOf, elementOf } from './root';

/** Computed values of custom properties at one viewport (CSS Custom Properties 1, 2.2). */
export class Variables {
  readonly #known = new Map<string, string | undefined>();

  constructor(
    readonly project: Project,
    readonly page: Page,
    readonly viewport: Viewport,
  ) {}

  /** Undefined where it has none: declared nowhere, `initial`, or dependent on itself. */
  value(elementId: string, name: string): string | undefined {
    const key = `${elementId} ${name}`;
    if (this.#known.has(key)) return this.#known.get(key);
    const value = this.#isCircular(elementId, name, name, new Set()) ? undefined : this.#compute(elementId, name);
    this.#known.set(key, value);
    return value;
  }

  /** Whether what it comes to, here or where it is inherited from, may be something else. */
  isUnsure(elementId: string, name: string, seen: ReadonlySet<string> = new Set()): boolean {
    if (seen.has(name)) return false;
    const { winner, from, doubts } = this.#declared(elementId, name);
    if (doubts.length > 0) return true;
    const parent = from === 'parent' ? aboveOf(this.page, elementId) : undefined;
    if (parent) return this.isUnsure(parent.id, name, seen);
    return (
      from === 'winner' && variablesIn(winner!.value).some((other) => this.isUnsure(elementId, other, new Set([...seen, name])))
    );
  }

  #declared(elementId: string, name: string) {
    return decide(this.project, this.page, elementOf(this.page, elementId), name, this.viewport);
  }

  #compute(elementId: string, name: string): string | undefined {
    const { winner, from } = this.#declared(elementId, name);
    if (from === 'initial') return undefined;
    const parent = aboveOf(this.page, elementId);
    if (from === 'parent') return parent && this.value(parent.id, name);
    const value = substitute(winner!.value, (other) => this.value(elementId, other))?.trim();
    // A fallback may be a CSS-wide keyword; it then means what it means (CSS Custom Properties 1, 3).
    if (value && /^(inherit|unset)$/i.test(value)) return parent && this.value(parent.id, name);
    return value === undefined || /^initial$/i.test(value) ? undefined : value;
  }

  /** Whether a custom property depends on itself on one element, by way of others, fallbacks included. */
  #isCircular(elementId: string, name: string, at: string, seen: Set<string>): boolean {
    if (seen.has(at)) return false;
    seen.add(at);
    const { winner, from } = this.#declared(elementId, at);
    return (
      from === 'winner' &&
      variablesIn(winner!.value).some((other) => other === name || this.#isCircular(elementId, name, other, seen))
    );
  }
}
