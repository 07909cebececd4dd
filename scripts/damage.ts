import fc from 'fast-check';

/** Damages bytes; the others are of another file, to be mixed in. */
export type Damage = (bytes: Uint8Array, others: Uint8Array) => Uint8Array;

const BITS = [
  ...[
    '<',
    '</',
    '>',
    '<!--',
    '-->',
    '<![CDATA[',
    '<table>',
    '<svg><desc>',
    '<template>',
    '</p>',
    '<a><a>',
    '<b><i></b>',
    '<select>',
  ],
  ...[
    '{',
    '}',
    '"',
    "'",
    '/*',
    '*/',
    '\\',
    ';',
    '@media',
    '@import "a.css";',
    '@layer x;',
    ':is(',
    ':has(',
    'url(',
    '!important',
    '&',
    '\u0000',
  ],
  ...[
    '\ud83d\ude00',
    '\u202e',
    '<style>',
    '<script>',
    'style="',
    '{{{{',
    '))))',
    '&#x110000;',
    '&amp',
    '--x:',
    'var(--x)',
    '<html><body>',
  ],
];
const text = new TextEncoder();
const at = fc.double({ min: 0, max: 1, noNaN: true });
const place = (bytes: Uint8Array, share: number) => Math.floor(share * bytes.length);
const joined = (...parts: readonly Uint8Array[]) => {
  const whole = new Uint8Array(parts.reduce((sum, { length }) => sum + length, 0));
  parts.reduce((from, part) => (whole.set(part, from), from + part.length), 0);
  return whole;
};

const one: fc.Arbitrary<Damage> = fc.oneof(
  // Cut off.
  at.map(
    (share): Damage =>
      (bytes) =>
        bytes.slice(0, place(bytes, share)),
  ),
  at.map(
    (share): Damage =>
      (bytes) =>
        bytes.slice(place(bytes, share)),
  ),
  // Bytes turned over.
  fc.array(fc.tuple(at, fc.nat(255)), { minLength: 1, maxLength: 40 }).map((flips): Damage => (bytes) => {
    const changed = bytes.slice();
    for (const [share, byte] of flips)
      if (changed.length > 0) changed[Math.min(place(changed, share), changed.length - 1)] = byte;
    return changed;
  }),
  // Something put in, once or very often.
  fc
    .tuple(at, fc.constantFrom(...BITS), fc.oneof({ weight: 4, arbitrary: fc.constant(1) }, fc.integer({ min: 2, max: 3_000 })))
    .map(([share, bit, times]): Damage => (bytes) => {
      const where = place(bytes, share);
      return joined(bytes.slice(0, where), text.encode(bit.repeat(times)), bytes.slice(where));
    }),
  // A piece left out, doubled, or put elsewhere.
  fc.tuple(at, at, at, fc.nat(2)).map(([a, b, c, how]): Damage => (bytes) => {
    const [from, to] = [a, b].map((share) => place(bytes, share)).sort((x, y) => x - y) as [number, number];
    const piece = bytes.slice(from, to);
    if (how === 0) return joined(bytes.slice(0, from), bytes.slice(to));
    const where = place(bytes, c);
    return joined(bytes.slice(0, where), piece, bytes.slice(where));
  }),
  // A piece of another file.
  fc.tuple(at, at, at).map(([a, b, c]): Damage => (bytes, others) => {
    const [from, to] = [a, b].map((share) => place(others, share)).sort((x, y) => x - y) as [number, number];
    const where = place(bytes, c);
    return joined(bytes.slice(0, where), others.slice(from, to), bytes.slice(where));
  }),
  // Another encoding.
  fc.constantFrom('utf-16le', 'utf-16be', 'latin1', 'bom').map((encoding): Damage => (bytes) => {
    if (encoding === 'bom') return joined(new Uint8Array([0xef, 0xbb, 0xbf]), bytes);
    if (encoding === 'latin1')
      return Uint8Array.from(new TextDecoder().decode(bytes), (character) => character.charCodeAt(0) & 255);
    const units = new Uint8Array(bytes.length * 2 + 2);
    const shift = encoding === 'utf-16le' ? 0 : 1;
    units.set(shift === 0 ? [0xff, 0xfe] : [0xfe, 0xff]);
    bytes.forEach((byte, i) => (units[2 + 2 * i + shift] = byte));
    return units;
  }),
);

/** One damage after the other. */
export const arbitraryDamage: fc.Arbitrary<Damage> = fc.array(one, { minLength: 1, maxLength: 4 }).map(
  (all): Damage =>
    (bytes, others) =>
      all.reduce((damaged, damage) => damage(damaged, others), bytes).slice(0, 400_000),
);
