'use client';

import type { Page } from '@/core/document';
import { usesOf } from '@/core/document';
import { usesInWords } from '@/core/plans';
import { commit } from '../editing/edits';
import { steadyProject, useSession } from '../state/store';
import { BUTTON } from '../theme/controls';
import { CheckedField } from '../value-controls/CheckedField';
import { openPart, openUse } from './part-actions';

/** What the chosen part is called, who uses it, and what can be done with it. */
export function PartForm({ part }: { part: Page }) {
  const project = useSession(steadyProject);
  const uses = usesOf(project, part.id);
  return (
    <section aria-label={`About part ${part.name}`} data-page-form className="px-3.5 py-2.5">
      <h2 className="m-0 pb-1.5 font-bold">Part {part.name}</h2>
      <label className="block pb-1.5">
        Name
        <CheckedField label="Name" value={part.name} write={(name) => commit({ type: 'renamePart', part: part.id, name })} />
      </label>
      <p className="m-0 pb-1 text-muted">{usesInWords(project, part.id)}</p>
      <ul aria-label="Who uses it" className="m-0 max-h-60 list-none overflow-auto p-0 pb-2">
        {uses.map(({ tree, id }) => (
          <li key={id}>
            <button
              type="button"
              className="w-full truncate border-0 bg-transparent p-0 py-px text-left text-reed underline"
              onClick={() => {
                openUse(tree.id, id);
              }}
            >
              {tree.elements[id]!.name}, {project.pages.includes(tree) ? tree.name : `part ${tree.name}`}
            </button>
          </li>
        ))}
      </ul>
      <div className="flex flex-wrap gap-1.5">
        <button type="button" className={BUTTON} onClick={() => openPart(part.id)}>
          Shape it
        </button>
        <button type="button" className={BUTTON} onClick={() => useSession.setState({ removingPart: part.id })}>
          Remove
        </button>
      </div>
    </section>
  );
}
