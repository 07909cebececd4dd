'use client';

import { pageOf } from '@/core/document';
import { usesInWords } from '@/core/plans';
import { steadyProject, useSession } from '../state/store';
import { BUTTON } from '../theme/controls';
import { leavePart, partOnStage } from './part-actions';

/** Says that a part is on the stage by itself, and where what is changed in it shows. */
export function PartBar() {
  const project = useSession(steadyProject);
  const pageId = useSession((session) => session.pageId);
  const part = partOnStage(project, pageId);
  if (!part || !pageOf(project, pageId)) return null;
  return (
    <div role="status" className="flex h-8 shrink-0 items-center gap-3 border-b border-reed bg-reed-tint px-3.5">
      <span className="min-w-0 flex-1 truncate">
        <b>Part {part.name}</b>, by itself: what is changed here changes in {usesInWords(project, part.id)}.
      </span>
      <button type="button" className={BUTTON} onClick={leavePart}>
        Back to the page
      </button>
    </div>
  );
}
