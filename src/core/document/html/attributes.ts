import { asRead } from '../addresses';
import { isInert, isKnown, ruleOf } from './elements';

/** Attributes of all elements (HTML, "Global attributes"), but those that run or that only editors of a page need. */
const GLOBAL = new Set(
  (
    'accesskey autocapitalize autofocus class dir draggable enterkeyhint hidden id inert inputmode itemid itemprop itemref ' +
    'itemscope itemtype lang role spellcheck tabindex title translate'
  ).split(' '),
);

export const INPUT_TYPES = [
  ...['text', 'email', 'tel', 'url', 'password', 'number', 'date', 'checkbox', 'radio', 'search', 'range', 'color', 'file'],
  ...['hidden', 'submit', 'reset', 'button', 'time', 'month', 'week', 'datetime-local'],
] as const;
const BUTTON_TYPES = ['button', 'submit', 'reset'];

/** Attributes that lead somewhere, and those that show or play a file. */
const LINKS = new Set(['href', 'action', 'cite']);
const FILES = new Set(['src', 'data']);
const WHOLE = new Set(['width', 'height', 'cols', 'size', 'maxlength', 'minlength']);
/** What unknown elements mustn't carry: it would run or fetch. */
const UNSAFE = /^(on.*|style|is|srcdoc|srcset|src|href|action|formaction|data|poster|background|ping|manifest|http-equiv)$/;

/** The attributes by which an element shows a picture of the project. */
const PICTURE_ATTRIBUTES = ['src', 'srcset', 'poster'] as const;
const PICTURE = /^picture:(p[a-z0-9]{1,24})$/;

/** The pictures of the project that an element shows by its attributes, by attribute. */
export function picturesShown(attributes: Readonly<Record<string, string>>): ReadonlyMap<string, string> {
  const shown = new Map<string, string>();
  for (const name of PICTURE_ATTRIBUTES) {
    const id = Object.hasOwn(attributes, name) ? PICTURE.exec(attributes[name]!)?.[1] : undefined;
    if (id !== undefined) shown.set(name, id);
  }
  return shown;
}

/** Whether an attribute names a file that goes along with an export, and that nothing may fetch before. */
export const isFile = (tag: string, name: string): boolean => tag !== 'img' && FILES.has(name);

/** Whether an attribute says where something leads. */
export const isLink = (name: string): boolean => LINKS.has(name);

const schemeOf = (value: string) => /^([^/?#]*):/.exec(asRead(value))?.[1]?.toLowerCase();
const LINK_SCHEMES = new Set(['http', 'https', 'mailto', 'tel', 'sms', 'page']);

const mayLead = (value: string) => asRead(value) !== '' && LINK_SCHEMES.has(schemeOf(value) ?? 'page');
const isOwnFile = (value: string) =>
  asRead(value) !== '' && schemeOf(value) === undefined && !/^\/\//.test(asRead(value).replaceAll('\\', '/'));

/** Attributes whose file a browser would fetch by itself. `srcset` names several. */
export const FETCHING: ReadonlySet<string> = new Set(
  'src srcset imagesrcset poster background data lowsrc dynsrc code codebase archive classid object icon'.split(' '),
);
/** Further attributes that hold an address. */
const LEADING = new Set(
  'href action formaction cite longdesc usemap profile xlink:href itemid itemtype about resource'.split(' '),
);
/** Each sign is taken in one way only, so that long texts take no longer than they are. */
const STYLE_ADDRESS =
  /(?:(?:url|src)\(\s*(?:["']\s*)?|image(?:-set)?\((?:[^()]|\([^()]*\))*?["']\s*)(?:(?!data:image\/)[a-z][a-z0-9+.-]*:|[\\/]{2})|expression\s*\(|-moz-binding|behavior\s*:/i;

/**
 * Why an attribute of what somebody else wrote can't be kept: because it runs, or would fetch from elsewhere; undefined when it
 * can, be it allowed by HTML or not.
 */
export function whyNotKeptAttribute(tag: string, name: string, value: string): string | undefined {
  if (/^on/.test(name) || name === 'srcdoc') return `"${name}" would run.`;
  if (name.startsWith('data-mp-')) return `"${name}" is the program’s own.`;
  if (isInert(tag) && name !== 'class' && name !== 'id') return `<${tag}> carries nothing here.`;
  if (name === 'style') return STYLE_ADDRESS.test(value) ? 'A style with an address from elsewhere would fetch it.' : undefined;
  const scheme = schemeOf(value);
  if (LEADING.has(name))
    return scheme !== undefined && !mayLead(value)
      ? `"${value.slice(0, 60)}" isn't a link address that is allowed here.`
      : undefined;
  if (FETCHING.has(name) && !(value === '' || isOwnFiles(name, value)) && !PICTURE.test(value))
    return `"${value.slice(0, 60)}" isn't a file beside the page; nothing is fetched from elsewhere.`;
  if (name === 'class') return /(^|\s)mp-/.test(value) ? 'Class names that begin with "mp-" are the program’s own.' : undefined;
  return undefined;
}

const isOwnFiles = (name: string, value: string) =>
  name.endsWith('srcset') ? candidatesOf(value).every(({ address }) => isOwnFile(address)) : isOwnFile(value);

/** The candidates of a `srcset` (HTML, 4.8.4.3): each an address and what it is for. */
export function candidatesOf(srcset: string): { readonly address: string; readonly descriptor: string }[] {
  return [...srcset.matchAll(/[\s,]*(\S*[^\s,])(?:\s+([^,(]*(?:\([^)]*\)[^,(]*)*))?\s*(?:,|$)/g)].map(
    ([, address = '', descriptor = '']) => ({ address, descriptor: descriptor.trim() }),
  );
}

/** Why the attribute or its value is refused; undefined when it may stand. */
export function whyNotAttribute(tag: string, name: string, value: string): string | undefined {
  const allowed =
    GLOBAL.has(name) ||
    /^(aria|data)-[a-z][a-z0-9-]{0,40}$/.test(name) ||
    ruleOf(tag)?.attributes.includes(name) ||
    (tag === 'video' && name === 'poster') ||
    (tag === 'source' && name === 'srcset') ||
    (!isKnown(tag) && !UNSAFE.test(name));
  if (!allowed || name.startsWith('data-mp-')) return `<${tag}> can't carry the attribute "${name}".`;
  if (LINKS.has(name) && !mayLead(value)) return `"${value.slice(0, 60)}" isn't a link address that is allowed here.`;
  if (((tag === 'img' && name === 'src') || name === 'srcset' || name === 'poster') && !PICTURE.test(value))
    return 'A picture names one of the project: "picture:…".';
  if (isFile(tag, name) && ruleOf(tag)?.attributes.includes(name) && !isOwnFile(value))
    return `"${value.slice(0, 60)}" isn't a file beside the page; nothing is fetched from elsewhere.`;
  if (tag === 'input' && name === 'type' && !(INPUT_TYPES as readonly string[]).includes(value))
    return `"${value.slice(0, 40)}" isn't a field type; use ${INPUT_TYPES.join(', ')}.`;
  if (tag === 'button' && name === 'type' && !BUTTON_TYPES.includes(value)) return 'A button is of type button, submit or reset.';
  if (tag === 'ol' && name === 'type' && !/^[1aAiI]$/.test(value)) return 'A list counts by 1, a, A, i or I.';
  if (WHOLE.has(name) && isKnown(tag) && tag !== 'svg' && !/^\d{1,6}$/.test(value))
    return `"${name}" is a whole number of at most six digits.`;
  return name === 'class' ? whyNotClasses(value) : undefined;
}

/** Class names kept from elsewhere: they match rules of style sheets that were brought along. */
function whyNotClasses(value: string): string | undefined {
  const odd = value.split(/\s+/).find((one) => one !== '' && !/^-?[_a-zA-Z\u0080-\uffff][\w\u0080-\uffff:/.@-]{0,80}$/.test(one));
  if (odd !== undefined) return `"${odd.slice(0, 40)}" isn't a class name.`;
  return /(^|\s)mp-/.test(value) ? 'Class names that begin with "mp-" are the program’s own.' : undefined;
}
