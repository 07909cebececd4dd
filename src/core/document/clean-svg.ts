import sanitizeHtml from 'sanitize-html';

/*
 * What a picture may hold (SVG 2): shapes, text, gradients, patterns, clips, masks and filters, which only speak of the
 * picture itself. Nothing that runs, fetches, links, or brings another language with it.
 */
const TAGS = (
  'svg g a defs symbol use title desc path rect circle ellipse line polyline polygon text tspan textPath linearGradient ' +
  'radialGradient stop pattern clipPath mask marker filter feBlend feColorMatrix feComponentTransfer feComposite ' +
  'feDropShadow feFlood feFuncA feFuncB feFuncG feFuncR feGaussianBlur feMerge feMergeNode feMorphology feOffset ' +
  'feTile feTurbulence switch'
).split(' ');

const ATTRIBUTES = (
  'xmlns xmlns:xlink xml:space viewBox preserveAspectRatio width height x y x1 y1 x2 y2 cx cy r rx ry fx fy fr d points ' +
  'pathLength dx dy rotate textLength lengthAdjust startOffset method spacing side transform id class style role lang ' +
  'aria-label aria-hidden aria-labelledby aria-describedby focusable href xlink:href offset gradientUnits gradientTransform ' +
  'spreadMethod patternUnits patternContentUnits patternTransform clipPathUnits maskUnits maskContentUnits markerUnits ' +
  'markerWidth markerHeight refX refY orient filterUnits primitiveUnits in in2 result stdDeviation mode type values ' +
  'tableValues slope intercept amplitude exponent operator k1 k2 k3 k4 radius baseFrequency numOctaves seed stitchTiles ' +
  'fill fill-opacity fill-rule stroke stroke-width stroke-opacity stroke-linecap stroke-linejoin stroke-miterlimit ' +
  'stroke-dasharray stroke-dashoffset opacity color stop-color stop-opacity flood-color flood-opacity clip-path clip-rule ' +
  'mask filter marker-start marker-mid marker-end display visibility overflow vector-effect paint-order shape-rendering ' +
  'text-rendering image-rendering color-interpolation color-interpolation-filters mix-blend-mode isolation font-family ' +
  'font-size font-weight font-style font-stretch font-variant text-anchor text-decoration letter-spacing word-spacing ' +
  'dominant-baseline alignment-baseline baseline-shift writing-mode direction unicode-bidi version'
).split(' ');

/** What a formula may hold (MathML Core), without annotations in other languages. */
const MATH_TAGS = (
  'math merror mfrac mi mmultiscripts mn mo mover mpadded mphantom mprescripts mroot mrow ms mspace msqrt mstyle msub ' +
  'msubsup msup mtable mtd mtext mtr munder munderover none semantics annotation'
).split(' ');

const MATH_ATTRIBUTES = (
  'xmlns id class dir lang role aria-label aria-hidden displaystyle mathbackground mathcolor mathsize mathvariant ' +
  'scriptlevel intent arg accent accentunder columnspan rowspan depth height width lspace rspace voffset fence form largeop ' +
  'linethickness maxsize minsize movablelimits separator stretchy symmetric display encoding'
).split(' ');

interface Language {
  readonly tags: readonly string[];
  readonly attributes: readonly string[];
  readonly namespace: string;
}
const LANGUAGES = {
  svg: { tags: TAGS, attributes: ATTRIBUTES, namespace: 'http://www.w3.org/2000/svg' },
  math: { tags: MATH_TAGS, attributes: MATH_ATTRIBUTES, namespace: 'http://www.w3.org/1998/Math/MathML' },
} as const satisfies Record<string, Language>;
export type ForeignLanguage = keyof typeof LANGUAGES;

const NAMESPACES: Readonly<Record<string, string>> = { 'xmlns:xlink': 'http://www.w3.org/1999/xlink' };

/** Elements whose inside is another language, by whatever namespace they are called. */
const NO_TEXT = /(?<=<)(?:[\w.-]+:)?(?:script|style|foreignObject|iframe|noscript|textarea|option|handler|body|html)(?=[\s/>])/gi;

function attributeProblem(language: Language, name: string, value: string): string | undefined {
  if (!language.attributes.includes(name) && !/^(data|aria)-[a-z][a-z0-9-]*$/.test(name)) return `the attribute ${name}`;
  const namespace = name === 'xmlns' ? language.namespace : NAMESPACES[name];
  if (namespace !== undefined && value !== namespace) return `another namespace (${value})`;
  if (/^(xlink:)?href$/.test(name)) return /^#/.test(value.trim()) ? undefined : `a link (${value.slice(0, 60)})`;
  // Paint servers, clips and the rest: CSS that speaks of the picture's own parts. Escapes would hide anything.
  if (value.includes('\\')) return `an escape in ${name}`;
  if (/url\(\s*(?!["']?\s*#)|image-set|image\(|src\(|element\(|expression\(|@import|script:|-binding/i.test(value))
    return `an address in ${name}`;
  return undefined;
}

interface Cleaned {
  /** The picture with nothing in it but what it may hold. */
  readonly svg: string;
  /** What had to be taken out, for people; the first things. */
  readonly removed: readonly string[];
}

/** Cleans SVG source: what may stay is written anew, so that no two readers can take it differently. */
export const cleanSvg = (source: string): Cleaned => cleanSource('svg', source);

/** The same for a whole drawing or formula. */
export function cleanSource(name: ForeignLanguage, source: string): Cleaned {
  const language: Language = LANGUAGES[name];
  const removed = new Set<string>();
  if (/<!DOCTYPE|<!ENTITY/i.test(source)) removed.add('a document type');
  if (/<\?/.test(source)) removed.add('a processing instruction');
  const written = sanitizeHtml(source, {
    allowedTags: [...language.tags],
    allowedAttributes: { '*': [...language.attributes, 'data-*', 'aria-*'] },
    // What stands in these is no text of the picture's.
    nonTextTags: [...(source.match(NO_TEXT) ?? []), 'script'],
    allowedSchemes: [],
    allowProtocolRelative: false,
    allowedSchemesAppliedToAttributes: [],
    parseStyleAttributes: false,
    selfClosing: [],
    allowVulnerableTags: true,
    parser: { xmlMode: true, lowerCaseTags: false, lowerCaseAttributeNames: false, decodeEntities: true },
    transformTags: {
      '*': (tagName, attribs) => {
        if (!language.tags.includes(tagName)) removed.add(`<${tagName.slice(0, 40)}>`);
        const kept: Record<string, string> = {};
        for (const [name, value] of Object.entries(attribs)) {
          const problem = attributeProblem(language, name, value);
          if (problem === undefined) kept[name] = value;
          else removed.add(problem);
        }
        return { tagName, attribs: kept };
      },
    },
  });
  // No "<" and no ">" is left anywhere but around tags.
  const svg = written.replace(/<([\w:-]+)((?:[^<>]*[^<>/])?)><\/\1>/g, '<$1$2/>').trim();
  return { svg, removed: [...removed].slice(0, 5) };
}
