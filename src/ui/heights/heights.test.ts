import type { Breakpoint } from '@/core/breakpoints';
import { heightEdgesOf, movingHeight, nextHeight, shownHeight } from './heights';

const short: Breakpoint = { id: 'bs', name: 'Short', condition: { heightBelow: 601 } };
const tall: Breakpoint = { id: 'bt', name: 'Tall', condition: { below: 900, heightFrom: 800, heightBelow: 1000 } };

test('edges on the axis of heights are shown as people count, and moved as they are shown', () => {
  const [edge] = heightEdgesOf(short.condition);
  expect(shownHeight(edge!)).toBe(600);
  expect(movingHeight(short, edge!, 650)).toMatchObject({ id: 'bs', condition: { heightBelow: 651 } });
  expect(movingHeight(short, edge!, -5)).toMatchObject({ condition: { heightBelow: 41 } });
  expect(heightEdgesOf(tall.condition).map(shownHeight)).toEqual([800, 999]);
  expect(movingHeight(tall, heightEdgesOf(tall.condition)[0]!, 700.4)).toMatchObject({
    condition: { below: 900, heightFrom: 700, heightBelow: 1000 },
  });
});

test('the next edge is either side of it', () => {
  expect(nextHeight([short, tall], 500, 1)).toBe(600);
  expect(nextHeight([short, tall], 600, 1)).toBe(601);
  expect(nextHeight([short, tall], 800, -1)).toBe(799);
  expect(nextHeight([short], 700, 1)).toBeUndefined();
});
