import type { FieldValue } from '../origin/field-value';
import { GroupLooks } from './group-looks';
import type { ValueLook } from './ValueGroup';

const fields = (values: Readonly<Record<string, string>>) =>
  new Map(Object.entries(values).map(([property, value]) => [property, { property, value, story: value } as FieldValue]));
const from: ValueLook = {
  shaped: { ids: ['e'], owners: ['e'], fields: fields({}), target: 'base' },
  standings: [],
  pseudo: '',
  query: '',
  onlySet: false,
};
const valueIn = ({ shaped }: ValueLook, property: string) => shaped.fields.get(property)?.value;

test('a group is drawn again where a value that it read is another, and else sees what is so now', () => {
  const looks = new GroupLooks();
  const first = looks.of('Size', from, fields({ width: '1px', color: 'red' }));
  expect(valueIn(first, 'width')).toBe('1px');
  const second = looks.of('Size', from, fields({ width: '1px', color: 'blue' }));
  expect(second).toBe(first);
  // Read only now, as on a press: it is what holds, and counts from now on.
  expect(valueIn(first, 'color')).toBe('blue');
  const third = looks.of('Size', from, fields({ width: '1px', color: 'green' }));
  expect(third).not.toBe(first);
  expect(valueIn(third, 'width')).toBe('1px');
  const fourth = looks.of('Size', from, fields({ color: 'green' }));
  expect(fourth).not.toBe(third);
});

test('groups are apart; what else they are drawn from counts too', () => {
  const looks = new GroupLooks();
  const now = fields({ width: '1px' });
  const size = looks.of('Size', from, now);
  expect(looks.of('Space', from, now)).not.toBe(size);
  expect(looks.of('Size', from, now)).toBe(size);
  for (const other of [
    { ...from, onlySet: true },
    { ...from, standings: [] },
    { ...from, query: 'w' },
    { ...from, shaped: { ...from.shaped, ids: ['f'] } },
    { ...from, shaped: { ...from.shaped, target: 'b1' } },
  ]) {
    const next = looks.of('Size', other, now);
    expect(next).not.toBe(size);
    expect(looks.of('Size', from, now)).not.toBe(next);
  }
});
