/** Nine places in a parent. */
export const HOLD_ACROSS = ['left', 'centre', 'right'] as const;
export const HOLD_DOWN = ['top', 'middle', 'bottom'] as const;
export interface Hold {
  readonly across: (typeof HOLD_ACROSS)[number];
  readonly down: (typeof HOLD_DOWN)[number];
  /** From that edge inwards; from the centre to the right and down. CSS lengths. */
  readonly x: string;
  readonly y: string;
}

type Values = Record<string, string>;

const opposite = (length: string) =>
  /^-/.test(length) ? length.slice(1) : /^0[a-z%]*$/i.test(length) ? length : `-${length.replace(/^\+/, '')}`;

function axis(place: 'start' | 'centre' | 'end', start: string, end: string, offset: string, size: string): Values {
  const margins = (value: string) => ({ [`margin-${start}`]: value, [`margin-${end}`]: value });
  if (place === 'start') return { [start]: offset, [end]: 'auto', ...margins('0px') };
  if (place === 'end') return { [start]: 'auto', [end]: offset, ...margins('0px') };
  // Between two edges, with margins that share what is left: no transform, so one stays free for other use.
  return { [start]: offset, [end]: opposite(offset), ...margins('auto'), ...(size && { [size]: 'fit-content' }) };
}

/**
 * Declarations that hold a box at one of nine places of the nearest positioned ancestor (CSS Positioned Layout 3, 4.1:
 * auto margins between two insets centre).
 * @param auto whether the box's width and height are `auto`, which would stretch it between two edges
 */
export function holdDeclarations(hold: Hold, auto: { readonly width: boolean; readonly height: boolean }): Values {
  const across = hold.across === 'left' ? 'start' : hold.across === 'right' ? 'end' : 'centre';
  const down = hold.down === 'top' ? 'start' : hold.down === 'bottom' ? 'end' : 'centre';
  return {
    position: 'absolute',
    ...axis(across, 'left', 'right', hold.x, auto.width ? 'width' : ''),
    ...axis(down, 'top', 'bottom', hold.y, auto.height ? 'height' : ''),
  };
}

/** The place that values hold a box at; undefined where they don't. */
export function readHold(values: Readonly<Record<string, string>>): Hold | undefined {
  if (values.position !== 'absolute') return undefined;
  const read = (start: string, end: string): { place: 0 | 1 | 2; offset: string } | undefined => {
    const [a, b] = [values[start] ?? 'auto', values[end] ?? 'auto'];
    if (a !== 'auto' && b === 'auto') return { place: 0, offset: a };
    if (a === 'auto' && b !== 'auto') return { place: 2, offset: b };
    if (a !== 'auto' && values[`margin-${start}`] === 'auto' && values[`margin-${end}`] === 'auto')
      return { place: 1, offset: a };
    return undefined;
  };
  const [x, y] = [read('left', 'right'), read('top', 'bottom')];
  return x && y && { across: HOLD_ACROSS[x.place], down: HOLD_DOWN[y.place], x: x.offset, y: y.offset };
}

/** Declarations that pin a bar to the screen's edge: keeping its room in the page, or lying over it. */
export function pinDeclarations(edge: Pin['edge'], over: boolean): Values {
  const free = { top: 'auto', right: 'auto', bottom: 'auto', left: 'auto' };
  if (edge === 'none') return { ...free, position: 'static', 'z-index': 'auto' };
  return {
    ...free,
    position: over ? 'fixed' : 'sticky',
    [edge]: '0px',
    ...(over && { left: '0px', right: '0px' }),
    'z-index': '10',
  };
}

/** How a box is pinned to the screen. */
export interface Pin {
  readonly edge: 'top' | 'bottom' | 'none';
  /** Over the page, not keeping its room in it. */
  readonly over: boolean;
}

/** How values pin a box to the screen's edge; undefined where it is positioned otherwise, or where values are missing. */
export function readPin({ position, top, bottom }: Readonly<Record<string, string>>): Pin | undefined {
  if (position === 'static') return { edge: 'none', over: false };
  if ((position !== 'sticky' && position !== 'fixed') || !top || !bottom) return undefined;
  const edge = top !== 'auto' ? 'top' : bottom !== 'auto' ? 'bottom' : undefined;
  return edge && { edge, over: position === 'fixed' };
}

/** Properties that say where a held or pinned box is. */
export const PLACED_BY = ['position', 'top', 'right', 'bottom', 'left'] as const;

/** Whether holding or pinning says all of these values, so that nothing of them needs to be said beside it. */
export function isHeldOrPinned(values: Readonly<Record<string, string>>): boolean {
  const [hold, pin] = [readHold(values), readPin(values)];
  const whole = hold ? holdDeclarations(hold, { width: false, height: false }) : pin && pinDeclarations(pin.edge, pin.over);
  const plain = (value: string | undefined) => value?.replace(/^0[a-z%]*$/i, '0px');
  return whole !== undefined && PLACED_BY.every((name) => plain(values[name]) === plain(whole[name]));
}
