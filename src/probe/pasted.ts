import type { Leaf, Mark } from '@/core/written';
import { MARK_TAGS } from '@/core/written';
import { newId } from './written-dom';

/* What other programs leave on the clipboard, as words with marks: nothing else of it is kept. */

const MOST_HTML = 3_000_000;
const MOST_TEXT = 400_000;
const MOST_NODES = 20_000;
const TOO_MANY = `That is too much to paste into one text: at most ${MOST_NODES} parts.`;

/** Elements around which a new paragraph begins. */
const BLOCKS = new Set(
  (
    'address article aside blockquote dd details dialog div dl dt fieldset figcaption figure footer form h1 h2 h3 h4 h5 h6 ' +
    'header hr li main nav ol p pre section table tbody td th thead tr ul'
  ).split(' '),
);
const UNSEEN = new Set('script style template title head meta link noscript iframe object svg math textarea select'.split(' '));
/** Marks that only say how something looks are taken as what they mean, or left out. */
const MEANT: Readonly<Record<string, string | null>> = {
  b: 'strong',
  i: 'em',
  span: null,
  bdi: null,
  data: null,
  strike: 's',
  tt: 'code',
};

export type Pasted = { readonly lines: readonly (readonly Leaf[])[] } | { readonly problem: string };

export function readPasted(html: string, text: string): Pasted {
  if (html.length > MOST_HTML || text.length > MOST_TEXT)
    return { problem: `That is too much to paste into one text: at most ${MOST_TEXT} characters.` };
  if (html) return fromHtml(html);
  const lines = plainLines(text);
  return lines.length > MOST_NODES ? { problem: TOO_MANY } : { lines };
}

const plainLines = (text: string): Leaf[][] =>
  text.split(/\r\n?|\n/).map((line) => (line === '' ? [] : [{ text: clean(line), path: [] }]));

/** Without what no document may hold. */
const clean = (text: string) => text.replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f]/g, '').toWellFormed();

function fromHtml(html: string): Pasted {
  const lines: Leaf[][] = [[]];
  let nodes = 0;
  const put = (leaf: Leaf) => lines[lines.length - 1]!.push(leaf);
  const breakLine = () => {
    if (lines[lines.length - 1]!.length > 0) lines.push([]);
  };
  // Not by recursion: what is pasted may be nested deeper than a stack.
  const body = new DOMParser().parseFromString(html, 'text/html').body;
  const waiting: { readonly node: Node; readonly path: readonly Mark[]; readonly after?: true }[] = [{ node: body, path: [] }];
  while (waiting.length > 0) {
    const { node, path, after } = waiting.pop()!;
    if (after) {
      breakLine();
      continue;
    }
    if (++nodes > MOST_NODES) return { problem: TOO_MANY };
    if (node instanceof Text) {
      const text = clean(node.data.replace(/[ \t\r\n]+/g, ' '));
      const line = lines[lines.length - 1]!;
      const trimmed = line.length === 0 || endsInSpace(line) ? text.replace(/^ /, '') : text;
      if (trimmed !== '') put({ text: trimmed, path });
      continue;
    }
    if (!(node instanceof HTMLElement) || UNSEEN.has(node.localName)) continue;
    if (node.localName === 'br') {
      put({ atom: { id: newId(), tag: 'br' }, path });
      continue;
    }
    const block = BLOCKS.has(node.localName);
    if (block) {
      breakLine();
      waiting.push({ node, path, after: true });
    }
    const mark = markOf(node, path);
    const inner = mark ? [...path, mark] : path;
    for (let child = node.lastChild; child; child = child.previousSibling) waiting.push({ node: child, path: inner });
  }
  const kept = lines.filter((line) => line.length > 0);
  return { lines: kept.length > 0 ? kept : [[]] };
}

function endsInSpace(line: readonly Leaf[]): boolean {
  const last = line[line.length - 1]!;
  return 'atom' in last || /\s$/.test(last.text);
}

function markOf(node: HTMLElement, path: readonly Mark[]): Mark | undefined {
  const tag = Object.hasOwn(MEANT, node.localName) ? MEANT[node.localName] : node.localName;
  if (!tag || !MARK_TAGS.has(tag) || path.some((mark) => mark.tag === tag)) return undefined;
  // Some write bold around everything and take it back inside.
  if (tag === 'strong' && /^(normal|[1-5]00)$/.test(node.style.fontWeight)) return undefined;
  const names = tag === 'a' ? ['href'] : tag === 'time' ? ['datetime'] : tag === 'abbr' ? ['title'] : [];
  const given = names.flatMap((name) => {
    const value = node.getAttribute(name);
    return value && (name !== 'href' || /^(https?:|mailto:|tel:)\S+$/i.test(value))
      ? [[name, value.slice(0, 2_000)] as const]
      : [];
  });
  if (tag === 'a' && given.length === 0) return undefined;
  return { id: newId(), tag, attributes: Object.fromEntries(given) };
}
