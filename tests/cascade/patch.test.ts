import { build } from 'esbuild';
import fc from 'fast-check';
import type { Browser, Page as BrowserPage } from 'playwright-core';
import type { Edit } from '@/core/edits';
import { EDIT_TYPES, makeEdit, readEdit } from '@/core/edits';
import type { Look } from '@/core/cascade';
import { shownIn } from '@/core/cascade';
import type { PageElement, Project, State } from '@/core/document';
import { newProject, STATES, usesIn } from '@/core/document';
import type { Preview } from '@/core/render';
import { heldMarks, patchBetween, previewDocument, renderPreview, restyledPreview, rewrittenPreview } from '@/core/render';
import { demoProject } from '@/demo';
import { demoWithCards } from '@/demo/demo-with-cards-for-tests';
import { fontData } from '@/server/browser/fonts';
import { launchChromium } from '@/server/browser/chromium';
import { Draw } from '../edits/draw';
import { randomEdit } from '../edits/random-edit';
import { START } from '../edits/start';

// The live frame gets patches, never a new document. After any series of edits it must stand as a new one would.

const SERIES = Number(process.env.SERIES ?? 3);
const demo = demoProject('00000000-0000-4000-8000-000000000000');
const empty = newProject('00000000-0000-4000-8000-000000000000', 'Empty');

let browser: Browser;
let host: BrowserPage;
let probe: string;

beforeAll(async () => {
  browser = await launchChromium();
  host = await browser.newPage();
  const bundle = await build({ entryPoints: ['src/probe/frame.ts'], bundle: true, write: false, format: 'iife' });
  probe = bundle.outputFiles[0]!.text;
}, 60_000);
afterAll(() => browser.close());

/**
 * What a frame's document is: its elements, the rules and font faces that its sheets hold, in order, and what comes of them:
 * every computed value and box.
 */
const STATE = async (frame: HTMLIFrameElement) => {
  const inside = frame.contentDocument!;
  const view = inside.defaultView!;
  // Laid out from the ground: Chromium keeps a line as empty when an empty inline box on it is given a padding.
  inside.documentElement.style.display = 'none';
  inside.body.getBoundingClientRect();
  inside.documentElement.style.display = '';
  inside.body.getBoundingClientRect();
  await inside.fonts.ready;
  // Attributes in an order of their own, as theirs says nothing; spaces between elements as one, as they are laid out.
  const write = (node: Node): string => {
    if (!(node instanceof inside.defaultView!.Element)) return (node.nodeValue ?? '').replace(/\s+/g, ' ');
    if (node.localName === 'script') return '';
    const attributes = [...node.attributes].map(({ name, value }) => `${name}="${value}"`).sort();
    return `<${[node.localName, ...attributes].join(' ')}>${[...node.childNodes].map(write).join('')}</>`;
  };
  const body = write(inside.body).replace(/\s*<\/>$/, '');
  const rules = [...inside.querySelectorAll('style')].flatMap((style) =>
    [...style.sheet!.cssRules].map((rule) => rule.cssText.slice(0, 2_000)),
  );
  const shown = [...inside.querySelectorAll('[data-mp-node]')].map((element) => {
    const { x, y, width, height } = element.getBoundingClientRect();
    const style = view.getComputedStyle(element);
    const values = [...style].map((name) => `${name}:${style.getPropertyValue(name)}`).join(';');
    return [x, y, width, height, values];
  });
  const fonts = [...inside.fonts].map(({ family }) => family).sort();
  const { lang, dir } = inside.documentElement;
  return { body, rules, shown, fonts, lang, dir };
};

async function load(html: string): Promise<void> {
  await host.setContent('<!doctype html><iframe style="width:700px;height:500px"></iframe>');
  await host.evaluate(async (source) => {
    const frame = document.querySelector('iframe')!;
    await new Promise((done) => {
      frame.onload = done;
      frame.srcdoc = source;
    });
    const { port1, port2 } = new MessageChannel();
    (window as unknown as { port: MessagePort }).port = port1;
    frame.contentWindow!.postMessage(undefined, '*', [port2]);
  }, html);
}

const state = () => host.evaluate(`(${STATE.toString()})(document.querySelector('iframe'))`);
const pageOf = (project: Project) => project.pages[Math.min(1, project.pages.length - 1)]!;
/** What is held in a state while edits are made; it may go with one of them. */
let held: { readonly element: string; readonly state: State } | undefined;
const lookAt = (project: Project): Omit<Look, 'node'> => {
  const page = pageOf(project);
  return held && held.element in page.elements ? shownIn(project, page, held.element, held.state) : { project, page };
};
const preview = (project: Project) => {
  const look = lookAt(project);
  return renderPreview(look.project, look.page, fontData);
};
const tell = (message: object) =>
  host.evaluate(async (one) => {
    (window as unknown as { port: MessagePort }).port.postMessage(one);
    await new Promise((done) => setTimeout(done, 0));
  }, message);
const tellHeld = (project: Project) => tell({ type: 'held', marks: heldMarks(lookAt(project).held) });
const documentOf = (project: Project) =>
  previewDocument(preview(project), '').replace('</html>', `<script>${probe}</script></html>`);

const said = (one: Preview) => ({ ...one, body: one.body() });
const patched = new Set<string>();
const taken = new Set<string>();

/** One edit as the stage does it: the short way for values, the long one for all else. */
async function edit(project: Project, made: Edit): Promise<Project> {
  let next: Project;
  try {
    next = makeEdit(project, readEdit(JSON.parse(JSON.stringify(made)))).document;
  } catch {
    return project;
  }
  taken.add(made.type);
  const shown = { ...lookAt(project), preview: preview(project) };
  const look = lookAt(next);
  const quick = restyledPreview(shown, look.project, look.page) ?? rewrittenPreview(shown, look.project, look.page);
  if (quick) expect(said(quick.preview)).toEqual(said(preview(next)));
  const patch = quick?.patch ?? patchBetween(shown.preview, preview(next));
  patched.add(quick ? `quick ${patch.kind}` : patch.kind).add(patch.fonts === undefined ? '' : 'with fonts');
  if (JSON.stringify(heldMarks(look.held)) !== JSON.stringify(heldMarks(lookAt(project).held))) await tellHeld(next);
  if (patch.kind !== 'none') await tell({ ...patch, type: patch.kind });
  return next;
}

async function compare(start: Project, edits: readonly (Edit | number)[]): Promise<void> {
  await load(documentOf(start));
  await tellHeld(start);
  let project = start;
  for (const one of edits) project = await edit(project, typeof one === 'number' ? randomEdit(project, new Draw(one), 0) : one);
  await host.evaluate(() => new Promise((done) => setTimeout(done, 10)));
  const asPatched = await state();
  await load(documentOf(project));
  await tellHeld(project);
  expect(asPatched).toEqual(await state());
}

const CARDS = Object.values(pageOf(demo).elements).find(({ name }) => name === 'Tool cards')!.id;
const value = (owner: string, at: string, property: string, text: string): Edit => ({
  type: 'setStyle',
  owner,
  at,
  property,
  value: text,
});

const cards = demoWithCards();
const USED = usesIn(pageOf(cards).elements).find((id) => pageOf(cards).elements[id]!.use!.part === 'mincatalogue')!;
/** The card that the part of the catalogue uses, as a page shows it. */
const USE = `${USED}.eincatalogue1`;

const mark = (id: string, children: PageElement['children']): PageElement => ({
  ...{ id, tag: 'strong', name: 'Strong', attributes: {}, children, shared: [], styles: {} },
});

test.each<[string, Project, readonly Edit[]]>([
  ['a shared style', demo, [value(demo.shared[0]!.id, 'base', 'color', 'red')]],
  [
    'rules patched in place, then moved',
    demo,
    [value(CARDS, 'base', 'color', 'red'), { type: 'removeBreakpoint', id: 'bmiddle' }],
  ],
  [
    'rules patched twice, then in another order',
    demo,
    [
      value(CARDS, 'bnarrow', 'color', 'red'),
      value(CARDS, 'bnarrow', 'color', 'blue'),
      { type: 'moveBreakpoint', id: 'bnarrow', edge: 1000 },
    ],
  ],
  [
    'texts and marks, in a paragraph, in the body, and out again',
    empty,
    [
      { type: 'setText', node: 'efirstp', text: 'Other words' },
      {
        type: 'setContent',
        node: 'efirstp',
        children: [{ text: 'Some ' }, 'emark', { text: ' words' }],
        elements: [mark('emark', [{ text: 'loud' }])],
      },
      { type: 'moveElement', node: 'emark', parent: 'efirsth', index: 0 },
      { type: 'insertElement', page: 'gfirst', parent: 'efirstbody', index: 1, elements: [mark('elast', [])] },
      { type: 'removeElement', node: 'emark' },
    ],
  ],
  ['a font that nothing used before', empty, [value('efirsth', 'base', 'font-family', '"Spline Sans Mono Variable", monospace')]],
  [
    'a font that a variable names, and one that nothing names any more',
    empty,
    [
      value('efirstbody', 'base', '--face', '"Spline Sans Mono Variable"'),
      value('efirstbody', 'base', 'font-family', 'var(--face)'),
    ],
  ],
  [
    'the size of text on the root, there and back',
    empty,
    [
      { type: 'setProject', field: 'rootSize', value: 112.5 },
      value('efirstbody', 'base', 'font-size', '2rem'),
      { type: 'setProject', field: 'rootSize', value: 100 },
    ],
  ],
  [
    'a part, one use of it, and a card without its button again',
    cards,
    [
      value('ecard3', 'base', 'color', 'red'),
      value(`${USE}.ecard3`, 'bnarrow', 'padding-top', '9px'),
      { type: 'sayTexts', node: `${USE}.ecard5`, texts: ['Elsewhere'] },
      { type: 'setHidden', node: `${USE}.ecard6`, hidden: true },
      { type: 'setText', node: 'ecard6', text: 'Lend' },
      { type: 'setHidden', node: `${USE}.ecard6`, hidden: false },
      { type: 'removeElement', node: 'ecard2' },
    ],
  ],
])(
  'a patched frame stands as a new one would: %s',
  async (_, start, edits) => {
    // An edit that isn't taken would test nothing.
    edits.reduce((project, one) => makeEdit(project, one).document, start);
    await compare(start, edits);
  },
  60_000,
);

/** The first edit of a kind, by chance, that the project takes. */
function someEdit(project: Project, type: string): Edit {
  for (let seed = 0; seed < 20_000; seed++) {
    const one = randomEdit(project, new Draw(seed), 0);
    if (one.type !== type) continue;
    try {
      makeEdit(project, readEdit(one));
      return one;
    } catch {
      // Another one, then.
    }
  }
  throw new Error(`No ${type} was found.`);
}

test('a patched frame stands as a new one would, after every kind of edit', async () => {
  // One with an edge to move.
  const edged: Edit = { type: 'addBreakpoint', breakpoint: { id: 'bedged', name: 'Edged', condition: { below: 700 } } };
  let project = makeEdit(START, edged).document;
  // What is taken away must have been there.
  const isRemoval = (type: string) => Number(type.startsWith('remove'));
  // A part or a picture that goes must be one that nothing shows yet.
  const before = (type: string) =>
    type === 'removePart' ? ['addPart', type] : type === 'removePicture' ? ['addPicture', type] : [type];
  const types = [...EDIT_TYPES].sort((a, b) => isRemoval(a) - isRemoval(b));
  for (let at = 0; at < types.length; at += 6) {
    const from = project;
    const edits = types
      .slice(at, at + 6)
      .flatMap(before)
      .map((type) => {
        const one = someEdit(project, type);
        project = makeEdit(project, readEdit(one)).document;
        return one;
      });
    await compare(from, edits);
  }
  expect([...taken].filter((type) => type !== 'group').sort()).toEqual([...EDIT_TYPES].sort());
}, 240_000);

test('a patched frame stands as a new one would, whatever was edited', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.constantFrom(demo, empty, START),
      fc.array(fc.nat(), { minLength: 4, maxLength: 24 }),
      fc.option(fc.tuple(fc.nat(), fc.constantFrom(...STATES))),
      async (start, edits, hold) => {
        const ids = Object.keys(pageOf(start).elements);
        held = hold ? { element: ids[hold[0] % ids.length]!, state: hold[1] } : undefined;
        await compare(start, edits).finally(() => (held = undefined));
      },
    ),
    { numRuns: SERIES },
  );
  expect([...patched].sort()).toEqual(
    expect.arrayContaining(['blocks', 'body', 'quick insides', 'quick rules', 'rules', 'with fonts']),
  );
}, 240_000);
