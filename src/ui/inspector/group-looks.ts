import type { PropertyGroup } from '@/core/styles';
import type { Fields } from '../origin/watched';
import { Watched } from '../origin/watched';
import type { ValueLook } from './ValueGroup';

/** By group what it is drawn from: the same as long as nothing that it reads is otherwise, so that it needn't be drawn again. */
export class GroupLooks {
  readonly #last = new Map<PropertyGroup, { readonly from: ValueLook; readonly watched: Watched; readonly look: ValueLook }>();

  of(group: PropertyGroup, from: ValueLook, fields: Fields): ValueLook {
    const last = this.#last.get(group);
    if (last && isSame(last.from, from) && last.watched.follow(fields)) return last.look;
    const watched = new Watched(fields);
    const look = { ...from, shaped: { ...from.shaped, fields: watched } };
    this.#last.set(group, { from, watched, look });
    return look;
  }
}

/** Apart from the values. */
const isSame = (a: ValueLook, b: ValueLook) =>
  a.standings === b.standings &&
  a.pseudo === b.pseudo &&
  a.query === b.query &&
  a.onlySet === b.onlySet &&
  a.shaped.ids === b.shaped.ids &&
  a.shaped.owners === b.shaped.owners &&
  a.shaped.target === b.shaped.target;
