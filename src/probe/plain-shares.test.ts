import { hasPlainShares } from './plain-shares';

test.each([
  ['33.33%', false],
  ['33.3333333333%', false],
  ['calc(100% / 3)', false],
  ['calc(100% - 3rem)', true],
  ['12.5%', true],
  ['calc((100% - 3rem) * 0.333)', false],
  ['50%', true],
  ['49.99%', false],
  ['48%', false],
  ['35%', true],
  ['1 1 33.33%', false],
  ['repeat(3, 1fr)', true],
  ['1.333fr 1fr', false],
  ['1.5fr 1fr', true],
  ['0.3334', false],
  ['16.67vw', false],
  ['16.67px', true],
  ['0.333em', true],
  ['hsl(33.33% 20% 50%)', true],
])('%s holds nothing but plain shares: %s', (value, isPlain) => expect(hasPlainShares(value)).toBe(isPlain));
