/** Bytes for people, in thousands: "420 B", "3.1 kB", "174 kB", "2.4 MB". */
export function bytesInWords(bytes: number): string {
  if (bytes < 1_000) return `${Math.round(bytes)} B`;
  const [amount, unit] = bytes < 1_000_000 ? [bytes / 1_000, 'kB'] : [bytes / 1_000_000, 'MB'];
  return `${amount < 10 ? amount.toFixed(1) : Math.round(amount)} ${unit}`;
}
