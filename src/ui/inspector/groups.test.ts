import type { Carriage } from '@/core/cascade';
import type { Standing } from '@/core/styles';
import { PROPERTIES } from '@/core/styles';
import type { FieldValue } from '../origin/field-value';
import type { Shaped } from '../value-controls/shape';
import { GROUPS, placeOf, propertiesOf } from './groups';

const BLOCK: Standing = {
  ...{ tag: 'div', display: 'block', position: 'static', overflowX: 'visible', overflowY: 'visible' },
  ...{ backgroundImage: 'none', outlineStyle: 'none', parentDisplay: 'block', generated: false },
};

/** Where the field of a property stands, if some values are written and all others are as browsers have them. */
function placed(name: string, written: Readonly<Record<string, string>>, standing: Partial<Standing> = {}): string {
  const fields = new Map(
    PROPERTIES.map((property) => {
      const carriage: Carriage = property.name in written ? 'set' : 'default';
      return [property.name, { value: written[property.name] ?? property.initial, carriage } as FieldValue] as const;
    }),
  );
  const shaped: Shaped = { ids: ['e'], owners: ['e'], fields, target: 'base' };
  const item = GROUPS.flatMap(({ items }) => items).find((one) => propertiesOf(one).includes(name))!;
  return placeOf(item, shaped, [{ ...BLOCK, ...standing }], true);
}

test('fields that do nothing here are one press away, until somebody writes them', () => {
  expect(placed('flex-grow', {})).toBe('more');
  expect(placed('flex-grow', {}, { parentDisplay: 'flex' })).toBe('atOnce');
  expect(placed('flex-grow', { 'flex-grow': '1' })).toBe('atOnce');
  expect(placed('table-layout', {})).toBe('more');
  expect(placed('table-layout', {}, { display: 'table' })).toBe('atOnce');
});

test('a control stands for a plain field only where it is shown, and can say the value', () => {
  expect(placed('display', { display: 'flex' }, { display: 'flex' })).toBe('more');
  expect(placed('display', { display: 'inline-block' }, { display: 'inline-block' })).toBe('atOnce');
  const columns = { 'grid-template-columns': '1fr 2fr' };
  expect(placed('grid-template-columns', { display: 'grid', ...columns }, { display: 'grid' })).toBe('more');
  // Written, and idle: it is shown, and says why it does nothing.
  expect(placed('grid-template-columns', columns)).toBe('atOnce');
  expect(placed('flex-direction', { 'flex-direction': 'column' })).toBe('atOnce');
});

test('sides that differ have their fields beside the control for all of them', () => {
  const widths = (left: string) =>
    Object.fromEntries(
      ['top', 'right', 'bottom', 'left'].map((side) => [`border-${side}-width`, side === 'left' ? left : '1px']),
    );
  expect(placed('border-left-width', widths('1px'))).toBe('more');
  expect(placed('border-left-width', widths('4px'))).toBe('atOnce');
});

test('where a box is held or pinned is said once, by the control for it', () => {
  const pinned = { position: 'sticky', top: '0px', 'z-index': '10' };
  expect(placed('position', pinned, { position: 'sticky' })).toBe('more');
  expect(placed('top', pinned, { position: 'sticky' })).toBe('more');
  expect(placed('top', { ...pinned, top: '20px' }, { position: 'sticky' })).toBe('atOnce');
  expect(placed('position', { position: 'relative' }, { position: 'relative' })).toBe('atOnce');
});
