import type { At } from '@/core/breakpoints';
import { BASE, describeCondition } from '@/core/breakpoints';
import type { Project } from '@/core/document';

/** The base and every breakpoint, in words: what values can be written at. */
export function placesOf(
  project: Pick<Project, 'breakpoints' | 'baseName'>,
): readonly { readonly at: At; readonly words: string }[] {
  return [
    { at: BASE, words: project.baseName === 'Base' ? 'Base' : `Base (${project.baseName})` },
    ...project.breakpoints.map(({ id, name, condition }) => ({ at: id, words: `${name}: ${describeCondition(condition)}` })),
  ];
}
