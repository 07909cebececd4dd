import fc from 'fast-check';
import type { Browser, Page as BrowserPage } from 'playwright-core';
import type { Child, PageElement, Surroundings } from '@/core/document';
import { HTML_TAGS, isRun, newProject, surroundings, whyNoText, whyNotKept } from '@/core/document';
import { cleanInside, whyNotSource } from '@/core/document/foreign';
import { renderElement } from '@/core/render';
import { launchChromium } from '@/server/browser/chromium';

/* What is said of the HTML parser against a parser: whatever may be kept comes back as the tree that was written. */

const UNKNOWN = ['my-card', 'blink', 'center', 'nobr', 'font', 'big', 'tt', 'strike', 'dir', 'rb', 'rtc', 'acronym'];
const TAGS = [...HTML_TAGS.filter((tag) => tag !== 'body'), ...UNKNOWN];

let browser: Browser;
let page: BrowserPage;
beforeAll(async () => {
  browser = await launchChromium();
  page = await browser.newPage();
}, 60_000);
afterAll(() => browser.close());

/** What Chromium's parser makes of bodies: ids and texts, nested. */
const parsed = (bodies: readonly string[]) =>
  page.evaluate((list) => {
    const read = (node: Element): unknown[] => [
      node.getAttribute('data-mp-node') ?? `<${node.localName}>`,
      ...[...node.childNodes].flatMap((child): unknown[] => {
        if (child instanceof Element)
          return child.namespaceURI?.endsWith('xhtml') || child.localName === 'svg' || child.localName === 'math'
            ? [read(child)]
            : [];
        return /\S/.test(child.nodeValue ?? '') ? [child.nodeValue!] : [];
      }),
    ];
    return list.map((body) => JSON.stringify(read(new DOMParser().parseFromString(`<!doctype html>${body}`, 'text/html').body)));
  }, bodies);

const element = (id: string, tag: string, children: readonly Child[]): PageElement => ({
  ...{ id, tag, name: tag, attributes: {}, children, shared: [], styles: {} },
});

function pageOf(elements: readonly PageElement[]) {
  const project = newProject('00000000-0000-4000-8000-000000000000', 'Parsed');
  const one = {
    ...project.pages[0]!,
    root: elements[0]!.id,
    elements: Object.fromEntries(elements.map((each) => [each.id, each])),
  };
  return { project: { ...project, pages: [one] }, page: one };
}

function markup(elements: readonly PageElement[]): string {
  const { project, page } = pageOf(elements);
  const options = { addresses: { picture: () => 'data:,' }, page: () => '#', marked: true, inert: true };
  // A line break after the body would go into it.
  return renderElement(project, page, page.root, options).trimEnd();
}

function written(elements: readonly PageElement[]): string {
  const byId = new Map(elements.map((one) => [one.id, one]));
  const read = (id: string): unknown[] => [
    id,
    ...byId
      .get(id)!
      .children.flatMap((child): unknown[] => (isRun(child) ? (/\S/.test(child.text) ? [child.text] : []) : [read(child)])),
  ];
  return JSON.stringify(read(elements[0]!.id));
}

/** What must be around an element before it can stand anywhere. */
const NEEDS: Readonly<Record<string, readonly string[]>> = {
  ...{
    caption: ['table'],
    colgroup: ['table'],
    thead: ['table'],
    tbody: ['table'],
    tfoot: ['table'],
    col: ['table', 'colgroup'],
  },
  ...{ tr: ['table', 'tbody'], td: ['table', 'tbody', 'tr'], th: ['table', 'tbody', 'tr'] },
};

test('each element in each, and a text in each: kept where the parser keeps them, refused only where it does not', async () => {
  const cases = TAGS.flatMap((parent) => {
    const chain = ['body', ...(NEEDS[parent] ?? []), parent];
    const around = chain.reduce<Surroundings | undefined>((outer, tag) => surroundings(tag, outer), undefined)!;
    const inside = (more: readonly PageElement[], children: readonly Child[]) => [
      ...chain.map((tag, i) => element(`e${i}`, tag, i < chain.length - 1 ? [`e${i + 1}`] : children)),
      ...more,
    ];
    const text = { name: `a text in ${parent}`, kept: whyNoText(parent) === undefined, elements: inside([], [{ text: 'x' }]) };
    const pairs = TAGS.map((tag) => ({
      name: `${tag} in ${parent}`,
      kept: whyNotKept(tag, around) === undefined,
      elements: inside([element('ex', tag, [])], ['ex']),
    }));
    return [text, ...pairs];
  });
  const trees = await parsed(cases.map(({ elements }) => markup(elements)));
  const wrong = cases.flatMap(({ name, kept, elements }, i) => {
    const same = trees[i] === written(elements);
    return same === kept ? [] : [`${name}: ${kept ? 'lost' : 'refused'}`];
  });
  // Refused though this parser keeps them: others don't, it isn't shown, or it is only kept while it holds nothing.
  const stricter = (name: string) =>
    /refused/.test(name) && /in (select|optgroup|option|noscript|svg|math|iframe)\b|^form in t/.test(name);
  expect(wrong.filter((name) => !stricter(name))).toEqual([]);
});

const DOCUMENTS = 1_000;

test(`${DOCUMENTS} random trees of all elements, mixed with texts, come back as they were written`, async () => {
  const sprout = fc.record({
    tag: fc.oneof(
      { weight: 2, arbitrary: fc.constantFrom(...TAGS) },
      // Those that parsers treat in a way of their own when they meet.
      {
        weight: 1,
        arbitrary: fc.constantFrom(
          ...'a b p li dd h2 button nobr table tbody tr td ul div span object ruby rt select'.split(' '),
        ),
      },
    ),
    under: fc.nat(11),
    texts: fc.array(fc.constantFrom('x', ' a < b & c', '\nline', '\u00a0', 'ä😀 '), { maxLength: 2 }),
  });
  const documents = fc.sample(fc.array(sprout, { minLength: 2, maxLength: 24 }), DOCUMENTS).map((sprouts) => {
    const elements = [element('e0', 'body', [])];
    const around = [surroundings('body')];
    for (const { tag, under, texts } of sprouts) {
      // Mostly where something was put last, so that it gets deep.
      const at = under > 5 ? elements.length - 1 : under % elements.length;
      const why = whyNotKept(tag, around[at]!);
      const parent = elements[at]!;
      const words = whyNoText(parent.tag) ? [] : texts.map((text) => ({ text }));
      if (why) continue;
      const id = `e${elements.length}`;
      elements[at] = { ...parent, children: [...parent.children, ...words.slice(0, 1), id, ...words.slice(1)] };
      elements.push(element(id, tag, []));
      around.push(surroundings(tag, around[at]!));
    }
    return elements.map((one) => ({ ...one, children: joined(one.children) }));
  });
  const trees = await parsed(documents.map(markup));
  const wrong = documents.filter((elements, i) => trees[i] !== written(elements));
  expect(wrong.slice(0, 3).map(markup)).toEqual([]);
  expect(documents.reduce((sum, one) => sum + one.length, 0)).toBeGreaterThan(DOCUMENTS * 5);
});

const PARTS = {
  svg: (
    '<g> </g> <rect/> <rect> <text> </text> <title> </title> <desc> <a href="x"> <image href="x"/> <use href="#a"/> <use href="x"/> ' +
    '<foreignObject> </foreignObject> <style> </style> <svg> </svg> </svg><script>x()</script> <path onclick="x()"/> <p> <div> <font color="x"> ' +
    '<![CDATA[<script>x()</script>]]> <!--x--> <title><style></title><img src=x onerror=x()></title> &lt;b&gt; <clipPath> ]]> "'
  ).split(' '),
  math: (
    '<mi> </mi> <mtext> </mtext> <mrow> </mrow> <mfrac> </mfrac> <mglyph> <malignmark> <annotation> </annotation> <annotation-xml encoding="text/html"> ' +
    '<semantics> </semantics> <mtext><table><mglyph><style><!--</style><img src=x onerror=x()> <mi href="x"> <maction> <b> <p> <script>x()</script> ' +
    '</math> <math> <svg> x &lt;i&gt; <!--x--> <mtext><p></mtext>'
  ).split(' '),
};

test('the inside of a drawing or formula stays inside, whatever was in it, and nothing in it runs or fetches', async () => {
  for (const tag of ['svg', 'math'] as const) {
    const part = fc.constantFrom(...PARTS[tag], ' ', 'x');
    const sources = fc.sample(fc.array(part, { maxLength: 10 }), 1_500).map((parts) => cleanInside(tag, parts.join('')).inside);
    for (const source of sources) expect(cleanInside(tag, source).inside).toBe(source);
    const bodies = sources.map((source) =>
      markup([
        element('e0', 'body', ['e1', 'e2']),
        { ...element('e1', tag, []), source },
        element(
          'e2',
          'p',
          ['x'].map((text) => ({ text })),
        ),
      ]),
    );
    const wrong = await page.evaluate(
      ({ list, tag }) =>
        list.filter((body) => {
          const read = new DOMParser().parseFromString(`<!doctype html>${body}`, 'text/html').body;
          const [drawing, after] = read.children;
          const odd = [...(drawing?.querySelectorAll('*') ?? [])].some(
            (inner) =>
              !inner.namespaceURI!.endsWith(tag === 'svg' ? 'svg' : 'MathML') ||
              /^(script|style|foreignobject|image)$/i.test(inner.localName) ||
              [...inner.attributes].some(({ name, value }) => /^on/.test(name) || (/href$/.test(name) && !value.startsWith('#'))),
          );
          return read.children.length !== 2 || drawing!.localName !== tag || after!.localName !== 'p' || odd;
        }),
      { list: bodies, tag },
    );
    expect(wrong.slice(0, 3)).toEqual([]);
    expect(new Set(sources).size).toBeGreaterThan(150);
  }
  expect(whyNotSource('svg', '<script>x()</script>')).toMatch(/would run, fetch or isn't known: <script>/);
  expect(whyNotSource('math', '<mi>x</mi>')).toBeUndefined();
  // What is empty already ends nothing.
  expect(cleanInside('math', 'x<math><math/></math><math/>').inside).toBe('x<math><math/></math><math/>');
});

/** Texts beside each other are one. */
function joined(children: readonly Child[]): Child[] {
  return children.reduce<Child[]>((list, child) => {
    const last = list[list.length - 1];
    if (last !== undefined && isRun(last) && isRun(child)) list[list.length - 1] = { text: last.text + child.text };
    else list.push(child);
    return list;
  }, []);
}
