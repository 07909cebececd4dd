import type { TakeChoice } from '@/core/plans';
import { proposeLong } from '../editing/proposal';
import { useSession } from '../state/store';
import { key } from './actions';

/** Makes a sheet of the shown page, a class or a rule of it shared styles, once that is seen to leave everything as it looks. */
export function takeOver(choice: Omit<TakeChoice, 'page'>): void {
  const { project, pageId } = useSession.getState();
  void proposeLong({ kind: 'take', project, choice: { page: pageId, ...choice }, key: key() });
}

/** Makes what `style` attributes say own values of their elements. */
export function takeInline(ids: readonly string[]): void {
  void proposeLong({ kind: 'takeInline', project: useSession.getState().project, ids });
}
