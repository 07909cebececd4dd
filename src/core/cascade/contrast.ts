import type { Slice } from '../breakpoints/viewport';
import type { Page, Project } from '../document/project';
import { ancestorsOf } from '../document/tree';
import type { Rgba } from '../styles/contrast';
import { channelsOf, over, readColour } from '../styles/contrast';
import { contrastNeeded, contrastRatio } from '../styles/luminance';
import { ComputedStyles } from './computed';
import { specifiedValue } from './resolve';

const WHITE: Rgba = { r: 1, g: 1, b: 1, alpha: 1 };

export type Contrast =
  { readonly known: true; readonly ratio: number; readonly needed: number } | { readonly known: false; readonly why: string };

/**
 * Contrast of an element's text with the backgrounds of what it stands in (WCAG 2.2, 1.4.3), at a viewport width in px.
 * Where layers lie behind it, or colours can't be told, it says why. What overlaps it from elsewhere isn't counted.
 */
export function statedContrast(project: Project, page: Page, id: string, width: number, slice: Slice): Contrast {
  const styles = new ComputedStyles(project, page, { ...slice, width });
  const own = page.elements[id]!;
  const behind: Rgba[] = [];
  for (const element of [own, ...ancestorsOf(page, id)]) {
    if (specifiedValue(project, page, element.id, 'background-image', { ...slice, width }) !== 'none')
      return { known: false, why: `over the layers of ${element.name} the contrast can't be told` };
    const colour = readColour(styles.value(element.id, 'background-color') ?? '');
    if (!colour) return { known: false, why: `the background of ${element.name} can't be told` };
    if (colour.alpha > 0) behind.push(colour);
    if (colour.alpha === 1) break;
  }
  const below = behind.reduceRight((under, colour) => over(colour, under), WHITE);
  const text = readColour(styles.value(id, 'color') ?? '');
  if (!text) return { known: false, why: 'the text colour can’t be told' };
  const weight = Number(styles.value(id, 'font-weight')) || 400;
  return {
    known: true,
    ratio: contrastRatio(channelsOf(over(text, below)), channelsOf(below)),
    needed: contrastNeeded(styles.fontSize(id), weight >= 700),
  };
}
