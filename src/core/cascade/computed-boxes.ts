import { readPseudo, splitPseudo, whyNotOn } from '../document/pseudo';

/** Browsers lay markers and placeholders out in ways of their own: only what can be written on them is claimed. */
export function isClaimedOf(node: string, property: string): boolean {
  const { pseudo } = splitPseudo(node);
  const { box } = readPseudo(pseudo);
  if (box !== 'marker' && box !== 'placeholder') return true;
  // A field's line is as high as its type, whatever the placeholder says.
  return property !== 'content' && property !== 'line-height' && whyNotOn(pseudo, property) === undefined;
}

/** What browsers say of `content` (CSS Generated Content 3, 2); undefined where its words depend on something else. */
export function contentOf(node: string, value: string): string | undefined {
  const { box } = readPseudo(splitPseudo(node).pseudo);
  if (box !== 'before' && box !== 'after') return value === 'normal' ? value : undefined;
  if (value === 'normal' || value === 'none') return 'none';
  if (/^(open|close)-quote$/.test(value)) return value;
  const [, single, double] = /^(?:'([^'"]*)'|"([^"]*)")$/.exec(value) ?? [];
  const text = single ?? double;
  return text === undefined ? undefined : `"${text}"`;
}
