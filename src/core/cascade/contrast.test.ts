import { DEFAULT_SLICE } from '../breakpoints';
import type { Edit } from '../edits';
import { MAIN, make, MIDDLE, set, TEXT } from '../edits/project-for-tests';
import { statedContrast } from './contrast';

const contrast = (width: number, ...edits: readonly Edit[]) => {
  const project = make(MIDDLE, ...edits);
  return statedContrast(project, project.pages[0]!, TEXT, width, DEFAULT_SLICE);
};

test('against the nearest opaque background, else against white', () => {
  expect(contrast(1000, set(TEXT, 'base', 'color', '#767676'))).toMatchObject({ known: true, needed: 4.5 });
  const on = (background: string) =>
    contrast(1000, set(TEXT, 'base', 'color', '#ffffff'), set(MAIN, 'base', 'background-color', background));
  expect(on('#000000')).toMatchObject({ ratio: 21 });
  expect(on('rgba(0, 0, 0, 0.5)')).toMatchObject({ ratio: expect.closeTo(3.98, 1) as number });
  expect(on('transparent')).toMatchObject({ ratio: 1 });
});

test('as it is in the band that is looked at, for the size and weight of the type there', () => {
  const edits = [
    set(TEXT, 'base', 'color', '#767676'),
    set(TEXT, 'bm', 'color', '#999999'),
    set(TEXT, 'bm', 'font-size', '24px'),
  ];
  expect(contrast(1000, ...edits)).toMatchObject({ needed: 4.5, ratio: expect.closeTo(4.54, 2) as number });
  expect(contrast(700, ...edits)).toMatchObject({ needed: 3, ratio: expect.closeTo(2.85, 2) as number });
});

test('what can not be told is said, not guessed', () => {
  const layers = contrast(1000, set(MAIN, 'base', 'background-image', 'linear-gradient(red, blue)'));
  expect(layers).toEqual({ known: false, why: "over the layers of Main the contrast can't be told" });
  expect(contrast(1000, set(TEXT, 'base', 'color', 'color-mix(in lab, red, blue)')).known).toBe(false);
  // An opaque colour in front of the layers hides them.
  expect(
    contrast(
      1000,
      set(MAIN, 'base', 'background-image', 'linear-gradient(red, blue)'),
      set(TEXT, 'base', 'background-color', 'white'),
    ).known,
  ).toBe(true);
});
