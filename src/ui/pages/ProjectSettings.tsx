'use client';

import { readRootSize, rootPx } from '@/core/document';
import { commit, commitOrReport } from '../editing/edits';
import { steadyProject, useSession } from '../state/store';
import { SELECT } from '../theme/controls';
import { CheckedField } from '../value-controls/CheckedField';
import { LANGUAGES } from './languages';

function writeRootSize(text: string): string | undefined {
  const value = readRootSize(text);
  if (value === undefined) return 'Write it in percent of the reader’s size, as 112.5%, or as 18px to have it worked out.';
  return commit({ type: 'setProject', field: 'rootSize', value });
}

function writeRange(text: string): string | undefined {
  const [, first, last] = /^(\d+)\s*(?:px)?\s*(?:to|-|–|,|\s)\s*(\d+)\s*(?:px)?$/.exec(text) ?? [];
  if (first === undefined) return 'Write the narrowest and the widest width in whole px, as 320 to 1920.';
  return commit({ type: 'setProject', field: 'range', value: { first: Number(first), last: Number(last) } });
}

/** What holds for all pages of the project. */
export function ProjectSettings() {
  const language = useSession((session) => steadyProject(session).language);
  const queries = useSession((session) => steadyProject(session).queries);
  const rootSize = useSession((session) => steadyProject(session).rootSize);
  const range = useSession((session) => steadyProject(session).audit.range);
  const baseName = useSession((session) => steadyProject(session).baseName);
  return (
    <section aria-label="The whole project" className="border-t border-line px-3.5 py-2.5">
      <h2 className="m-0 pb-1.5 font-bold">The whole project</h2>
      <label className="block pb-1.5">
        <span className="flex justify-between gap-2">
          Language <span className="text-xs text-muted">Of all pages that say no other</span>
        </span>
        <CheckedField
          label="Language of the project"
          value={language}
          list={LANGUAGES}
          write={(value) => commit({ type: 'setProject', field: 'language', value })}
        />
      </label>
      <label className="flex items-center gap-2 pb-1.5">
        Media queries
        <select
          className={`${SELECT} min-w-0 flex-1`}
          value={queries}
          onChange={({ target }) => commitOrReport({ type: 'setProject', field: 'queries', value: target.value })}
        >
          <option value="range">(width &lt; 600px), exact</option>
          <option value="min-max">(max-width: 599.98px), for older browsers</option>
        </select>
      </label>
      <label className="block pb-1.5">
        <span className="flex justify-between gap-2">
          Root text size <span className="text-xs text-muted">1rem is {rootPx({ rootSize })} px for most readers</span>
        </span>
        <CheckedField label="Root text size" value={`${rootSize}%`} write={writeRootSize} />
      </label>
      <label className="block pb-1.5">
        <span className="flex justify-between gap-2">
          Widths of the audit <span className="text-xs text-muted">Each px</span>
        </span>
        <CheckedField label="Widths of the audit" value={`${range.first} to ${range.last}`} write={writeRange} />
      </label>
      <label className="block">
        <span className="flex justify-between gap-2">
          Name of the base <span className="text-xs text-muted">Where no breakpoint holds</span>
        </span>
        <CheckedField
          label="Name of the base"
          value={baseName}
          write={(value) => commit({ type: 'restyle', label: `Call the base ${value}`, baseName: value, changes: [] })}
        />
      </label>
    </section>
  );
}
