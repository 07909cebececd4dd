/** The HTML elements a page may be made of, and the attributes each may carry. Anything else is refused. */

const GLOBAL_ATTRIBUTES = ['title', 'lang', 'dir', 'role', 'tabindex', 'id'] as const;

/** What an element may hold: elements or a text (`flow`), only a text (`text`), or nothing (`void`). */
export type ContentKind = 'flow' | 'text' | 'void';

interface ElementRule {
  readonly content: ContentKind;
  readonly attributes?: readonly string[];
  /** Where given, the only children allowed. */
  readonly children?: readonly string[];
}

const flow: ElementRule = { content: 'flow' };

export const HTML_ELEMENTS: Readonly<Record<string, ElementRule>> = {
  body: flow,
  header: flow,
  footer: flow,
  main: flow,
  nav: flow,
  section: flow,
  article: flow,
  aside: flow,
  div: flow,
  h1: flow,
  h2: flow,
  h3: flow,
  h4: flow,
  h5: flow,
  h6: flow,
  p: flow,
  span: flow,
  strong: flow,
  em: flow,
  small: flow,
  b: flow,
  i: flow,
  mark: flow,
  code: flow,
  time: { content: 'flow', attributes: ['datetime'] },
  a: { content: 'flow', attributes: ['href'] },
  ul: { content: 'flow', children: ['li'] },
  ol: { content: 'flow', children: ['li'], attributes: ['start'] },
  li: flow,
  dl: { content: 'flow', children: ['dt', 'dd', 'div'] },
  dt: flow,
  dd: flow,
  figure: flow,
  figcaption: flow,
  blockquote: flow,
  address: flow,
  pre: { content: 'text' },
  hr: { content: 'void' },
  img: { content: 'void', attributes: ['src', 'alt', 'loading'] },
  button: { content: 'flow', attributes: ['type', 'name', 'value'] },
  form: { content: 'flow', attributes: ['action', 'method'] },
  label: { content: 'flow', attributes: ['for'] },
  input: {
    content: 'void',
    attributes: ['type', 'name', 'value', 'placeholder', 'required', 'checked', 'min', 'max', 'autocomplete'],
  },
  textarea: { content: 'text', attributes: ['name', 'placeholder', 'rows', 'required'] },
  fieldset: flow,
  legend: flow,
  table: { content: 'flow', children: ['caption', 'thead', 'tbody', 'tfoot'] },
  caption: flow,
  thead: { content: 'flow', children: ['tr'] },
  tbody: { content: 'flow', children: ['tr'] },
  tfoot: { content: 'flow', children: ['tr'] },
  tr: { content: 'flow', children: ['th', 'td'] },
  th: { content: 'flow', attributes: ['scope', 'colspan', 'rowspan'] },
  td: { content: 'flow', attributes: ['colspan', 'rowspan'] },
};

export const INPUT_TYPES = ['text', 'email', 'tel', 'url', 'password', 'number', 'date', 'checkbox', 'radio'] as const;

/** Elements that stand only inside particular parents; the HTML parser would move or drop them elsewhere. */
const NEEDS_PARENT: Readonly<Record<string, readonly string[]>> = {
  li: ['ul', 'ol'],
  dt: ['dl', 'div'],
  dd: ['dl', 'div'],
  caption: ['table'],
  thead: ['table'],
  tbody: ['table'],
  tfoot: ['table'],
  tr: ['thead', 'tbody', 'tfoot'],
  th: ['tr'],
  td: ['tr'],
  legend: ['fieldset'],
  figcaption: ['figure'],
};

const PHRASING = new Set('span strong em small b i mark code time a img button label input textarea'.split(' '));
/** Elements whose content must be phrasing content: a block inside would close them in the HTML parser. */
const PHRASING_ONLY = new Set(
  'h1 h2 h3 h4 h5 h6 p span strong em small b i mark code time button label legend'.split(' '),
);
const INTERACTIVE = new Set(['a', 'button', 'input', 'textarea', 'label']);

/** Why `child` can't stand directly in `parent` (HTML, content models); undefined when it can. */
export function whyNotInside(child: string, parent: string, ancestors: readonly string[] = []): string | undefined {
  const rule = HTML_ELEMENTS[parent];
  if (!HTML_ELEMENTS[child]) return `<${child}> isn't an element that a page here can hold.`;
  if (!rule || rule.content !== 'flow') return `<${parent}> can't hold other elements.`;
  if (child === 'body') return 'A page has one body.';
  if (rule.children && !rule.children.includes(child))
    return `<${parent}> holds only ${rule.children.map((tag) => `<${tag}>`).join(', ')}.`;
  const needed = NEEDS_PARENT[child];
  if (needed && !needed.includes(parent))
    return `<${child}> stands only in ${needed.map((tag) => `<${tag}>`).join(' or ')}.`;
  const around = [parent, ...ancestors];
  const phrasing = around.find((tag) => PHRASING_ONLY.has(tag));
  if (phrasing && !PHRASING.has(child)) return `<${phrasing}> holds text, not a block like <${child}>.`;
  if ((child === 'a' || child === 'button') && around.some((tag) => tag === 'a' || tag === 'button'))
    return `<${child}> can't stand inside another link or button.`;
  if (parent === 'button' && INTERACTIVE.has(child)) return `<${child}> can't stand inside a button.`;
  if (child === 'form' && around.includes('form')) return "A form can't stand inside a form.";
  return undefined;
}

/** Why the attribute or its value is refused; undefined when it may stand. */
export function whyNotAttribute(tag: string, name: string, value: string): string | undefined {
  const allowed =
    (GLOBAL_ATTRIBUTES as readonly string[]).includes(name) ||
    /^(aria|data)-[a-z][a-z-]{0,40}$/.test(name) ||
    HTML_ELEMENTS[tag]?.attributes?.includes(name);
  if (!allowed || name.startsWith('data-mp-')) return `<${tag}> can't carry the attribute "${name}".`;
  if ((name === 'href' || name === 'action') && !/^(#|https?:|mailto:|tel:|page:|[\w./-]+$)/i.test(value))
    return `"${value.slice(0, 60)}" isn't a link address that is allowed here.`;
  if (name === 'src' && !/^picture:p[a-z0-9]{1,24}$/.test(value))
    return 'A picture names one of the project: "picture:…".';
  if (tag === 'input' && name === 'type' && !(INPUT_TYPES as readonly string[]).includes(value))
    return `"${value}" isn't a field type; use ${INPUT_TYPES.join(', ')}.`;
  if (tag === 'button' && name === 'type' && !['button', 'submit', 'reset'].includes(value))
    return 'A button is of type button, submit or reset.';
  return undefined;
}
