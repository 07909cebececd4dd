import { readViewport } from '../../read/viewport';
import type { Check } from '../check';

/** Why a page can't be enlarged, or isn't laid out for the width of the screen; undefined where all is well. */
function look(meta: string | undefined): 'missing' | 'width' | 'blocked' | undefined {
  if (meta === undefined) return 'missing';
  const { most, isDeviceWide } = readViewport(meta);
  if (most < 2) return 'blocked';
  return isDeviceWide ? undefined : 'width';
}

const looked = new Map<string | undefined, ReturnType<typeof look>>();

function trouble(meta: string | undefined): ReturnType<typeof look> {
  if (!looked.has(meta)) looked.set(meta, look(meta));
  return looked.get(meta);
}

const CODES = ['missing', 'width', 'blocked'] as const;

/** The page keeps people from enlarging it, or phones lay it out as for a desktop. */
export const blockedZoom: Check = {
  id: 'blocked-zoom',
  title: 'Page can’t be enlarged',
  severity: 'broken',
  why: 'Without a viewport of its own a phone shows the wide page, tiny; with zooming blocked nobody can enlarge it.',
  rule: 'WCAG 2.2, 1.4.4 Resize text; CSS Viewport 1, the viewport meta element',
  judge(facts) {
    const what = trouble(facts.meta);
    if (!what) return [];
    const code = CODES.indexOf(what);
    return [{ element: facts.elements[0]!.id, amount: code + 1, measured: { code }, others: [] }];
  },
  sentence: ({ measured }) =>
    ({
      missing: 'The page has no viewport meta element.',
      width: 'The viewport meta element doesn’t take the width of the device.',
      blocked: 'The viewport meta element keeps people from enlarging the page to twice its size.',
    })[CODES[measured.code!]!],
};
