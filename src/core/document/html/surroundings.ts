import { ruleOf } from './elements';

/** All that decides whether something may stand at a place: what is around it, from the parent outwards. */
export interface Surroundings {
  readonly parent: string;
  /** How many elements it stands in. */
  readonly depth: number;
  /** What the parser has open there: a paragraph, a list item, a term, a link, `<nobr>`, a button, a form, ruby. */
  readonly paragraph: boolean;
  readonly item: boolean;
  readonly term: boolean;
  readonly link: boolean;
  readonly unbroken: boolean;
  readonly button: boolean;
  readonly form: boolean;
  readonly ruby: boolean;
  /** Whether the document is in quirks mode, where a table closes no paragraph. */
  readonly quirks: boolean;
  /** The nearest element that holds only phrasing content. */
  readonly phrasing: string | undefined;
  /** The nearest element that isn't transparent: its content model counts. */
  readonly model: string;
  /** Elements around that say what mustn't stand anywhere in them, innermost first. */
  readonly without: readonly string[];
}

/**
 * Elements that end the search for an open list item or term: those with rules of their own in the parser. `<search>`
 * is one too, but not for every parser.
 */
const SPECIAL = new Set(
  (
    'article aside area blockquote body br button caption center col colgroup dd details dir dl dt embed fieldset ' +
    'figcaption figure footer form h1 h2 h3 h4 h5 h6 header hgroup hr iframe img input li main menu nav noscript object ol ' +
    'pre section select source summary table tbody td textarea tfoot th thead tr track ul wbr'
  ).split(' '),
);
/** Elements out of which nothing is closed. */
const SCOPE = new Set(['caption', 'table', 'td', 'th', 'object', 'select']);
/** Elements in which formatting begins anew. */
const MARKERS = new Set(['caption', 'td', 'th', 'object']);

const NOWHERE: Surroundings = {
  ...{ parent: '', depth: 0, paragraph: false, item: false, term: false, link: false, unbroken: false, button: false },
  ...{ form: false, ruby: false, quirks: false, phrasing: undefined, model: '', without: [] },
};

/** Where the root of a document in quirks mode stands. */
export const QUIRKS: Surroundings = { ...NOWHERE, quirks: true };

/** The surroundings of what stands directly in an element of a tag; without `outer`, that element stands in nothing. */
export function surroundings(tag: string, outer: Surroundings = NOWHERE): Surroundings {
  const rule = ruleOf(tag);
  const scope = SCOPE.has(tag);
  const special = SPECIAL.has(tag);
  const marker = MARKERS.has(tag);
  const transparent = rule?.content === 'transparent' && outer.model !== '';
  return {
    parent: tag,
    depth: outer.depth + 1,
    paragraph: tag === 'p' || (!scope && tag !== 'button' && outer.paragraph),
    item: tag === 'li' || (!special && outer.item),
    term: tag === 'dt' || tag === 'dd' || (!special && outer.term),
    link: tag === 'a' || (!marker && outer.link),
    unbroken: tag === 'nobr' || (!scope && outer.unbroken),
    button: tag === 'button' || (!scope && outer.button),
    form: tag === 'form' || outer.form,
    ruby: tag === 'ruby' || (!scope && outer.ruby),
    quirks: outer.quirks,
    phrasing: rule?.content === 'phrasing' ? tag : transparent ? outer.phrasing : undefined,
    model: transparent ? outer.model : tag,
    without: rule?.without ? [tag, ...outer.without] : outer.without,
  };
}
