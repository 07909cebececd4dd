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

const RULES: Readonly<Record<string, ElementRule>> = {
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

const byTag = new Map(Object.entries(RULES));

/** Every tag that a page may use. */
export const HTML_TAGS: readonly string[] = [...byTag.keys()];

/** What HTML says of a tag; undefined for tags that a page here can't hold. */
export function ruleOf(tag: string): ElementRule | undefined {
  return byTag.get(tag);
}

export const INPUT_TYPES = ['text', 'email', 'tel', 'url', 'password', 'number', 'date', 'checkbox', 'radio'] as const;

/** Elements that stand only inside particular parents; the HTML parser would move or drop them elsewhere. */
const NEEDS_PARENT: ReadonlyMap<string, readonly string[]> = new Map(
  Object.entries({
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
  }),
);

const PHRASING = new Set('span strong em small b i mark code time a img button label input textarea'.split(' '));
/** Elements whose content must be phrasing content: a block inside would close them in the HTML parser. */
const PHRASING_ONLY = new Set('h1 h2 h3 h4 h5 h6 p span strong em small b i mark code time button label legend'.split(' '));
const INTERACTIVE = new Set(['a', 'button', 'input', 'textarea', 'label']);

/** All that decides whether something may stand at a place: what is around it, from the parent outwards. */
export interface Surroundings {
  readonly parent: string;
  /** How many elements it stands in. */
  readonly depth: number;
  /** The nearest element that holds only phrasing content, and the nearest link or button. */
  readonly phrasing: string | undefined;
  readonly pressed: string | undefined;
  readonly form: boolean;
}

/** The surroundings of what stands directly in an element of a tag; without `outer`, that element stands in nothing. */
export function surroundings(tag: string, outer?: Surroundings): Surroundings {
  return {
    parent: tag,
    depth: (outer?.depth ?? 0) + 1,
    phrasing: PHRASING_ONLY.has(tag) ? tag : outer?.phrasing,
    pressed: tag === 'a' || tag === 'button' ? tag : outer?.pressed,
    form: tag === 'form' || (outer?.form ?? false),
  };
}

/** Why an element of the tag can't stand there (HTML, content models); undefined when it can. */
export function whyNotInside(tag: string, { parent, phrasing, pressed, form }: Surroundings): string | undefined {
  const rule = ruleOf(parent);
  if (!ruleOf(tag)) return `<${tag}> isn't an element that a page here can hold.`;
  if (rule?.content !== 'flow') return `<${parent}> can't hold other elements.`;
  if (tag === 'body') return 'A page has one body.';
  if (rule.children && !rule.children.includes(tag))
    return `<${parent}> holds only ${rule.children.map((one) => `<${one}>`).join(', ')}.`;
  const needed = NEEDS_PARENT.get(tag);
  if (needed && !needed.includes(parent)) return `<${tag}> stands only in ${needed.map((one) => `<${one}>`).join(' or ')}.`;
  if (phrasing && !PHRASING.has(tag)) return `<${phrasing}> holds text, not a block like <${tag}>.`;
  if (pressed && (tag === 'a' || tag === 'button')) return `<${tag}> can't stand inside another link or button.`;
  if (parent === 'button' && INTERACTIVE.has(tag)) return `<${tag}> can't stand inside a button.`;
  if (form && tag === 'form') return "A form can't stand inside a form.";
  return undefined;
}

/** Why the attribute or its value is refused; undefined when it may stand. */
export function whyNotAttribute(tag: string, name: string, value: string): string | undefined {
  const allowed =
    (GLOBAL_ATTRIBUTES as readonly string[]).includes(name) ||
    /^(aria|data)-[a-z][a-z-]{0,40}$/.test(name) ||
    ruleOf(tag)?.attributes?.includes(name);
  if (!allowed || name.startsWith('data-mp-')) return `<${tag}> can't carry the attribute "${name}".`;
  if ((name === 'href' || name === 'action') && !/^(#|https?:|mailto:|tel:|page:|[\w./-]+$)/i.test(value))
    return `"${value.slice(0, 60)}" isn't a link address that is allowed here.`;
  if (name === 'src' && !/^picture:p[a-z0-9]{1,24}$/.test(value)) return 'A picture names one of the project: "picture:…".';
  if (tag === 'input' && name === 'type' && !(INPUT_TYPES as readonly string[]).includes(value))
    return `"${value}" isn't a field type; use ${INPUT_TYPES.join(', ')}.`;
  if (tag === 'button' && name === 'type' && !['button', 'submit', 'reset'].includes(value))
    return 'A button is of type button, submit or reset.';
  return undefined;
}
