import fc from 'fast-check';
import type { PageElement, Project } from '@/core/document';
import { newPage } from '@/core/document';
import { makeEdit } from '@/core/edits';
import { breakpoint, make, MIDDLE, NARROW } from '@/core/edits/project-for-tests';
import { planMakeList, planMakePart } from '@/core/plans';

/* Pages as people build them, with headers, tables, columns, cards, lists that lead to another page, parts and lists of data among them. */

interface Twig {
  readonly tag: string;
  readonly text?: string;
  readonly attributes?: Readonly<Record<string, string>>;
  readonly styles?: PageElement['styles'];
  readonly inside?: readonly Twig[];
}

const twig = (tag: string, inside: readonly Twig[] = [], more: Partial<Twig> = {}): Twig => ({ tag, inside, ...more });
const said = (tag: string, text: string, attributes: Twig['attributes'] = {}): Twig => ({ tag, text, attributes });
const WORDS = ['Hours', 'Tools', 'Join the library', 'Repair evenings on Thursdays', 'Map'];

const words = fc.constantFrom(...WORDS);
const laying = fc.constantFrom<PageElement['styles']>(
  {},
  { base: { display: 'flex', 'column-gap': '12px' } },
  { base: { display: 'grid', 'grid-template-columns': 'repeat(3, 1fr)' }, bn: { 'grid-template-columns': '1fr' } },
  { base: { display: 'flex', 'flex-wrap': 'wrap' }, bm: { 'flex-direction': 'column' }, bn: { display: 'none' } },
);
const link = fc.tuple(words, fc.constantFrom('page:gother', '#', '/')).map(([text, href]) => said('a', text, { href }));
const around = (tags: readonly string[]) => (inner: fc.Arbitrary<Twig>) =>
  fc.tuple(inner, fc.constantFrom(...tags, ''), laying).map(([one, tag, styles]) => (tag ? twig(tag, [one], { styles }) : one));

const entries = fc.array(link, { minLength: 1, maxLength: 5 });
const menu = fc.tuple(entries, fc.boolean(), laying).map(([links, isList, styles]) =>
  isList
    ? twig(
        'ul',
        links.map((one) => twig('li', [one])),
        { styles },
      )
    : twig('div', links, { styles }),
);
const logo = fc.oneof(
  link,
  words.map((text) => said('p', text)),
  words.map((text) => said('h1', text)),
);
const action = fc.oneof(
  words.map((text) => said('button', text)),
  link,
);
const header = fc
  .tuple(fc.shuffledSubarray([0, 1, 2, 3], { minLength: 1 }), logo, around(['nav', 'div'])(menu), action, menu, laying)
  .map(([which, ...parts]) =>
    twig(
      'header',
      which.map((i) => parts[i] as Twig),
      { styles: parts[4] },
    ),
  );

const cell = (tag: string) => words.map((text) => said(tag, text, tag === 'th' ? { scope: 'col' } : {}));
const table = fc.tuple(fc.integer({ min: 1, max: 4 }), fc.boolean(), fc.nat(3)).chain(([columns, hasHead, rows]) =>
  fc
    .tuple(
      fc.array(cell('th'), { minLength: columns, maxLength: columns }),
      fc.array(fc.array(cell('td'), { minLength: columns, maxLength: columns }), { minLength: rows, maxLength: rows }),
    )
    .map(([heads, body]) => {
      const head = twig('tr', heads);
      const tr = body.map((cells) => twig('tr', cells));
      return twig('table', hasHead ? [twig('thead', [head]), twig('tbody', tr)] : [twig('tbody', [head, ...tr])]);
    }),
);

const column = fc
  .tuple(
    fc.constantFrom('h2', 'h3', 'p'),
    words,
    fc.array(
      fc.oneof(
        words.map((text) => said('p', text)),
        link,
      ),
      { maxLength: 3 },
    ),
  )
  .map(([tag, text, rest]) => twig('section', [said(tag, text), ...rest]));
const columns = fc
  .tuple(fc.array(column, { minLength: 1, maxLength: 4 }), laying)
  .map(([all, styles]) => twig('div', all, { styles }));
const card = fc
  .tuple(words, fc.boolean(), fc.option(link, { nil: undefined }))
  .map(([text, hasPicture, to]) =>
    twig('li', [
      ...(hasPicture ? [twig('img', [], { attributes: { src: 'picture:pa', alt: text } })] : []),
      said('h3', text),
      ...(to ? [to] : []),
    ]),
  );
const cards = fc
  .tuple(fc.array(card, { minLength: 1, maxLength: 4 }), laying)
  .map(([all, styles]) => twig('ul', all, { styles }));
const side = fc
  .tuple(column, columns, fc.boolean(), laying)
  .map(([a, b, last, styles]) => twig('div', last ? [b, { ...a, tag: 'aside' }] : [{ ...a, tag: 'aside' }, b], { styles }));

const section = fc.oneof(table, columns, cards, side, menu);
const main = fc
  .tuple(fc.array(section, { minLength: 1, maxLength: 3 }), laying)
  .map(([all, styles]) => twig('main', all, { styles }));

function planted(key: string, top: Twig): Pick<Project['pages'][number], 'root' | 'elements'> {
  const elements: Record<string, PageElement> = {};
  let n = 0;
  const put = ({ tag, text, attributes = {}, styles = {}, inside = [] }: Twig): string => {
    const id = `e${key}${(n++).toString(36)}`;
    elements[id] = { id, tag, name: `${tag} ${n}`, attributes, children: [], shared: [], styles };
    elements[id] = { ...elements[id], children: [...(text ? [{ text }] : []), ...inside.map(put)] };
    return id;
  };
  return { root: put(top), elements };
}

const START = make(MIDDLE, NARROW, breakpoint('bw', 'Wide', { from: 1400 }), {
  type: 'addPicture',
  picture: { id: 'pa', fileName: 'a.svg', svg: '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 4 3"/>' },
});

/** A project of two pages; some of what stands on the first made parts, and some of that lists. */
export const arbitraryLayout: fc.Arbitrary<Project> = fc
  .tuple(fc.option(header, { freq: 8 }), main, main, fc.array(fc.record({ at: fc.nat(), list: fc.boolean() }), { maxLength: 2 }))
  .map(([top, first, second, parts]) => {
    const bodies = [twig('body', [...(top ? [top] : []), first]), twig('body', [second])];
    const [one, other] = [planted('a', bodies[0]!), planted('b', bodies[1]!)];
    let project: Project = {
      ...START,
      pages: [
        { ...newPage('gone', 'One', 'index'), ...one },
        { ...newPage('gother', 'Other', 'other'), ...other },
      ],
    };
    let n = 0;
    const newId = () => `p${(n++).toString(36)}`;
    const tried = (make: (now: Project) => Project) => {
      try {
        project = make(project);
      } catch {
        // Not everything can be a part, or a list.
      }
    };
    for (const { at, list } of parts) {
      const ids = Object.keys(project.pages[0]!.elements).filter((id) => !id.includes('.'));
      const id = ids[at % ids.length]!;
      const parent = Object.values(project.pages[0]!.elements).find(({ children }) => children.includes(id));
      tried((now) => makeEdit(now, planMakePart(now, id, true, newId).edit).document);
      if (list && parent) tried((now) => makeEdit(now, planMakeList(now, parent.id, newId).edit).document);
    }
    return project;
  });
