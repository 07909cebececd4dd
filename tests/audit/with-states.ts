import { chance as mulberry } from '@/core/audit/sweep/chance';

const INK = ['#777', '#eee', '#5a5a5a', 'rgb(0 0 0 / 40%)', '#222'];
const GROUND = ['#222', '#fff', '#888', '#fafafa', 'linear-gradient(#fff, #eee)'];
const NAMES = ['a', 'a', 'a', '.card', 'li', 'p', 'h2', ':any-link'];
const INSIDE = ['', '', '', ' a', ' b', ' p', ' > *', '::before'];
/** Declarations that only paint, and others that may move what is around. */
const PAINTED = (pick: <T>(list: readonly T[]) => T): readonly string[] => [
  `color: ${pick(INK)}`,
  `color: ${pick(INK)}`,
  `background: ${pick(GROUND)}`,
  `background-color: ${pick(GROUND.slice(0, 4))}`,
  `outline: ${pick(['none', '2px solid #ddd', '1px dotted #bbb', '3px solid'])}`,
  `border-color: ${pick(INK)}`,
  `box-shadow: 0 0 0 2px ${pick(INK)}`,
];
const MOVING = [
  'text-decoration: underline',
  'font-weight: bold',
  'padding: 4px 9px',
  'display: inline-block',
  'letter-spacing: 1px',
  'font-size: 13px',
  'visibility: hidden',
  'opacity: 0.4',
  'position: relative; left: 4px',
];

/**
 * A page in which something is otherwise when it is pointed at, focused or pressed, by chance: the same for the same seed.
 * @param html a page with at least one style sheet
 */
export function withStates(html: string, seed: number): string {
  const random = mulberry(seed * 7919 + 3);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const moves = random() < 0.4;
  const rule = () => {
    const state = pick([':hover', ':focus-visible', ':active', ':focus', ':hover']);
    const said = Array.from({ length: 1 + Math.floor(random() * 3) }, () =>
      moves && random() < 0.4 ? pick(MOVING) : pick(PAINTED(pick)),
    );
    const body = `${pick(NAMES)}${state}${pick(INSIDE)} { ${said.join('; ')} }`;
    return random() < 0.25 ? `@media (${pick(['min', 'max'])}-width: ${400 + Math.floor(random() * 900)}px) { ${body} }` : body;
  };
  const rules = Array.from({ length: 2 + Math.floor(random() * 6) }, rule).join('\n');
  return html.replace('</style>', `\n${rules}</style>`);
}
