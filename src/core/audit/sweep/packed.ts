import type { WidthResult } from './ledger';

/** Results as they travel: a run of neighbouring widths at which the same is wrong, as much, is one entry. */
export type PackedResult = WidthResult & { readonly through?: number | undefined };

export function packed(results: readonly WidthResult[]): PackedResult[] {
  const sorted = [...results].sort((a, b) => (a.height ?? 0) - (b.height ?? 0) || a.width - b.width);
  const packs: PackedResult[] = [];
  for (const result of sorted) {
    const last = packs[packs.length - 1];
    if (
      last &&
      !result.sizes &&
      !last.sizes &&
      isSame(last.violations, result.violations) &&
      last.height === result.height &&
      (last.through ?? last.width) === result.width - 1
    )
      packs[packs.length - 1] = { ...last, through: result.width };
    else packs.push(result);
  }
  return packs;
}

export function unpacked(results: readonly PackedResult[]): WidthResult[] {
  return results.flatMap(({ through, ...result }) =>
    through === undefined
      ? [result]
      : Array.from({ length: through - result.width + 1 }, (_, i) => ({ ...result, width: result.width + i })),
  );
}

/** Found by the same reasoning, not only alike: comparing what is in them would cost more than it spares. */
const isSame = (a: WidthResult['violations'], b: WidthResult['violations']) =>
  a.length === b.length && a.every((one, i) => one === b[i]);
