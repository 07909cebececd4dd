import { attributeNameSchema, attributeValueSchema } from '../document/attribute-fields';
import { isOutside } from '../document/addresses';
import { FETCHING, isInert, whyNotKeptAttribute } from '../document/html';
import type { LeftOut } from '../document/brought';
import { splitOutside } from '../styles';

interface Attribute {
  readonly name: string;
  readonly value: string;
  readonly prefix?: string | undefined;
}

/** Stands where a file of another site was named: a file that isn't there, and is shown so. */
export const LEFT_OUT = 'left-out';

type Note = (reason: LeftOut['reason'], what: string) => void;

/** The attributes of an element as they can be kept; what was left out is told. */
export function keptAttributes(tag: string, attrs: readonly Attribute[], note: Note): Readonly<Record<string, string>> {
  const kept: [string, string][] = [];
  for (const { name: local, value, prefix } of attrs) {
    const name = (prefix ? `${prefix}:${local}` : local).toLowerCase();
    if (tag === 'form' && (name === 'action' || name === 'target')) {
      if (value.trim() !== '') note('form', `${name}="${value.slice(0, 80)}"`);
      continue;
    }
    const why = whyNot(tag, name, value);
    // Of what it was for nothing is left anyway.
    if (why !== undefined && isInert(tag)) continue;
    if (why === undefined) kept.push([name, value]);
    else if (/^on/.test(name)) note('event', `${name} of <${tag}>`);
    else if (name === 'style') kept.push(['style', withoutAddresses(value, note)]);
    else if (name === 'href') {
      // An element with a target is a link, and looks like one.
      note(/^\s*javascript:/i.test(value) ? 'script' : 'address', value.slice(0, 80));
      kept.push([name, '#']);
    } else if (FETCHING.has(name) && isOutside(value)) {
      note('address', value.slice(0, 200));
      kept.push([name, LEFT_OUT]);
    } else note('attribute', `${name}="${value.slice(0, 80)}" of <${tag}>`);
  }
  return Object.fromEntries(kept);
}

function whyNot(tag: string, name: string, value: string): string | undefined {
  if (!attributeNameSchema.safeParse(name).success) return 'not an attribute name';
  if (!attributeValueSchema.safeParse(value).success) return 'too long';
  return whyNotKeptAttribute(tag, name, value);
}

function withoutAddresses(style: string, note: Note): string {
  return splitOutside(style, ';')
    .filter((one) => {
      const why = whyNotKeptAttribute('div', 'style', one);
      if (why) note('address', one.trim().slice(0, 120));
      return why === undefined;
    })
    .join(';');
}
