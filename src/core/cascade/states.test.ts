import fc from 'fast-check';
import { arbitraryProject } from '../../../tests/cascade/arbitrary-project';
import type { Project } from '../document';
import { BOXES, canBe, canHave, hasPseudo, newProject, readProject, STATES } from '../document';
import type { Edit } from '../edits';
import { applyEdit, makeEdit, readEdit } from '../edits';
import { breakpoint, HEADING, insert, MAIN, make, makeFrom, MIDDLE, set, shared, sheet, TEXT } from '../edits/project-for-tests';
import { renderExport } from '../render';
import { laneNames, namesUnderConditions } from './lanes';
import { PROPERTIES } from '../styles';
import { heldIn, lookOf, shownIn } from './look';
import { writeReach } from './reach';
import { resolve, specifiedValue } from './resolve';

const page = (project: Project) => project.pages[0]!;

/** A value and who says so, of an element in a state at a width. */
function said(project: Project, id: string, pseudo: string, property = 'color', width = 1000) {
  const look = lookOf(project, page(project), id, pseudo);
  const slice = heldIn(look, { height: 800, pointer: 'mouse' as const });
  return resolve(look.project, look.page, look.node, property, width, slice);
}
const value = (...of: Parameters<typeof said>) => said(...of).value;

test('a state beats rest under any breakpoint and in any layer; among states the layers come first, then their order', () => {
  const project = make(
    MIDDLE,
    shared(TEXT),
    set('ktext:hover', 'base', 'color', 'red'),
    set(TEXT, 'base', 'color', 'black'),
    set(TEXT, 'bm', 'color', 'gray'),
  );
  expect([value(project, TEXT, ''), value(project, TEXT, ':hover'), value(project, TEXT, ':hover', 'color', 500)]).toEqual([
    'black',
    'red',
    'red',
  ]);
  const more = makeFrom(project, set('sx:active', 'base', 'color', 'blue'), set('sx:hover', 'base', 'color', 'green'));
  expect([value(more, TEXT, ':hover'), value(more, TEXT, ':active')]).toEqual(['green', 'blue']);
  // What is pressed is pointed at too, and its own layer is stronger.
  const own = makeFrom(more, set(`${TEXT}:hover`, 'bm', 'color', 'white'));
  expect([value(own, TEXT, ':active'), value(own, TEXT, ':active', 'color', 500)]).toEqual(['blue', 'white']);
  expect(said(own, TEXT, ':active', 'color', 500).beaten.map(({ value: one }) => one)).toEqual([
    'blue',
    'green',
    'red',
    'gray',
    'black',
  ]);
});

test('pointing and pressing reach what an element stands in, and through it what inherits; the focus does not', () => {
  const project = make(set(`${MAIN}:hover`, 'base', 'color', 'red'), set(`${MAIN}:focus-visible`, 'base', 'color', 'blue'));
  expect([
    value(project, TEXT, ':hover'),
    value(project, TEXT, ':focus-visible'),
    value(project, MAIN, ':focus-visible'),
  ]).toEqual(['red', 'rgb(0, 0, 0)', 'blue']);
});

test('the document says what is disabled, checked, open, current or empty', () => {
  const attributes = (node: string, name: string, text: string): Edit => ({ type: 'setAttribute', node, name, value: text });
  const project = make(
    insert('efields', 'fieldset'),
    insert('elegend', 'legend', 0, 'efields'),
    insert('efree', 'button', 0, 'elegend'),
    insert('ebound', 'button', 1, 'efields'),
    ...['efree', 'ebound'].map((id) => set(`${id}:disabled`, 'base', 'color', 'gray')),
    attributes('efields', 'disabled', ''),
    ...['ea', 'eb'].flatMap((id) => [
      insert(id, 'input'),
      attributes(id, 'type', 'radio'),
      attributes(id, 'name', 'tool'),
      attributes(id, 'checked', ''),
      set(`${id}:checked`, 'base', 'opacity', '0.5'),
    ]),
    insert('elist', 'ul'),
    set('elist:empty', 'base', 'display', 'none'),
    set(`${TEXT}:current`, 'base', 'color', 'green'),
    attributes(TEXT, 'aria-current', 'page'),
  );
  expect([value(project, 'ebound', ''), value(project, 'efree', '')]).toEqual(['gray', 'rgb(0, 0, 0)']);
  expect(['ea', 'eb'].map((id) => value(project, id, '', 'opacity')).sort()).toEqual(['0.5', '1']);
  expect([value(project, 'elist', '', 'display'), value(project, TEXT, '')]).toEqual(['none', 'green']);
  // Held, a document says of it what it doesn't say at rest.
  expect(value(project, 'efree', ':disabled')).toBe('gray');
  const filled = makeFrom(project, insert('eitem', 'li', 0, 'elist'));
  expect([value(filled, 'elist', '', 'display'), value(filled, 'elist', ':empty', 'display')]).toEqual(['block', 'none']);
  const [div, input] = [page(project).elements[MAIN]!, page(project).elements.ea!];
  expect(STATES.filter((state) => !canBe(div, state))).toEqual(['open', 'checked', 'disabled']);
  expect([BOXES.filter((box) => canHave(input, box)), hasPseudo(div, ':disabled::before')]).toEqual([['placeholder'], false]);
});

test('a box follows what becomes disabled around it', () => {
  const project = make(
    insert('efields', 'fieldset'),
    insert('ebutton', 'button', 0, 'efields'),
    set('ebutton:disabled::before', 'base', 'color', 'gray'),
  );
  expect(value(project, 'ebutton', '::before')).toBe('rgb(0, 0, 0)');
  const disabled = makeFrom(project, { type: 'setAttribute', node: 'efields', name: 'disabled', value: '' });
  expect(value(disabled, 'ebutton', '::before')).toBe('gray');
});

test('what is asked of one element in a state is what the whole page in that state says, and takes no copy of it', () => {
  let otherwise = 0;
  fc.assert(
    fc.property(arbitraryProject, (project) => {
      const was = page(project);
      for (const id of Object.keys(was.elements))
        for (const state of STATES) {
          const look = lookOf(project, was, id, `:${state}`);
          const whole = shownIn(project, was, id, state);
          if (Object.keys(look.page.elements).length > 1 && look.page !== was && state !== 'checked')
            expect([id, state, 'taken as a copy']).toEqual([id, state, 'taken as it is']);
          if (look.page !== was) otherwise++;
          const viewport = heldIn(look, { width: 700, height: 700, pointer: 'mouse' as const });
          const differing = PROPERTIES.filter(
            ({ name }) =>
              specifiedValue(look.project, look.page, id, name, viewport) !==
              specifiedValue(whole.project, whole.page, id, name, viewport),
          );
          if (differing.length > 0) expect([id, state, differing.map(({ name }) => name)]).toEqual([id, state, []]);
        }
    }),
    { numRuns: 4 },
  );
  expect(otherwise).toBeGreaterThan(20);
});

test('boxes before and after inherit from their element and have states of their own', () => {
  const project = make(
    set(TEXT, 'base', 'color', 'navy'),
    set(`${TEXT}::before`, 'base', 'content', '"\\2192 "'),
    set(`${TEXT}:hover::before`, 'base', 'color', 'red'),
  );
  const look = (pseudo: string, property?: string) => value(project, TEXT, pseudo, property);
  expect([look('::before', 'content'), look('::before'), look(':hover::before'), look(':hover')]).toEqual([
    '"→"',
    'navy',
    'red',
    'navy',
  ]);
  expect(laneNames(project, page(project), TEXT, ':hover::before')).toEqual(['color', 'content', 'font-family', 'line-height']);
});

test('what is said of an element at some widths only is told by its name, whoever says it', () => {
  const project = make(
    MIDDLE,
    set(TEXT, 'base', 'color', 'navy'),
    set(TEXT, 'bm', 'padding-top', '4px'),
    set(`${TEXT}:hover`, 'bm', 'opacity', '0.5'),
    set(MAIN, 'bm', 'font-size', '12px'),
    sheet('p { margin-left: 1px } @media (max-width: 500px) { p { margin-top: 2px } h1 { margin-bottom: 3px } }'),
  );
  const names = (pseudo = '') => [...namesUnderConditions(project, page(project), TEXT, pseudo)].sort();
  expect(names()).toEqual(['margin-top', 'padding-top']);
  expect(names(':hover')).toContain('opacity');
});

test('sheets from elsewhere speak of states and boxes', () => {
  const project = make(sheet('main:hover > p { color: red } p::after { content: "x" } p:hover::after { color: blue }'));
  expect([value(project, TEXT, ''), value(project, TEXT, ':hover'), value(project, HEADING, ':hover')]).toEqual([
    'rgb(0, 0, 0)',
    'red',
    'rgb(0, 0, 0)',
  ]);
  expect([value(project, TEXT, '::after', 'content'), value(project, TEXT, ':hover::after')]).toEqual(['"x"', 'blue']);
});

test('the sheet says it as standard CSS, states after all that is said of rest', () => {
  const project = make(
    MIDDLE,
    shared(TEXT),
    set('sx:hover', 'base', 'color', 'red'),
    set('sx:hover', 'bm', 'color', 'blue'),
    set('klink:focus-visible', 'base', 'outline', '2px solid red'),
    set(`${TEXT}::before`, 'base', 'content', '"→"'),
    set(`${TEXT}:current`, 'base', 'color', 'green'),
    set(TEXT, 'bm', 'width', '50%'),
  );
  const css = renderExport(project).find(({ path }) => path === 'styles.css')!.content as { text: string };
  const own = css.text.slice(css.text.indexOf('.first-text'));
  expect(own.trim().replace(/\s+/g, ' ')).toBe(
    '.first-text::before { content: "→"; } @media (width < 900px) { .first-text { width: 50%; } } a:focus-visible { outline: 2px solid red; } .quiet:hover { color: red; } @media (width < 900px) { .quiet:hover { color: blue; } } .first-text[aria-current]:not(:where([aria-current=""], [aria-current="false"])) { color: green; }',
  );
});

test('what is written for a state reaches where it wins, and says so', () => {
  const project = make(MIDDLE, set(`${TEXT}:hover`, 'bm', 'color', 'red'));
  const reach = writeReach(project, page(project), TEXT, 'color', 'base', undefined, ':hover');
  expect([reach.takes, reach.keeps]).toEqual([[{ from: 900, below: Infinity }], [{ from: 0, below: 900 }]]);
  const { footprint, inverse, document } = applyEdit(project, set(`${TEXT}:hover`, 'base', 'color', 'blue'));
  expect(footprint.gfirst!.widths).toEqual([{ from: 900, below: Infinity }]);
  expect(applyEdit(document, inverse).document).toEqual(project);
});

test.each<[Edit, RegExp]>([
  [set(TEXT, 'base', 'content', '"x"'), /boxes before and after/],
  [set(`${TEXT}::marker`, 'base', 'padding', '3px'), /A marker takes no/],
  [set(`${TEXT}::placeholder`, 'base', 'width', '3px'), /A placeholder takes no/],
  [set(`${TEXT}::before`, 'base', 'content', 'counter(x)'), /words in quotation marks/],
  [set(`${TEXT}:hovered`, 'base', 'color', 'red'), /Not an element, a shared style or a kind/],
  [set('sgone:hover', 'base', 'color', 'red'), /has been removed/],
])('%j is refused', (edit, reason) => {
  expect(() => makeEdit(make(breakpoint('bm', 'Middle', { below: 900 })), readEdit(edit))).toThrow(reason);
});

test('a project of version 7 opens unchanged', () => {
  const project = newProject('00000000-0000-4000-8000-000000000000', 'Old');
  expect(readProject({ ...structuredClone(project), schema: 7 })).toEqual(project);
});

test('a footprint names what shows only while another state holds', () => {
  // At rest nothing differs, but the browser's own line around what is focused does.
  const { footprint } = applyEdit(make(), set(TEXT, 'base', 'outline-width', 'initial'));
  expect(footprint.gfirst!.widths).toHaveLength(1);
  // At present it says what holds anyway, but not once the document says that it is current.
  const project = make(set(`${TEXT}:current`, 'base', 'color', 'green'), set(TEXT, 'base', 'color', 'blue'));
  expect(applyEdit(project, set(`${TEXT}:hover`, 'base', 'color', 'blue')).footprint.gfirst!.properties).toEqual(['color']);
});
