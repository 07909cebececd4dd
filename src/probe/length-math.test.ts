import { bendsOf, isUneven } from './bends';
import { containerConditions } from './container-conditions';
import { lengthOf, unitsWith } from './length-math';

test.each([
  ['12px', 12],
  ['1in', 96],
  ['-2em', -32],
  ['calc(40em + 3px)', 643],
  ['calc(2 * (10px + 5px) - 6px / 3)', 28],
  ['min(10px, 2em, 1in)', 10],
  ['max(10px, 2em)', 32],
  ['clamp(10px, 4em, 30px)', 30],
  ['clamp(50px, 1em, 30px)', 50],
  ['5vw', undefined],
  ['calc(10px +)', undefined],
  ['round(10px, 3px)', undefined],
  ['10px 20px', undefined],
  ['auto', undefined],
])('%s is %s px', (text, px) => {
  const found = lengthOf(text, unitsWith(16));
  expect(found === undefined ? undefined : Math.round(found * 1000) / 1000).toBe(px);
});

test.each([
  ['width: clamp(60px, 50vw, 700px)', [120, 1400]],
  ['width: min(50vw, calc(200px + 10vw))', [500]],
  ['height: max(10vh, 20px)', []],
  ['font-size: clamp(1rem, 2vw, 2rem)', [800, 1600]],
  ['width: min(50%, 300px)', []],
  ['width: min(100px, 200px)', []],
])('%s bends at %p', (css, widths) => {
  expect(
    bendsOf(css, 800, 16)
      .filter((width) => width < 5000)
      .sort((a, b) => a - b),
  ).toEqual(widths);
});

test.each([
  ['width: round(up, 50vw, 16px)', true],
  ['width: mod(5vw, 3px)', true],
  ['width: rem(5vw, 3px)', true],
  ['width: 3rem', false],
  ['background: url(round.png)', false],
  ['width: var(--round)', false],
])('%s: %s', (css, uneven) => expect(isUneven(css)).toBe(uneven));

const sizes = (text: string) => containerConditions([text]).sizes.map(({ px }) => px(20, 16));

test.each([
  ['(min-width: 700px) and (max-width: 707px)', [700, 707]],
  ['(481px <= width < 486px)', [481, 486]],
  ['card (inline-size > 10em)', [200]],
  ['not (width > calc(30rem - 2px))', [478]],
])('%s asks for %p', (text, px) => {
  expect(sizes(text)).toEqual(px);
  expect(containerConditions([text]).unknown).toBe(false);
});

test('ratios and orientations are asked of both sides; what can’t be worked out is said to be unknown', () => {
  expect(containerConditions(['(min-aspect-ratio: 3/2)', '(orientation: landscape)'])).toMatchObject({
    ratios: [1.5, 1],
    tall: true,
    unknown: false,
  });
  for (const text of ['style(--wide: 1)', '(min-width: 50cqw)', '(width > calc(10px + 5vw))'])
    expect([text, containerConditions([text]).unknown]).toEqual([text, true]);
});
