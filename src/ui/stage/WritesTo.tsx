'use client';

import { useMemo } from 'react';
import { bandsOf, DEFAULT_SLICE, intersect } from '@/core/breakpoints';
import type { Band, BreakpointSet, IntervalSet, Slice } from '@/core/breakpoints';
import { targetWidths } from '@/core/cascade';
import type { Project } from '@/core/document';
import { partNamed, splitShownId } from '@/core/document';
import { ownerOf } from '@/core/edits';
import { usesInWords } from '@/core/plans';
import { shownSet } from '../state/shown-set';
import { steadyPage, steadyProject, useSession, writeTarget, writtenTo } from '../state/store';

import { TargetPicker } from './TargetPicker';

/** What the edit in hand would do, band by band: "changes Middle · Narrow keeps its own". */
export function reachInWords(set: BreakpointSet, target: string, marked: IntervalSet, slice: Slice = DEFAULT_SLICE): string {
  if (marked.length === 0) return '';
  const names = (bands: readonly Band[]) => bands.map((band) => band.name).join(', ');
  const widths = targetWidths(set, target, slice);
  const within = bandsOf(set, slice).filter((band) => intersect([band], widths).length > 0);
  const changed = within.filter((band) => intersect([band], marked).length > 0);
  const keeping = within.filter((band) => !changed.includes(band));
  if (keeping.length === 0) return `changes ${names(changed)}`;
  return `changes ${names(changed)} · ${names(keeping)} ${keeping.length === 1 ? 'keeps its own' : 'keep their own'}`;
}

/** "part Tool card, 9 uses on 2 pages", "this use only": where edits of what a use shows go; empty elsewhere. */
function usePartInWords(): string {
  const part = useSession((session) => {
    const id = session.selection[session.selection.length - 1];
    const element = id === undefined ? undefined : steadyPage(session).elements[id];
    return element?.layers && (writtenTo(session) === 'here' ? 'here' : partKeeping(session.project, ownerOf(element, 'part')));
  });
  const project = useSession((session) => (part ? steadyProject(session) : undefined));
  return useMemo(
    () =>
      !part || !project
        ? ''
        : part === 'here'
          ? 'this use only'
          : `part ${partNamed(project, part)?.name ?? ''}, ${usesInWords(project, part)}`,
    [project, part],
  );
}

const partKeeping = ({ parts }: Project, owner: string): string | undefined =>
  parts.find(({ elements }) => splitShownId(owner).holder in elements)?.id;

/** Where edits go, and what the one in hand would change: in sight at all times. */
export function WritesTo() {
  const set = useSession(shownSet);
  const target = useSession(writeTarget);
  const part = usePartInWords();
  const marked = useSession((session) => session.marked);
  const slice = useSession((session) => session.slice);
  const foretold = useSession((session) => session.foretold);
  const proposed = useSession((session) => session.proposal !== undefined);
  return (
    <>
      <TargetPicker />
      {part && (
        <span
          className="max-w-40 min-w-16 truncate rounded-[4px] border border-reed px-2 py-0.5 font-semibold text-reed @max-[63em]:max-w-28 @max-[37em]:hidden"
          title={part}
          data-testid="writes-part"
        >
          {part}
        </span>
      )}
      <span
        className={`min-w-0 text-muted empty:absolute ${foretold ? 'line-clamp-2 text-xs leading-4' : 'truncate'}`}
        title={foretold}
        aria-live="polite"
        data-testid="reach"
      >
        {foretold || (proposed ? '' : reachInWords(set, target, marked, slice))}
      </span>
    </>
  );
}
