import { flattened } from './apply-edit';
import type { Edit } from './edit';
import { kindOf } from './registry';
import { longhandsOfValue } from './set-style';
import { isShorthand, longhandsOf } from '../styles/shorthands';
import type { ValueChange } from './value-writer';
import { valuesEdit } from './writes-values';

/**
 * One edit for two that a gesture made one after the other: made on the document before the earlier, it leads where the
 * two led. Undefined where no edit does, and they stay two steps.
 */
export function joinEdits(earlier: Edit, later: Edit): Edit | undefined {
  if (earlier.type !== 'group' && earlier.type === later.type) {
    const joined = kindOf(earlier).merge?.(earlier, later);
    if (joined) return joined;
  }
  const [first, second] = [valuesOf(earlier), valuesOf(later)];
  if (!first || !second) return undefined;
  const changes = new Map([...first, ...second].map((change) => [keyOf(change), change]));
  return valuesEdit(labelOf(later), [...changes.values()]);
}

const keyOf = ({ owner, at, property }: ValueChange) => `${owner} ${at} ${property}`;

/** The values that an edit writes, where it does nothing else. */
function valuesOf(edit: Edit): readonly ValueChange[] | undefined {
  switch (edit.type) {
    case 'setStyle': {
      const { owner, at, property, value } = edit;
      return Object.entries(longhandsOfValue(property, value)).map(([name, part]) => ({
        owner,
        at,
        property: name,
        value: part,
      }));
    }
    case 'clearStyle': {
      const { owner, at, property } = edit;
      return (isShorthand(property) ? longhandsOf(property) : [property]).map((name) => ({
        owner,
        at,
        property: name,
        value: null,
      }));
    }
    case 'restyle':
      return edit.breakpoints || edit.baseName !== undefined ? undefined : edit.changes;
    case 'group': {
      const all = flattened(edit).map(valuesOf);
      return all.every((one) => one !== undefined) ? all.flat() : undefined;
    }
    default:
      return undefined;
  }
}

function labelOf(edit: Edit): string {
  if (edit.type === 'group' || edit.type === 'restyle') return edit.label;
  return edit.type === 'setStyle' || edit.type === 'clearStyle' ? `Set ${edit.property}` : 'Change values';
}
