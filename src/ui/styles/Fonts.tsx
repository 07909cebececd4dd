'use client';

import { bytesInWords } from '@/core/text';
import { useState } from 'react';
import type { Edit } from '@/core/edits';
import type { AddedFont } from '@/core/render';
import { addedFonts, familyValue, fontsUsed } from '@/core/render';
import { commit, commitOrReport } from '../editing/edits';
import { steadyProject, useSession, writeTarget } from '../state/store';
import { BUTTON, SIGN_BUTTON } from '../theme/controls';
import { addFont } from './add-font';
import { CheckedField } from '../value-controls/CheckedField';
import { writeValue } from '../view/actions';

/** The same file with something else said of it, as one step. */
const changed = (file: AddedFont, font: Partial<AddedFont['font']>): Edit => ({
  type: 'group',
  label: `Change font ${file.font.family}`,
  edits: [
    { type: 'removeFiles', paths: [file.path] },
    { type: 'addFiles', files: [{ ...file, font: { ...file.font, ...font } }] },
  ],
});

/** Fonts that were added by hand: for what each is, and under which licence. They go along with an export, as much of them as is needed. */
export function Fonts() {
  const project = useSession(steadyProject);
  const [problems, setProblems] = useState<readonly string[]>([]);
  const [waiting, setWaiting] = useState(0);
  const fonts = addedFonts(project);
  const used = new Set(fontsUsed(project).added);
  const take = async (files: readonly File[]) => {
    setProblems([]);
    setWaiting(files.length);
    for (const file of files) {
      const wrong = await addFont(file, file.name).catch((error: Error) => error.message);
      if (wrong) setProblems((before) => [...before, wrong]);
      setWaiting((count) => count - 1);
    }
  };
  return (
    <section aria-label="Fonts" className="border-t border-line py-1">
      <h3 className="m-0 px-3.5 py-1 font-semibold text-muted">Fonts</h3>
      <ul className="m-0 list-none p-0">
        {fonts.map((file) => (
          <FontEntry key={file.path} file={file} isUsed={used.has(file)} />
        ))}
      </ul>
      <div className="flex items-center gap-2 px-3.5 py-1.5">
        <label className={`${BUTTON} shrink-0 cursor-pointer focus-within:outline`}>
          Add fonts …
          <input
            type="file"
            multiple
            accept=".woff2,.woff,.ttf,.otf"
            className="sr-only"
            onChange={({ target }) => {
              const files = [...(target.files ?? [])];
              target.value = '';
              void take(files);
            }}
          />
        </label>
        <span role="status" className="text-muted">
          {waiting > 0 ? `Reading ${waiting} …` : 'WOFF2, WOFF, TTF or OTF; or drop them anywhere.'}
        </span>
      </div>
      {problems.map((one) => (
        <p key={one} role="alert" className="m-0 px-3.5 pb-1.5 text-xs text-rust">
          {one}
        </p>
      ))}
    </section>
  );
}

function FontEntry({ file, isUsed }: { file: AddedFont; isUsed: boolean }) {
  const selection = useSession((session) => session.selection);
  const target = useSession(writeTarget);
  const { family, weight, style, licence, fallback } = file.font;
  const field = (label: string, name: 'family' | 'weight' | 'licence', value: string) => (
    <label className="flex items-center gap-2 pb-1">
      <span className="w-16 shrink-0 text-muted">{label}</span>
      <CheckedField label={`${label} of ${family}`} value={value} write={(text) => commit(changed(file, { [name]: text }))} />
    </label>
  );
  return (
    <li className="border-b border-line px-3.5 py-1.5" data-font={family}>
      <div className="flex items-center gap-2 pb-1">
        <b className="min-w-0 flex-1 truncate">{family}</b>
        <span className="shrink-0 text-xs text-muted">
          {style === 'italic' ? 'italic, ' : ''}
          {bytesInWords(file.bytes)}
          {isUsed ? '' : ', unused'}
        </span>
        <button
          type="button"
          className={SIGN_BUTTON}
          aria-label={`Remove the font ${family} ${weight}`}
          onClick={() => commitOrReport({ type: 'removeFiles', paths: [file.path] })}
        >
          ×
        </button>
      </div>
      {field('Family', 'family', family)}
      {field('Weight', 'weight', weight)}
      {field('Licence', 'licence', licence)}
      {licence === '' && (
        <p className="m-0 pb-1 text-xs text-amber-ink">No licence is noted yet; whoever gets the files should know it.</p>
      )}
      <div className="flex items-center justify-between gap-2">
        <span className="text-xs text-muted">
          Until it is there: {fallback.local} at {fallback.sizeAdjust}%
        </span>
        <button
          type="button"
          className={`${BUTTON} shrink-0 text-xs`}
          disabled={selection.length === 0}
          onClick={() => writeValue('font-family', familyValue(file.font), target)}
        >
          Use on the selection
        </button>
      </div>
    </li>
  );
}
