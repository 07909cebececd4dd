import type { PageFacts } from '../facts';
import { facts } from '../checks/facts-for-tests';
import { sidewaysScroll } from '../checks/sideways-scroll';
import { judgesOf } from '../judge';
import type { SweptPart, WrongWidth } from './sweep';
import { sweepExactly } from './exact';

const [FIRST, LAST] = [320, 1920];
const widths = Array.from({ length: LAST - FIRST + 1 }, (_, i) => FIRST + i);

/** A page that is 40 px too wide wherever it is told to be, swept. */
function swept(
  isWide: (width: number) => boolean,
  { top = () => 0, ...more }: { edges?: number[]; everyWidth?: boolean; top?: (width: number) => number } = {},
) {
  const order: number[] = [];
  const measure = (width: number): PageFacts => {
    order.push(width);
    return facts(
      width,
      [{ id: 'e1', box: [0, top(width), isWide(width) ? width + 40 : 100, 20] }],
      isWide(width) ? width + 40 : width,
    );
  };
  const judges = judgesOf([{ check: sidewaysScroll, limits: {} }]);
  const parts: SweptPart[] = [...sweepExactly({ widths, edges: [], near: 1280, measure, judges, ...more }, LAST)];
  // What is told of a width later replaces what was told before.
  const said = new Map(parts.flatMap(({ results }) => results.map(({ width, violations }) => [width, violations.length > 0])));
  const wrong = parts.flatMap((part): WrongWidth[] => (part.wrong ? [part.wrong] : []));
  return { said, wrong, order, layouts: parts.reduce((sum, { layouts }) => sum + layouts, 0) };
}
const wide = ({ said }: ReturnType<typeof swept>) => widths.filter((width) => said.get(width));

test('an event anywhere is found to the px, with few layouts', () => {
  for (const edge of [321, 700, 701, 1111, 1920]) {
    const result = swept((width) => width < edge);
    expect(wide(result)).toEqual(widths.filter((width) => width < edge));
    expect(result.wrong).toEqual([]);
    expect(result.said.size).toBe(widths.length);
    expect(result.layouts).toBeLessThan(widths.length / 8);
  }
});

test('what no look meets is found by spot checks: told as a fault, and every width measured', () => {
  // Every 13th of all widths has its own; a stretch is a fourth, and looked into twice.
  const hidden = (width: number) => {
    const place = ((width - FIRST) / (widths.length / 13)) % 1;
    return place > 0.8 && place < 0.97;
  };
  const result = swept(hidden);
  expect(result.wrong).toMatchObject([{ checks: ['sideways-scroll'] }]);
  expect(hidden(result.wrong[0]!.width)).toBe(true);
  expect(wide(result)).toEqual(widths.filter(hidden));
  expect(result.layouts).toBeGreaterThanOrEqual(widths.length);
});

test('where nothing tells at which widths a page changes, each is measured once', () => {
  const odd = (width: number) => width % 2 === 1;
  const result = swept(odd, { everyWidth: true });
  expect(wide(result)).toEqual(widths.filter(odd));
  expect(result).toMatchObject({ wrong: [], layouts: widths.length });
});

test('conditions are never inside of what is skipped, however near to each other', () => {
  const result = swept((width) => width === 900, { edges: [900, 901] });
  expect(wide(result)).toEqual([900]);
  expect(result.wrong).toEqual([]);
});

test('next to a stretch of which nearly all had to be laid out widths are measured one by one, and further on it is tried again', () => {
  const top = (width: number) => (width < 1000 ? (width * 7919) % 97 : 0);
  const result = swept((width) => width < 500, { top });
  expect(wide(result)).toEqual(widths.filter((width) => width < 500));
  expect(result.wrong).toEqual([]);
  const leaps = (list: readonly number[]) => list.filter((width, i) => i > 0 && Math.abs(width - list[i - 1]!) > 1).length;
  const [dear, cheap] = [result.order.filter((width) => width < 1000), result.order.filter((width) => width >= 1000)];
  expect(leaps(dear)).toBeLessThan(dear.length / 2);
  expect(cheap.length).toBeLessThan(160);
});
