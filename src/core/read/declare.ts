import { lexer } from 'css-tree';
import type { Declaration } from 'css-tree';
import { CUSTOM_PROPERTY, isProperty, isShorthand, longhandsOf, PROPERTIES } from '../styles';
import { checkValue } from '../styles/value';

/** A declaration that isn't known here. */
export interface Doubtful {
  readonly property: string;
  readonly value: string;
  readonly important: boolean;
}

/** How a longhand was said by a property that follows the direction of the text. */
export interface FlowSide extends Doubtful {
  /** "margin", "padding" or "inset". */
  readonly of: string;
}

/** What a rule says, while it is read. */
export interface Said {
  readonly normal: Record<string, string>;
  readonly important: Record<string, string>;
  readonly flow: Map<string, FlowSide>;
  readonly doubtful: Doubtful[];
  readonly doubted: Set<string>;
  readonly doubtedImportant: Set<string>;
}

/** Takes one declaration of a rule into what it says. @param written its value as it stands in the sheet, without comments */
export function declare(node: Declaration, written: string, rule: Said): void {
  const important = node.important !== false;
  const doubted = important ? rule.doubtedImportant : rule.doubted;
  const custom = CUSTOM_PROPERTY.test(node.property);
  const property = custom ? node.property : plainName(node.property.toLowerCase());
  // Where files lie isn't part of what is said of a value.
  const value = written.replace(/url\((?:"(?:[^"\\]|\\.)*"|'(?:[^'\\]|\\.)*'|[^)]*)\)/gi, 'url(picture:pfile)');
  const doubt = (names: readonly string[]) => {
    for (const one of names) doubted.add(one);
    rule.doubtful.push({ property: node.property, value: written, important });
  };
  if (!custom && !isProperty(property) && !isShorthand(property)) {
    const reached = reachOf(property);
    if (reached.length > 0) doubt(reached);
    return;
  }
  const into = important ? rule.important : rule.normal;
  if (!custom && value.toLowerCase() === 'revert') {
    for (const longhand of isShorthand(property) ? longhandsOf(property) : [property]) {
      doubted.delete(longhand);
      rule.flow.delete(longhand);
      delete into[longhand];
      into[longhand] = 'revert';
    }
    return;
  }
  const checked = checkValue(property, ALIASES[value.toLowerCase()] ?? value);
  if (!checked.ok || checked.notTaken !== undefined) {
    // What no browser takes is dropped by all of them.
    if (isSurelyWrong(property, value)) return;
    doubt(isShorthand(property) ? longhandsOf(property) : [property]);
    return;
  }
  const of = FLOW.exec(property)?.[1];
  for (const [longhand, text] of Object.entries(checked.declarations)) {
    doubted.delete(longhand);
    delete into[longhand];
    into[longhand] = longhand === 'font-family' && /^monospace$/i.test(value) ? 'monospace' : text;
    if (of === undefined) rule.flow.delete(longhand);
    else rule.flow.set(longhand, { of, property: node.property, value: written, important });
  }
}

/** Properties of sides that follow the direction of the text (CSS Logical 1). */
const FLOW = /^(margin|padding|inset)-(?:inline|block)/;

const OLD_FLOW: Readonly<Record<string, string>> = {
  start: 'inline-start',
  end: 'inline-end',
  before: 'block-start',
  after: 'block-end',
};
/** Names with a prefix that are but another name of the property (CSS Compatibility). */
const PREFIXED =
  /^-webkit-(box-sizing|box-shadow|opacity|order|background-size|justify-content|align-(?:content|items|self)|flex(?:-[a-z]+)?)$/;

const plainName = (property: string): string =>
  PREFIXED.exec(property)?.[1] ??
  property.replace(
    /^-webkit-(margin|padding)-(start|end|before|after)$/,
    (_, of: string, side: string) => `${of}-${OLD_FLOW[side]}`,
  );

/** Old names of values that browsers still take (CSS Compatibility). */
const ALIASES: Readonly<Record<string, string>> = { '-webkit-flex': 'flex', '-webkit-inline-flex': 'inline-flex' };

/** Whether a value is none by a grammar that lacks nothing it speaks of: words and numbers, no function. */
const isSurelyWrong = (property: string, value: string): boolean =>
  !/[(\\]|^(inherit|initial|unset|revert|revert-layer)$|-(webkit|moz)-/i.test(value) &&
  lexer.matchProperty(property, value).error !== null;

const ALL = PROPERTIES.map(({ name }) => name);
const REACHES: readonly (readonly [RegExp, RegExp])[] = [
  [/^(all|zoom)$/, /./],
  [/^grid(-template)?$/, /^grid-/],
  [/^border-(block|inline|start|end)/, /^border-/],
  [/^(white-space-collapse|text-wrap(-mode)?)$/, /^white-space$/],
  [/^text-wrap$/, /^text-wrap-style$/],
  [/^overflow-(block|inline)$/, /^overflow-/],
  [/^(min-|max-)?(inline|block)-size$/, /(width|height)$/],
];

/** Properties known here that another one sets, or may. */
function reachOf(property: string): readonly string[] {
  const plain = /^-webkit-(.+)$/.exec(property)?.[1];
  if (plain !== undefined) return isProperty(plain) ? [plain] : isShorthand(plain) ? longhandsOf(plain) : [];
  const reached = REACHES.filter(([of]) => of.test(property)).map(([, what]) => what);
  return ALL.filter((name) => reached.some((what) => what.test(name)));
}
