import type { PageElement, Project } from '../document';
import { newProject } from '../document';
import { ComputedStyles } from './computed';

/** A chain of elements, each inside the one before, and what is computed for the last. */
function last(
  chain: readonly (readonly [
    tag: string,
    styles: Readonly<Record<string, string>>,
    attributes?: Readonly<Record<string, string>>,
  ])[],
  width = 1000,
) {
  const elements = chain.map(([tag, base, attributes = {}], i): PageElement => ({
    id: `e${i}`,
    tag,
    name: tag,
    attributes,
    children: i + 1 < chain.length ? [`e${i + 1}`] : [],
    shared: [],
    styles: { base },
  }));
  const empty = newProject('00000000-0000-4000-8000-000000000000', 'Test');
  const project: Project = {
    ...empty,
    pages: [{ ...empty.pages[0]!, root: 'e0', elements: Object.fromEntries(elements.map((element) => [element.id, element])) }],
  };
  const styles = new ComputedStyles(project, project.pages[0]!, { width, height: 500 });
  return (property: string) => styles.value(`e${chain.length - 1}`, property);
}

// These say in words what the comparison with Chromium checks in bulk.

test('em is the parent’s size for font-size, the own size for everything else', () => {
  const of = last([
    ['body', { 'font-size': '20px' }],
    ['div', { 'font-size': '1.5em', 'padding-top': '2em', 'margin-top': '1rem' }],
  ]);
  expect([of('font-size'), of('padding-top'), of('margin-top')]).toEqual(['30px', '60px', '16px']);
});

test('a number for line-height is inherited as a number, a length as a length', () => {
  expect(
    last([
      ['body', { 'font-size': '10px', 'line-height': '1.5' }],
      ['p', { 'font-size': '20px' }],
    ])('line-height'),
  ).toBe('30px');
  expect(
    last([
      ['body', { 'font-size': '10px', 'line-height': '1.5em' }],
      ['p', { 'font-size': '20px' }],
    ])('line-height'),
  ).toBe('15px');
});

test('bolder and lighter go by what is inherited', () => {
  const weight = (from: string, to: string) =>
    last([
      ['body', { 'font-weight': from }],
      ['span', { 'font-weight': to }],
    ])('font-weight');
  expect([
    weight('300', 'bolder'),
    weight('400', 'bolder'),
    weight('700', 'bolder'),
    weight('400', 'lighter'),
    weight('900', 'lighter'),
  ]).toEqual(['400', '700', '900', '100', '700']);
});

test('items of flex and grid boxes, floats and what is held absolutely are block boxes', () => {
  expect(
    last([
      ['body', { display: 'flex' }],
      ['span', {}],
    ])('display'),
  ).toBe('block');
  expect(
    last([
      ['body', { display: 'grid' }],
      ['span', { display: 'inline-flex' }],
    ])('display'),
  ).toBe('flex');
  expect(
    last([
      ['body', { display: 'flex' }],
      ['div', { display: 'contents' }],
      ['span', {}],
    ])('display'),
  ).toBe('block');
  expect(
    last([
      ['body', {}],
      ['span', { float: 'left' }],
    ])('display'),
  ).toBe('block');
  expect(
    last([
      ['body', {}],
      ['span', { position: 'fixed', float: 'left' }],
    ])('float'),
  ).toBe('none');
});

test('visible can not stand beside an axis that scrolls', () => {
  const of = last([
    ['body', {}],
    ['div', { 'overflow-x': 'scroll' }],
  ]);
  expect([of('overflow-x'), of('overflow-y')]).toEqual(['scroll', 'auto']);
});

test('a border without a line has no width; widths are whole device px', () => {
  const width = (style: string, size: string) =>
    last([
      ['body', {}],
      ['div', { 'border-top-style': style, 'border-top-width': size }],
    ])('border-top-width');
  expect([width('none', '4px'), width('solid', '2.7px'), width('solid', '0.3px'), width('solid', 'thick')]).toEqual([
    '0px',
    '2px',
    '1px',
    '5px',
  ]);
});

test('currentcolor is the colour of the element that uses it', () => {
  const of = last([
    ['body', { color: 'red' }],
    ['div', { 'border-top-color': 'currentcolor', color: 'blue' }],
  ]);
  expect(of('border-top-color')).toBe('rgb(0, 0, 255)');
});

test('fluid values are worked out at the viewport', () => {
  const size = (width: number) => last([['body', { 'font-size': 'clamp(16px, 1rem + 1vw, 24px)' }]], width)('font-size');
  expect([size(300), size(600), size(2000)]).toEqual(['19px', '22px', '24px']);
});

test('lists in lists have no margins of their own', () => {
  const of = last([
    ['body', {}],
    ['ul', {}],
    ['li', {}],
    ['ul', {}],
  ]);
  expect([of('margin-top'), of('list-style-type')]).toEqual(['0px', 'circle']);
});

test('what can not be told is not claimed', () => {
  expect(last([['body', { width: 'calc(50% + 1px)' }]])('width')).toBeUndefined();
  expect(last([['body', { color: 'oklch(50% 0.1 20)' }]])('color')).toBeUndefined();
  expect(last([['body', { transform: 'scale(2)' }]])('transform')).toBeUndefined();
});

test('a text area laid out as a table takes `visible` as `auto` first, so that nothing of its overflow is left', () => {
  const of = (x: string, y: string, display = 'table') =>
    last([
      ['body', {}],
      ['textarea', { display, 'overflow-x': x, 'overflow-y': y }],
    ]);
  expect(of('clip', 'visible')('overflow-x')).toBe('visible');
  expect(of('clip', 'clip')('overflow-x')).toBe('clip');
  expect(of('hidden', 'hidden')('overflow-x')).toBe('hidden');
  expect(of('clip', 'visible', 'block')('overflow-y')).toBe('auto');
});
