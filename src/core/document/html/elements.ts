/**
 * The elements that HTML allows in a body and that are neither script nor metadata (HTML, "The elements of HTML"): what
 * each holds, whether it is phrasing content, and the attributes of its own.
 */

/**
 * What an element may hold. `transparent`: what may stand in its parent. `text`: a text only. `source`: an inside in
 * another language, kept as its source. `nothing`: neither, though it has an end tag.
 */
export type Content = 'flow' | 'phrasing' | 'transparent' | 'text' | 'source' | 'nothing' | 'void' | 'inert';

export interface ElementRule {
  readonly content: Content;
  /** Whether it may stand among words. */
  readonly phrasing: boolean;
  readonly attributes: readonly string[];
  /** Where given, the only elements that may stand directly in it; `#` stands for all that its content takes. */
  readonly children?: readonly string[];
  /** Where given, the only elements in which it may directly stand. */
  readonly parents?: readonly string[];
  /** Elements that mustn't stand anywhere in it. */
  readonly without?: readonly string[];
}

const words = (text: string): string[] => text.split(' ').filter(Boolean);

type More = Partial<Record<'attributes' | 'children' | 'parents' | 'without', string>>;

const byTag = new Map<string, ElementRule>();

function define(tags: string, content: Content, phrasing: boolean, more: More = {}): void {
  const { attributes = '', ...lists } = more;
  const rule: ElementRule = {
    ...{ content, phrasing, attributes: words(attributes) },
    ...Object.fromEntries(Object.entries(lists).map(([name, list]) => [name, words(list)])),
  };
  for (const tag of words(tags)) byTag.set(tag, rule);
}

const HEADINGS = 'h1 h2 h3 h4 h5 h6 hgroup';
const SECTIONS = 'article aside nav section';
const INTERACTIVE = 'a button details embed iframe input label select textarea';

// Sections and blocks.
define('body article section nav aside div', 'flow', false);
define('main', 'flow', false, { parents: 'body div form', without: 'main' });
define('header footer', 'flow', false, { without: 'header footer main' });
define('address', 'flow', false, { without: `header footer address ${HEADINGS} ${SECTIONS}` });
define('h1 h2 h3 h4 h5 h6 p pre', 'phrasing', false);
define('hgroup', 'flow', false, { children: 'h1 h2 h3 h4 h5 h6 p' });
define('search', 'flow', false);
define('hr', 'void', false);
define('blockquote', 'flow', false, { attributes: 'cite' });
define('ul menu', 'flow', false, { children: 'li' });
define('ol', 'flow', false, { children: 'li', attributes: 'reversed start type' });
define('li', 'flow', false, { parents: 'ul ol menu', attributes: 'value' });
define('dl', 'flow', false, { children: 'dt dd div' });
define('dt', 'flow', false, { parents: 'dl div', without: `header footer ${HEADINGS} ${SECTIONS}` });
define('dd', 'flow', false, { parents: 'dl div' });
define('figure', 'flow', false);
define('figcaption', 'flow', false, { parents: 'figure' });
define('details', 'flow', false, { attributes: 'name open' });
define('summary', 'phrasing', false, { parents: 'details', children: '# h1 h2 h3 h4 h5 h6 hgroup' });
define('dialog', 'flow', false, { attributes: 'open' });

// Words.
define('span strong em small b i mark code abbr bdi bdo cite kbd s samp sub sup u var', 'phrasing', true);
define('dfn', 'phrasing', true, { without: 'dfn' });
define('q', 'phrasing', true, { attributes: 'cite' });
define('data', 'phrasing', true, { attributes: 'value' });
define('time', 'phrasing', true, { attributes: 'datetime' });
define('a', 'transparent', true, { attributes: 'href target download rel hreflang type referrerpolicy', without: INTERACTIVE });
define('ins del', 'transparent', true, { attributes: 'cite datetime' });
define('br wbr', 'void', true);
define('ruby', 'phrasing', true, { children: '# rt rp' });
define('rt rp', 'phrasing', true, { parents: 'ruby' });

// What shows something from elsewhere.
define('img', 'void', true, {
  attributes: 'src alt width height loading decoding fetchpriority usemap ismap sizes referrerpolicy crossorigin',
});
define('picture', 'nothing', true, { children: 'source img' });
define('source', 'void', false, { parents: 'picture video audio', attributes: 'src type media sizes width height' });
const playing = 'src controls loop muted preload autoplay crossorigin';
define('audio', 'transparent', true, { attributes: playing, children: '# source track', without: 'audio video' });
define('video', 'transparent', true, {
  ...{ attributes: `${playing} width height playsinline`, children: '# source track', without: 'audio video' },
});
define('track', 'void', false, { parents: 'video audio', attributes: 'kind src srclang label default' });
define('iframe', 'nothing', true, { attributes: 'src width height allow allowfullscreen loading name sandbox referrerpolicy' });
define('embed', 'void', true, { attributes: 'src type width height' });
define('object', 'transparent', true, { attributes: 'data type name width height form' });
define('canvas', 'transparent', true, { attributes: 'width height' });
define('map', 'transparent', true, { attributes: 'name' });
define('area', 'void', true, { attributes: 'alt coords shape href target download rel' });
define('svg', 'source', true, { attributes: 'viewbox width height preserveaspectratio xmlns fill stroke focusable' });
define('math', 'source', true, { attributes: 'display xmlns' });

// Tables.
define('table', 'flow', false, { children: 'caption colgroup thead tbody tfoot' });
define('caption', 'flow', false, { parents: 'table', without: 'table' });
define('colgroup', 'flow', false, { parents: 'table', children: 'col', attributes: 'span' });
define('col', 'void', false, { parents: 'colgroup', attributes: 'span' });
define('thead tbody tfoot', 'flow', false, { parents: 'table', children: 'tr' });
define('tr', 'flow', false, { parents: 'thead tbody tfoot', children: 'th td' });
define('td', 'flow', false, { parents: 'tr', attributes: 'colspan rowspan headers' });
define('th', 'flow', false, {
  ...{ parents: 'tr', attributes: 'colspan rowspan headers scope abbr', without: `header footer ${HEADINGS} ${SECTIONS}` },
});

// Forms.
define('form', 'flow', false, { attributes: 'action method enctype accept-charset autocomplete name novalidate target rel' });
define('label', 'phrasing', true, { attributes: 'for', without: 'label' });
define('button', 'phrasing', true, {
  ...{ attributes: 'type name value disabled form formnovalidate popovertarget popovertargetaction', without: INTERACTIVE },
});
define('input', 'void', true, {
  attributes:
    'type name value placeholder required checked min max step pattern minlength maxlength size multiple readonly disabled ' +
    'list form accept autocomplete',
});
define('select', 'nothing', true, {
  ...{ attributes: 'name multiple size required disabled form autocomplete', children: 'option optgroup hr' },
});
define('datalist', 'phrasing', true, { children: '# option' });
define('optgroup', 'nothing', false, { parents: 'select', children: 'option', attributes: 'label disabled' });
define('option', 'text', false, { parents: 'select datalist optgroup', attributes: 'value label selected disabled' });
define('textarea', 'text', true, {
  attributes: 'name placeholder rows cols required readonly disabled minlength maxlength wrap form autocomplete dirname',
});
define('output', 'phrasing', true, { attributes: 'for form name' });
define('progress', 'phrasing', true, { attributes: 'value max', without: 'progress' });
define('meter', 'phrasing', true, { attributes: 'value min max low high optimum', without: 'meter' });
define('fieldset', 'flow', false, { attributes: 'disabled form name' });
define('legend', 'phrasing', false, { parents: 'fieldset', children: '# h1 h2 h3 h4 h5 h6 hgroup' });
define('noscript', 'text', true);
define('slot', 'transparent', true, { attributes: 'name' });

/**
 * Elements that run, fetch or speak of the whole page. They stand where they were on pages that were brought in, since
 * selectors count them, and hold nothing.
 */
const INERT = new Set(words('script style template link meta base title'));
const EMPTY: ElementRule = { content: 'inert', phrasing: true, attributes: [] };

/** Whether an element only keeps its place: nothing of what it was for is left. */
export const isInert = (tag: string): boolean => INERT.has(tag);

/** Elements that run, fetch, set what holds for the whole page, or are no longer parsed as others are. */
const REFUSED = new Set(
  words(
    'head html frameset frame noframes noembed plaintext xmp listing image ' +
      'applet bgsound keygen param marquee isindex menuitem selectedcontent',
  ),
);

/** Elements nobody knows stand among words and may hold anything (HTML, `HTMLUnknownElement`; custom elements). */
const UNKNOWN: ElementRule = { content: 'transparent', phrasing: true, attributes: [] };

/** Every element of the standard that a page may use. */
export const HTML_TAGS: readonly string[] = [...byTag.keys()];

export const isKnown = (tag: string): boolean => byTag.has(tag);

/** What HTML says of a tag; undefined for those that a page here can't hold. */
export function ruleOf(tag: string): ElementRule | undefined {
  if (INERT.has(tag)) return EMPTY;
  return (
    byTag.get(tag) ?? (/^[a-z][a-z0-9]*(-[a-z0-9]+)*$/.test(tag) && tag.length <= 40 && !REFUSED.has(tag) ? UNKNOWN : undefined)
  );
}

/** Whether elements may stand in it, at least some of them. */
export function holdsElements(tag: string): boolean {
  const { content, children } = ruleOf(tag) ?? { content: 'void' };
  return children !== undefined || content === 'flow' || content === 'phrasing' || content === 'transparent';
}
