import type { PageElement, Project } from '../document';
import { newProject } from '../document';
import { differingWidths, laneFor, lanesFor } from './lanes';
import { writeReach } from './reach';
import { resolve } from './resolve';

const element = (id: string, fields: Partial<PageElement>): PageElement => ({
  id,
  tag: 'div',
  name: id,
  attributes: {},
  children: [],
  shared: [],
  styles: {},
  ...fields,
});

/** Narrow below 600, Middle below 900, Wide (base), Very wide from 1600. */
function project(elements: readonly PageElement[], shared: Project['shared'] = []): Project {
  const empty = newProject('00000000-0000-4000-8000-000000000000', 'Test');
  return {
    ...empty,
    baseName: 'Wide',
    breakpoints: [
      { id: 'blarge', name: 'Very wide', condition: { from: 1600 } },
      { id: 'bmiddle', name: 'Middle', condition: { below: 900 } },
      { id: 'bnarrow', name: 'Narrow', condition: { below: 600 } },
    ],
    shared,
    pages: [
      {
        id: 'gp',
        name: 'P',
        slug: 'p',
        root: elements[0]!.id,
        elements: Object.fromEntries(elements.map((one) => [one.id, one])),
      },
    ],
  };
}

const body = (...children: string[]) => element('ebody', { tag: 'body', children });
const value = (of: Project, id: string, property: string, width: number) => resolve(of, of.pages[0]!, id, property, width);

test('downward breakpoints pass values down, to the exact pixel', () => {
  const one = project([
    body('ea'),
    element('ea', { styles: { base: { width: '1px' }, bmiddle: { width: '2px' }, bnarrow: { width: '3px' } } }),
  ]);
  const at = (width: number) => value(one, 'ea', 'width', width).value;
  expect([at(900), at(899.99), at(600), at(599.99), at(2000)]).toEqual(['1px', '2px', '2px', '3px', '1px']);
});

test('a value set at 900 holds at 600 unless 600 has its own; upward ones do not reach down', () => {
  const one = project([body('ea'), element('ea', { styles: { bmiddle: { color: 'red' }, blarge: { color: 'blue' } } })]);
  expect(value(one, 'ea', 'color', 400).value).toBe('red');
  expect(value(one, 'ea', 'color', 1599).value).toBe('rgb(0, 0, 0)');
  expect(value(one, 'ea', 'color', 1600).value).toBe('blue');
});

test('layers: own base beats a shared override; later shared styles beat earlier ones, whatever order carries them', () => {
  const shared: Project['shared'] = [
    { id: 'sfirst', name: 'First', styles: { base: { width: '10px', height: '1px' }, bmiddle: { width: '11px' } } },
    { id: 'ssecond', name: 'Second', styles: { base: { height: '2px' } } },
  ];
  const one = project(
    [body('ea'), element('ea', { shared: ['ssecond', 'sfirst'], styles: { base: { width: '20px' } } })],
    shared,
  );
  const width = value(one, 'ea', 'width', 500);
  expect(width.value).toBe('20px');
  expect(width.beaten.map((candidate) => candidate.value)).toEqual(['11px', '10px']);
  expect(value(one, 'ea', 'height', 500).value).toBe('2px');
});

test('the base goes green, the phone stays blue; clearing the override lets the base through', () => {
  const styles = { base: { color: 'green' }, bnarrow: { color: 'blue' } };
  const one = project([body('ea'), element('ea', { styles })]);
  expect(value(one, 'ea', 'color', 400).value).toBe('blue');
  const cleared = project([body('ea'), element('ea', { styles: { base: { color: 'green' } } })]);
  expect(value(cleared, 'ea', 'color', 400).value).toBe('green');
});

test('inheritance names the ancestor it comes from', () => {
  const one = project([
    body('ea'),
    element('ea', { children: ['eb'], styles: { bmiddle: { color: 'red' } } }),
    element('eb', {}),
  ]);
  expect(value(one, 'eb', 'color', 700)).toMatchObject({ value: 'red', origin: { kind: 'inherited', element: 'ea' } });
  expect(value(one, 'eb', 'color', 1000).origin).toEqual({ kind: 'initial' });
  expect(value(one, 'eb', 'width', 700).value).toBe('auto');
});

test('CSS-wide keywords', () => {
  const styles = { base: { width: 'inherit', color: 'initial', 'font-size': 'unset', height: 'unset' } };
  const one = project([
    body('ea'),
    element('ea', { children: ['eb'], styles: { base: { width: '7px', color: 'red', 'font-size': '20px', height: '9px' } } }),
    element('eb', { styles }),
  ]);
  const of = (property: string) => value(one, 'eb', property, 1000).value;
  expect([of('width'), of('color'), of('font-size'), of('height')]).toEqual(['7px', 'rgb(0, 0, 0)', '20px', 'auto']);
});

test('an unknown property or element is an error, not an answer', () => {
  const one = project([body()]);
  expect(() => value(one, 'ebody', 'colour', 100)).toThrow(/isn't a property/);
  expect(() => value(one, 'enone', 'color', 100)).toThrow(/no element/);
});

test('lanes tell set, carried, shared and inherited apart', () => {
  const shared = [{ id: 'sfirst', name: 'First', styles: { base: { display: 'grid' } } }];
  const one = project(
    [body('ea'), element('ea', { shared: ['sfirst'], styles: { base: { width: '4px' }, bmiddle: { width: '3px' } } })],
    shared,
  );
  const page = one.pages[0]!;
  const described = lanesFor(one, page, 'ea').map(({ property, stretches }) => [
    property,
    ...stretches.map((part) => `${part.from} ${part.carriage} ${part.value}`),
  ]);
  expect(described).toEqual([
    ['width', '0 carried 3px', '600 set 3px', '900 set 4px', '1600 carried 4px'],
    ['display', '0 shared grid'],
  ]);
});

test('lanes cover all widths without gap or overlap, and say what resolve says', () => {
  const one = project([
    body('ea'),
    element('ea', { styles: { base: { width: '4px' }, blarge: { width: '5px' }, bnarrow: { width: '1px' } } }),
  ]);
  const { stretches } = laneFor(one, one.pages[0]!, 'ea', 'width');
  expect(stretches[0]!.from).toBe(0);
  expect(stretches[stretches.length - 1]!.below).toBe(Infinity);
  stretches.forEach((part, i) => {
    if (i > 0) expect(part.from).toBe(stretches[i - 1]!.below);
    expect(value(one, 'ea', 'width', part.from).value).toBe(part.value);
  });
});

test('what a write would reach, and what keeps its own', () => {
  const one = project([body('ea'), element('ea', { styles: { base: { width: '4px' }, bnarrow: { width: '1px' } } })]);
  const page = one.pages[0]!;
  const ea = page.elements.ea!;
  expect(writeReach(one, page, ea.id, 'width', 'bmiddle')).toMatchObject({
    takes: [{ from: 600, below: 900 }],
    keeps: [{ from: 0, below: 600 }],
  });
  expect(writeReach(one, page, ea.id, 'width', 'base').takes).toEqual([{ from: 600, below: Infinity }]);
  expect(writeReach(one, page, ea.id, 'height', 'base').takes).toEqual([{ from: 0, below: Infinity }]);
});

test('differing widths are exact', () => {
  const before = project([body('ea'), element('ea', { styles: { base: { width: '4px' }, bnarrow: { width: '1px' } } })]);
  const after = project([
    body('ea'),
    element('ea', { styles: { base: { width: '4px' }, bmiddle: { width: '1px' }, bnarrow: { width: '1px' } } }),
  ]);
  const lane = (of: Project) => laneFor(of, of.pages[0]!, 'ea', 'width');
  expect(differingWidths(lane(before), lane(after))).toEqual([{ from: 600, below: 900 }]);
});
