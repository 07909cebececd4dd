import type { PageElement } from '../document/element';
import { kindOf } from '../document/kinds';

/** A name for what elements make together: "Links", "Opening hours group", "Claw hammer and 2 more". */
export function groupName(elements: readonly PageElement[]): string {
  const heading = elements.find(({ tag }) => /^h[1-6]$/.test(tag));
  if (heading) return cut(`${heading.name} group`);
  const kinds = new Set(elements.map((element) => kindOf(element)?.many ?? ''));
  const [many] = kinds;
  if (kinds.size === 1 && many && elements.length > 1) return many[0]!.toUpperCase() + many.slice(1);
  const rest = elements.length - 1;
  return cut(rest === 0 ? `${elements[0]!.name} group` : `${elements[0]!.name} and ${rest} more`);
}

const cut = (name: string) => (name.length > 60 ? `${name.slice(0, 59).trimEnd()}…` : name);
