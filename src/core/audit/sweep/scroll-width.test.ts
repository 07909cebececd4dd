import { facts } from '../checks/facts-for-tests';
import { scrollWidthBetween } from './scroll-width';

/** A box that reaches past the viewport by a third of its width, and what a browser says can be scrolled. */
const page = (width: number, scrollWidth = Math.round((width * 4) / 3)) =>
  facts(width, [{ id: 'far', box: [0, 0, (width * 4) / 3, 50] }], scrollWidth);

test('between two rounded widths it is what the farthest is rounded to, not what lies between the two', () => {
  const [a, b] = [page(400), page(500)];
  const told = scrollWidthBetween(a, b);
  const off: number[] = [];
  for (let width = 401; width < 500; width++) {
    const share = (width - 400) / 100;
    expect(told(page(width), share)).toBe(Math.round((width * 4) / 3));
    if (Math.round(a.scrollWidth + (b.scrollWidth - a.scrollWidth) * share) !== Math.round((width * 4) / 3)) off.push(width);
  }
  expect(off.length).toBeGreaterThan(0);
});

test('where what reaches farthest is cut off, the measured widths tell', () => {
  const told = scrollWidthBetween(page(400, 420), page(500, 530));
  expect(told(page(450), 0.5)).toBe(475);
});

test('lines and what isn’t shown count as browsers count them', () => {
  const long = (width: number) =>
    facts(
      width,
      [
        { id: 'text', box: [0, 0, width, 20], lines: [[0, 0, width + 40.4, 20]] },
        { id: 'gone', box: [0, 0, width + 900, 20], hidden: true },
      ],
      width + 40,
    );
  expect(scrollWidthBetween(long(400), long(500))(long(450), 0.5)).toBe(490);
});
