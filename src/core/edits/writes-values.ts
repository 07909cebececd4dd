import type { Edit, EditKind } from './edit';
import type { ValueChange } from './value-writer';
import { ValueWriter } from './value-writer';

/** The edit that writes values as they were: lenient where others have taken some away meanwhile. */
export function valuesEdit(label: string, changes: readonly ValueChange[]): Edit {
  const [only] = changes;
  if (changes.length === 1 && only!.value !== null) return { type: 'setStyle', ...only!, value: only!.value };
  return { type: 'restyle', label, changes };
}

/** What an edit that only writes values says, as a kind of edit. */
export function writesValues<E>(
  write: (writer: ValueWriter, edit: E) => void,
  label: (edit: E) => string,
): Pick<EditKind<E>, 'apply' | 'write'> {
  return {
    write,
    apply(project, edit) {
      const writer = new ValueWriter(project);
      write(writer, edit);
      const { document, back } = writer.finish();
      return { document, inverse: valuesEdit(label(edit), back) };
    },
  };
}
