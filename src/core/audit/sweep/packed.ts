import type { WidthResult } from './ledger';

/** Results as they travel: a run of neighbouring widths at which nothing is wrong is one entry. */
export type PackedResult = WidthResult & { readonly through?: number | undefined };

export function packed(results: readonly WidthResult[]): PackedResult[] {
  const sorted = [...results].sort((a, b) => (a.height ?? 0) - (b.height ?? 0) || a.width - b.width);
  const packs: PackedResult[] = [];
  for (const result of sorted) {
    const last = packs[packs.length - 1];
    const plain = result.violations.length === 0 && !result.sizes;
    if (
      last &&
      plain &&
      last.violations.length === 0 &&
      !last.sizes &&
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
