import type { Finding } from '@/core/audit';
import type { Entry } from '@/core/remedy';
import { entriesOf } from '@/core/remedy';
import { shownPage, useSession } from '../state/store';

const NONE: readonly Finding[] = [];
const memo = new WeakMap<readonly Finding[], readonly Entry[]>();

/** Findings of the page on screen by cause, as it was when they were told: an edit in progress doesn't sort them anew. */
export function entriesNow(findings: readonly Finding[]): readonly Entry[] {
  let entries = memo.get(findings);
  if (!entries) {
    const session = useSession.getState();
    memo.set(findings, (entries = entriesOf(session.project, shownPage(session), findings)));
  }
  return entries;
}

/** What is found on the page on screen, by cause. */
export const useEntries = (): readonly Entry[] => entriesNow(useSession((session) => session.findings[session.pageId] ?? NONE));

/** The entry that a finding is told in. */
export const entryWith = (entries: readonly Entry[], key: string | undefined): Entry | undefined =>
  key === undefined ? undefined : entries.find(({ findings }) => findings.some((one) => one.key === key));
