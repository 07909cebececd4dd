import type { At } from '@/core/breakpoints';
import type { Project } from '@/core/document';

const USUAL = [390, 768, 1280] as const;

/** Three widths at which a change for a place is seen best: where there is least room, beside its edge, and where there is most. */
export function widthsFor({ breakpoints }: Pick<Project, 'breakpoints'>, at: At): readonly number[] {
  const condition = breakpoints.find(({ id }) => id === at)?.condition;
  const { from, below } = condition ?? {};
  const px = (edge: number) => Math.round(edge * (condition?.unit === 'em' ? 16 : 1));
  if (from !== undefined && below === undefined) return [USUAL[0], Math.max(px(from) - 1, 768), px(from) + 80];
  if (below === undefined) return USUAL;
  const narrow = Math.min(USUAL[0], px(below) - 1);
  const above = Math.max(px(below), USUAL[1]);
  return [narrow, above, Math.max(USUAL[2], above + 200)];
}
