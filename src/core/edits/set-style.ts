import { z } from 'zod';
import { atSchema, BASE } from '../breakpoints/breakpoint';
import { describeCondition } from '../breakpoints/condition';
import type { Project } from '../document/project';
import { checkValue } from '../styles/value';
import type { EditKind } from './edit';
import { EditError } from './edit';
import { stylesFootprint } from './footprint';
import { ownerIdSchema, ownerName, requireStyles, withDeclarations, withStyles } from './owners';
import type { Edit } from './registry';

const schema = z.strictObject({
  type: z.literal('setStyle'),
  /** An element, a shared style or a kind. */
  node: ownerIdSchema,
  at: atSchema,
  /** A longhand, or a shorthand that is then expanded. */
  property: z.string().max(60),
  value: z.string().max(20_000),
});
export type SetStyle = z.infer<typeof schema>;

export function requireTarget(project: Project, at: string): void {
  if (at !== BASE && !project.breakpoints.some((breakpoint) => breakpoint.id === at))
    throw new EditError('The breakpoint this edit writes to has been removed.');
}

/** "base" or "900 and narrower". */
export function describeTarget(project: Project, at: string): string {
  const breakpoint = project.breakpoints.find((one) => one.id === at);
  return breakpoint ? describeCondition(breakpoint.condition) : 'base';
}

/** Writes an element's own value at the base or under a breakpoint. */
export const setStyle: EditKind<SetStyle> = {
  schema,
  apply(project, edit) {
    const styles = requireStyles(project, edit.node);
    requireTarget(project, edit.at);
    const checked = checkValue(edit.property, edit.value);
    if (!checked.ok) throw new EditError(checked.message);
    const before = styles[edit.at] ?? {};
    const written = withDeclarations(styles, edit.at, { ...before, ...checked.declarations });
    const document = withStyles(project, new Map([[edit.node, written]]));
    const back = Object.keys(checked.declarations).map((property): Edit => {
      const value = before[property];
      const where = { node: edit.node, at: edit.at, property };
      return value === undefined ? { type: 'clearStyle', ...where } : { type: 'setStyle', ...where, value };
    });
    const inverse: Edit = back.length === 1 ? back[0]! : { type: 'group', label: `Set ${edit.property}`, edits: back };
    return { document, inverse };
  },
  footprint(before, after, edit) {
    const checked = checkValue(edit.property, edit.value);
    const properties = checked.ok ? Object.keys(checked.declarations) : [];
    return stylesFootprint(before, after, new Map([[edit.node, new Set(properties)]]));
  },
  describe: (project, edit) =>
    `Set ${edit.property} of ${ownerName(project, edit.node)} to ${edit.value} (${describeTarget(project, edit.at)})`,
};
