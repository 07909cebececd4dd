import { z } from 'zod';
import type { Accepted } from '../document/profile';
import { ACCEPTED_MOST, acceptedSchema } from '../document/profile';
import type { EditKind } from './edit';
import { EditError, laterWins, nameOf } from './edit';

const schema = z.strictObject({
  type: z.literal('acceptFinding'),
  check: acceptedSchema.shape.check,
  element: acceptedSchema.shape.element,
  /** Why it is fine; null takes the acceptance back. */
  reason: acceptedSchema.shape.reason.nullable(),
});
type AcceptFinding = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly acceptFinding: AcceptFinding;
  }
}

/** Takes a finding on an element as it is, with a reason that is kept. */
export const acceptFinding: EditKind<AcceptFinding> = {
  schema,
  apply(project, { check, element, reason }) {
    const { accepted } = project.audit;
    const at = accepted.findIndex((one) => one.check === check && one.element === element);
    if (at < 0 && reason === null) throw new EditError('This finding is not accepted.');
    if (at < 0 && accepted.length >= ACCEPTED_MOST) throw new EditError(`A project accepts at most ${ACCEPTED_MOST} findings.`);
    const list: readonly Accepted[] = accepted.toSpliced(
      at < 0 ? accepted.length : at,
      at < 0 ? 0 : 1,
      ...(reason === null ? [] : [{ check, element, reason }]),
    );
    return {
      document: { ...project, audit: { ...project.audit, accepted: list } },
      inverse: { type: 'acceptFinding', check, element, reason: at < 0 ? null : accepted[at]!.reason },
    };
  },
  footprint: () => ({}),
  describe: (project, { element, reason }) =>
    `${reason === null ? 'No longer accept' : 'Accept'} a finding on ${nameOf(project, element)}`,
  merge: laterWins('check', 'element'),
};
