import type { ElementFacts } from '@/core/audit/facts';

type Arranged = Pick<ElementFacts, 'pane' | 'same' | 'described' | 'heads'>;

const NOTHING: Arranged = {};
const FIELDS = 'input:not([type=hidden]), select, textarea';
/** What opens, closes or names what is opened is there only where it is needed. */
const SERVES = '[popovertarget], summary, [data-mp-added], [data-mp-added] *';

const collapsed = (text: string) => text.replace(/\s+/g, ' ').trim().toLowerCase();

const ownWords = (node: Element) =>
  collapsed([...node.childNodes].map((child) => (child.nodeType === 3 ? (child.nodeValue ?? '') : ' ')).join(''));

/** What an element says by itself, in as many ways as it could be said elsewhere. */
function sayings(node: Element): readonly string[] {
  const words = ownWords(node);
  if (node.matches(FIELDS)) return [`field ${node.getAttribute('name') ?? node.id}`];
  if (node.localName === 'img') return node.getAttribute('alt') === '' ? [] : [`picture ${node.getAttribute('src')}`];
  if (words === '') return [];
  const href = node.getAttribute('href');
  return [`words ${words}`, ...(href !== null && href !== '#' ? [`way ${href}`] : [])];
}

/** The links that lead to another page, or a place on it; none that the Tab key passes over. */
const linksTo = (nodes: readonly Element[], address: string, pane: Element): number[] =>
  nodes.flatMap((node, i) => {
    const href = node.localName === 'a' ? node.getAttribute('href') : null;
    const leads = href !== null && (href === address || href.startsWith(`${address}#`));
    return leads && !pane.contains(node) && !(node.getAttribute('tabindex') ?? '0').startsWith('-') ? [i] : [];
  });

/** What has to be known of each element to judge arrangements; the same as long as the document is. */
export function arrangedFacts(nodes: readonly Element[]): readonly Arranged[] {
  const index = new Map(nodes.map((node, i) => [node, i]));
  const bySaying = new Map<string, number[]>();
  const roots = nodes.filter((node) => node.hasAttribute('data-mp-arranged'));
  if (roots.length > 0)
    nodes.forEach((node, i) => {
      for (const one of sayings(node)) bySaying.set(one, [...(bySaying.get(one) ?? []), i]);
    });
  return nodes.map((node, i): Arranged => {
    const address = node.getAttribute('data-mp-pane');
    const describedBy = node.getAttribute('aria-describedby');
    const inside = roots.some((root) => root.contains(node)) && !node.matches(SERVES) && sayings(node).length > 0;
    const parent = node.parentElement;
    const heads = node.getAttribute('role') === 'columnheader' || parent?.hasAttribute('data-mp-head') || isHeading(node);
    if (address === null && describedBy === null && !inside && !heads) return NOTHING;
    return {
      ...(address !== null && { pane: linksTo(nodes, address, node) }),
      ...(inside && { same: [...new Set(sayings(node).flatMap((one) => bySaying.get(one)!))].filter((other) => other !== i) }),
      ...(describedBy !== null && {
        described: describedBy.split(/\s+/).flatMap((id) => index.get(node.ownerDocument.getElementById(id)!) ?? []),
      }),
      ...(heads && { heads: true }),
    };
  });
}

/** A heading of a column in a table: in a row of nothing but headings. */
const isHeading = (node: Element): boolean =>
  node.localName === 'th' &&
  node.getAttribute('scope') !== 'row' &&
  [...(node.parentElement?.children ?? [])].every((one) => one.localName === 'th');
