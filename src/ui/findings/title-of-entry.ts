import { checkNamed } from '@/core/audit';
import type { Entry } from '@/core/remedy';

/** What is wrong, and on how many elements where those are several: "Content is cut off, 12 elements". */
export function titleOfEntry({ worst, elements }: Entry): string {
  const title = checkNamed(worst.check)?.title ?? worst.check;
  return elements.length === 1 ? title : `${title}, ${elements.length} elements`;
}
