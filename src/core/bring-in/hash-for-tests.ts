/** A name for bytes in the form of a hash, the same for the same bytes: enough for tests, of no use for anything else. */
export function hashForTests(bytes: Uint8Array): string {
  let [a, b] = [7, 11];
  for (const byte of bytes) {
    a = (a * 31 + byte) % 0x7fffffff;
    b = (b * 37 + byte) % 0x7fffffff;
  }
  return (a.toString(16).padStart(8, '0') + b.toString(16).padStart(8, '0')).repeat(4);
}
