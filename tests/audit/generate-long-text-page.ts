import { chance as mulberry } from '@/core/audit/sweep/chance';

const PLAIN =
  'the a in of river gauge pond reed weir sluice paddle stone bank willow heron measurement watercourse level tool lend return saw drill'.split(
    ' ',
  );
/** Letters come nearer to each other in them, or keep off. */
const KERNED =
  'hall AV evening To You WAVE Ta. Ty. weir Tower Way Table Vane mill plane water Yet We Very the a in of river gauge half-open (left) 3.14 naïve'.split(
    ' ',
  );

/**
 * A page of paragraphs so long that browsers no longer say exactly where a letter stands if they are laid out on one line; in one size and
 * font, the same for the same seed.
 */
export function generateLongTextPage(seed: number, paragraphs = 24): string {
  const random = mulberry(seed);
  const whole = (least: number, most: number) => least + Math.floor(random() * (most - least + 1));
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const list = seed % 2 ? KERNED : PLAIN;
  const words = (count: number) => Array.from({ length: count }, () => pick(list)).join(' ');
  const size = whole(11, 23);
  const font = pick(['serif', 'sans-serif', 'monospace', 'DejaVu Sans']);
  const text = Array.from(
    { length: paragraphs },
    (_, i) => `<p>${words(whole(20, 179))} <b>${words(3)}</b> ${words(20 + (i % 4) * 60)}</p>`,
  );
  const width = random() < 0.5 ? 50 : 100;
  return `<!doctype html><meta name="viewport" content="width=device-width"><style>body{margin:0 10px;font:${size}px/1.5 ${font}}p{margin:0;width:${width}%}</style><body>${text.join('')}</body>`;
}
