import type { Breakpoint, Mend, ReadySet } from '../breakpoints';
import { breakpointName, describeCondition, placed } from '../breakpoints';
import type { Project } from '../document/project';
import { LIMITS } from '../document/limits';
import { allOwners, overridesUnder } from '../edits/owners';
import type { Edit } from '../edits/edit';
import { applyEdit } from '../edits/apply-edit';
import { requireBreakpoint } from '../edits/remove-breakpoint';
import type { Restyle } from '../edits/restyle';
import type { ValueChange } from '../edits/value-writer';
import { listed } from '../text';
import type { Plan } from './plan';
import { PlanError } from './plan';
import { planRemoveBreakpoint } from './remove-breakpoint';

/**
 * Puts a ready set in place of the present one, or beside it.
 * @param newId gives ids for the new breakpoints
 */
export function planReadySet(project: Project, ready: ReadySet, how: 'replace' | 'add', newId: () => string): Plan {
  const fresh = ready.breakpoints.map((one): Breakpoint => ({ id: newId(), ...one }));
  const kept = how === 'add' ? project.breakpoints : [];
  const breakpoints = fresh.reduce((set, one) => placed(set, one), kept);
  if (breakpoints.length > LIMITS.breakpoints) throw new PlanError(`A project has at most ${LIMITS.breakpoints} breakpoints.`);
  const gone = new Set(how === 'replace' ? project.breakpoints.map(({ id }) => id) : []);
  const changes = allOwners(project).flatMap(({ id: owner, styles }) =>
    Object.entries(styles)
      .filter(([at]) => gone.has(at))
      .flatMap(([at, declarations]) =>
        Object.keys(declarations).map((property): ValueChange => ({ owner, at, property, value: null })),
      ),
  );
  const names = listed(
    ready.breakpoints.map(({ name, condition }) => `${name} (${describeCondition(condition)})`),
    8,
  );
  const sentence =
    how === 'add' || gone.size === 0
      ? `Adds ${names}.`
      : `Replaces the ${gone.size} breakpoints there are, and the ${changes.length} values written under them, by ${names}.`;
  const edit: Restyle = {
    type: 'restyle',
    label: `${how === 'add' ? 'Add' : 'Take'} the ready set "${ready.name}"`,
    breakpoints,
    ...((how === 'replace' || project.breakpoints.length === 0) && { baseName: ready.baseName }),
    changes,
  };
  return { edit, sentence, details: changes.length > 0 ? ['Undo brings them all back.'] : [] };
}

/** Does what a check of the set offers. */
export function planMend(project: Project, mend: Mend, offer: string): Plan {
  if (mend.do === 'remove') return { ...planRemoveBreakpoint(project, mend.id, { kind: 'drop' }), sentence: `${offer}.` };
  if (mend.do === 'merge')
    return { ...planRemoveBreakpoint(project, mend.id, { kind: 'move', to: mend.into }), sentence: `${offer}.` };
  const edit: Edit =
    mend.do === 'change'
      ? { type: 'changeBreakpoint', id: mend.id, condition: mend.condition }
      : { type: 'changeBreakpoint', id: mend.id, index: mend.index };
  return { edit, sentence: `${offer}.`, details: [] };
}

/** A copy of a breakpoint right after it, with all that is written there; to be moved from there. */
export function planDuplicateBreakpoint(project: Project, id: string, newId: string): Plan {
  const breakpoint = requireBreakpoint(project, id);
  const overrides = overridesUnder(project, id);
  const count = Object.values(overrides).reduce((sum, one) => sum + Object.keys(one).length, 0);
  const name = breakpointName(project, breakpoint.condition);
  const edit: Edit = {
    type: 'addBreakpoint',
    breakpoint: { ...breakpoint, id: newId, name },
    overrides,
    index: project.breakpoints.indexOf(breakpoint) + 1,
  };
  const footprint = applyEdit(project, edit).footprint;
  return {
    edit,
    sentence: `Adds ${name} at ${describeCondition(breakpoint.condition)}${count > 0 ? ` with the ${count} values of ${breakpoint.name}` : ''}.`,
    details: Object.keys(footprint).length === 0 ? ['Nothing looks different until it is moved.'] : [],
  };
}
