import { ancestorWord } from '../cascade/browser-defaults';
import type { PageElement } from '../document/element';
import type { Page, Project } from '../document/project';
import { CAN_BE_DISABLED } from '../document/states';
import { ancestorsOf } from '../document/tree';

/**
 * What is found of an element of a part holds for all uses that show it the same: of thousands one is asked. Only where
 * nothing but the element and what it stands in can matter to it: not with sheets from elsewhere, and not for what the
 * document can put into a state.
 */
export class Alike<T> {
  readonly #known = new Map<string, T>();
  readonly #numbers = new WeakMap<object, number>();
  #count = 0;

  /** @param versions the page before and after */
  of(before: Project, after: Project, versions: readonly [Page, Page], id: string, about: string, find: () => T): T {
    const elements = versions.map((page) => page.elements[id]!);
    if (
      before.sheets.length + after.sheets.length > 0 ||
      elements.some((one) => !one.layers || one.alternate || CAN_BE_DISABLED.has(one.tag))
    )
      return find();
    const key = `${about} ${versions.map((page, i) => this.#signOf(page, elements[i]!)).join(' ')}`;
    let found = this.#known.get(key);
    if (found === undefined) this.#known.set(key, (found = find()));
    return found;
  }

  /** By identity: uses share what they don't say themselves. */
  #signOf(page: Page, { id, tag, attributes, children, layers, styles, pseudo, shared, kind }: PageElement): string {
    const around = ancestorsOf(page, id).map(ancestorWord).join();
    const parts = [layers, styles, pseudo, shared].map((part) => (part ? this.#numberOf(part) : '-'));
    const said = Object.keys(attributes).map((name) => `${name}=${attributes[name]}`);
    return [tag, kind, page.direction, around, ...parts, children.length === 0, ...said].join();
  }

  #numberOf(part: object): number {
    let number = this.#numbers.get(part);
    if (number === undefined) this.#numbers.set(part, (number = this.#count++));
    return number;
  }
}
