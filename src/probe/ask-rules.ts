import type { Questions } from '@/core/cascade';

/**
 * Asks the browser of this document which rules hold, by a style sheet that marks whatever they match; it is gone again before anything
 * is drawn. Stands by itself: nothing outside of it is used.
 */
export function askRules({ css, marks, questions }: Questions): [string, boolean | Record<string, string | null>][] {
  const VERTICAL: Record<string, readonly [string, string]> = {
    'vertical-rl': ['right', 'left'],
    'vertical-lr': ['left', 'right'],
  };
  /** The physical name of what follows the direction of the text on an element; the name itself for what doesn't. */
  const physical = (name: string, { direction, writingMode }: CSSStyleDeclaration): string | undefined => {
    const size = /^(min-|max-)?(inline|block)-size$/.exec(name);
    const isVertical = writingMode !== 'horizontal-tb';
    if (size) return `${size[1] ?? ''}${(size[2] === 'inline') === isVertical ? 'height' : 'width'}`;
    const overflow = /^overflow-(inline|block)$/.exec(name);
    if (overflow) return `overflow-${(overflow[1] === 'inline') === isVertical ? 'y' : 'x'}`;
    const corner = /^border-(start|end)-(start|end)-radius$/.exec(name);
    if (corner && (isVertical || direction !== 'ltr')) return undefined;
    if (corner) return `border-${corner[1] === 'start' ? 'top' : 'bottom'}-${corner[2] === 'start' ? 'left' : 'right'}-radius`;
    const side = /^(.*?-)?(inline|block)-(start|end)(-.*)?$/.exec(name);
    if (!side) return name;
    const [, before = '', axis, end, after = ''] = side;
    const inline = direction === 'rtl' ? ['right', 'left'] : ['left', 'right'];
    if (isVertical && (!VERTICAL[writingMode] || direction === 'rtl')) return undefined;
    const ends = isVertical
      ? axis === 'inline'
        ? ['top', 'bottom']
        : VERTICAL[writingMode]!
      : axis === 'inline'
        ? inline
        : ['top', 'bottom'];
    const of = before === 'inset-' ? '' : before;
    return `${of}${ends[end === 'start' ? 0 : 1]!}${after}`;
  };
  /** Longhands of a browser that are parts of what is one property elsewhere. */
  const PARTS: Record<string, string> = { 'white-space-collapse': 'white-space', 'text-wrap-mode': 'white-space' };
  const scratch = document.createElement('i').style;
  const valuesOf = (question: Questions['questions'][number], style: CSSStyleDeclaration) => {
    const found: Record<string, string | null> = {};
    const open = new Set(question.names);
    scratch.cssText = '';
    for (const { property, value, mark } of question.values ?? [])
      scratch.setProperty(property, mark === '' ? value : style.getPropertyValue(mark).trim());
    const unknown = new Set<string>();
    for (const name of scratch) {
      const plain = physical(name, style);
      if (plain === undefined) return {};
      if (PARTS[name]) unknown.add(PARTS[name]);
      else if (open.has(plain)) found[plain] = scratch.getPropertyValue(name);
    }
    for (const name of open) if (!(name in found) && !unknown.has(name)) found[name] = null;
    return found;
  };
  const known = globalThis as unknown as { mpAsked?: Set<string> };
  known.mpAsked ??= new Set();
  for (const name of marks)
    if (!known.mpAsked.has(name)) {
      CSS.registerProperty({ name, syntax: '*', inherits: false });
      known.mpAsked.add(name);
    }
  const sheet = document.createElement('style');
  sheet.textContent = css;
  document.head.append(sheet);
  const answers = questions.flatMap((question): [string, boolean | Record<string, string | null>][] => {
    const { key, id, box, mark, values } = question;
    const element = id === 'html' ? document.documentElement : document.querySelector(`[data-mp-node="${id}"]`);
    if (!element) return [];
    const style = getComputedStyle(element, box === '' ? undefined : box);
    const holds = mark === '' || style.getPropertyValue(mark).trim() === '1';
    return [[key, holds && values ? valuesOf(question, style) : holds]];
  });
  sheet.remove();
  return answers;
}
