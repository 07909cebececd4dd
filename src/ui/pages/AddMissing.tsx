'use client';

import { useState } from 'react';
import { z } from 'zod';
import type { Edit } from '@/core/edits';
import { loadFiles } from '../bring-in/files';
import { givenBy, packed } from '../bring-in/gather';
import { commit } from '../editing/edits';
import { postBytes } from '../requests/requests';
import { useSession } from '../state/store';
import { BUTTON } from '../theme/controls';

const answerSchema = z.object({
  edit: z.custom<Edit>((one) => typeof one === 'object' && one !== null).optional(),
  found: z.array(z.string()),
  unasked: z.array(z.string()),
});

/** Sends files that were missing, and takes them in. Returns what became of them, in words. */
async function add(list: FileList | null): Promise<string> {
  const { project } = useSession.getState();
  const path = `/api/projects/${project.id}/bring-in/missing`;
  const response = await postBytes(path, await packed(givenBy(list)), 'application/zip', new AbortController().signal);
  const { edit, found, unasked } = answerSchema.parse(await response.json());
  const nobody = unasked.length > 0 ? `No page asks for ${unasked.slice(0, 5).join(', ')}.` : '';
  if (!edit) return nobody || 'Nothing is missing any more.';
  const parts = edit.type === 'group' ? edit.edits : [edit];
  const files = parts.flatMap((one) => (one.type === 'addFiles' ? one.files : []));
  // The server has them, though the project hasn't yet.
  await loadFiles({ ...project, files });
  const wrong = commit(edit);
  return (
    wrong ??
    [`${found.length === 1 ? `${found[0]!} is` : `${found.length} files are`} there now.`, nobody].filter(Boolean).join(' ')
  );
}

/** Takes files that weren't in the package when pages were brought in, whatever page asked for them. */
export function AddMissing({ isLacking }: { readonly isLacking: boolean }) {
  const [words, setWords] = useState('');
  if (!isLacking && words === '') return null;
  return (
    <div className="flex flex-wrap items-center gap-2 pb-2">
      <label className={`${BUTTON} shrink-0 cursor-pointer focus-within:outline`}>
        Add missing files …
        <input
          type="file"
          multiple
          className="sr-only"
          onChange={({ target }) => {
            setWords('Looking where they are asked for …');
            void add(target.files)
              .catch((error: Error) => error.message)
              .then(setWords);
            target.value = '';
          }}
        />
      </label>
      <span role="status" className="text-muted">
        {words}
      </span>
    </div>
  );
}
