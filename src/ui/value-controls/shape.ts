import type { At } from '@/core/breakpoints';
import type { Edit } from '@/core/edits';
import { checkNewValue } from '@/core/styles';
import { commit, footprintOf } from '../editing/edits';
import { useSession } from '../state/store';
import type { Fields } from '../origin/watched';

/** What a control that knows its property is given: the selected elements, what holds now, and where edits go. */
export interface Shaped {
  readonly ids: readonly string[];
  /** What edits write on: they, in the state that was chosen. */
  readonly owners: readonly string[];
  readonly fields: Fields;
  readonly target: At;
}

/** The value that all selected elements share; empty where they differ. */
export const valueOf = ({ fields }: Shaped, property: string): string => fields.get(property)?.value ?? '';

/** Several values for all that is selected, as one edit. Shorthands are allowed. */
export function shapeEdit({ owners, target }: Shaped, label: string, values: Readonly<Record<string, string>>): Edit | string {
  const changes: { owner: string; at: string; property: string; value: string }[] = [];
  for (const [property, value] of Object.entries(values)) {
    const checked = checkNewValue(property, value);
    if (!checked.ok) return checked.message;
    for (const owner of owners)
      for (const [name, one] of Object.entries(checked.declarations))
        changes.push({ owner, at: target, property: name, value: one });
  }
  return { type: 'restyle', label, changes };
}

/** Writes them. Returns what is wrong, in words. */
export function shape(
  shaped: Shaped,
  label: string,
  values: Readonly<Record<string, string>>,
  gesture?: string,
): string | undefined {
  const edit = shapeEdit(shaped, label, values);
  return typeof edit === 'string' ? edit : commit(edit, gesture && `${gesture} ${shaped.target} ${shaped.owners.join()}`);
}

/** Marks on the gauge what writing them would change; nothing where they are undefined. */
export function markShape(shaped: Shaped, values: Readonly<Record<string, string>> | undefined): void {
  // A field that has the focus says itself what it would change.
  if (document.activeElement instanceof HTMLInputElement && document.activeElement.dataset.property) return;
  const edit = values && shapeEdit(shaped, 'Shape', values);
  const footprint = edit && typeof edit !== 'string' ? footprintOf(edit) : undefined;
  useSession.setState({ marked: footprint?.[useSession.getState().pageId]?.widths ?? [] });
}
