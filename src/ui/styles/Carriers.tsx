'use client';

import type { Project } from '@/core/document';
import { carriersOf } from '@/core/edits';
import { select, showPage } from '../view/actions';
import { useSession } from '../state/store';

const MOST = 30;

/** Who has it, each a way there. */
export function Carriers({ project, owner }: { project: Project; owner: string }) {
  const carriers = carriersOf(project, owner);
  if (carriers.length === 0) return <p className="m-0 pt-1 text-muted">No element has it.</p>;
  return (
    <p className="m-0 pt-1 text-muted">
      {carriers.slice(0, MOST).map(({ page, element }, i) => (
        <span key={element.id}>
          {i > 0 && ', '}
          <button
            type="button"
            className="border-0 bg-transparent p-0 text-reed underline"
            onClick={() => {
              if (useSession.getState().pageId !== page.id) showPage(page.id);
              select([element.id]);
            }}
          >
            {element.name}
          </button>
        </span>
      ))}
      {carriers.length > MOST && ` and ${carriers.length - MOST} more`}
    </p>
  );
}
