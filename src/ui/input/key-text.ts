const KEY_SIGNS: Readonly<Record<string, string>> = {
  ArrowLeft: '←',
  ArrowRight: '→',
  ArrowUp: '↑',
  ArrowDown: '↓',
  Delete: 'Del',
  ' ': 'Space',
};

export function keyText(keys: string): string {
  return keys
    .split(/\+(?=.)/)
    .map((key) => KEY_SIGNS[key] ?? (key.length === 1 ? key.toUpperCase() : key))
    .join(' ');
}
