'use client';

import { sharedSheets } from '@/core/document';
import { useState } from 'react';
import { readSheet } from '@/core/read';
import { key } from '../view/actions';
import { commit, commitOrReport } from '../editing/edits';
import { steadyProject, useSession } from '../state/store';
import { BUTTON } from '../theme/controls';

/** Style sheets from elsewhere: below everything that is written here, but for their !important. */
export function Sheets() {
  const project = useSession(steadyProject);
  const [text, setText] = useState('');
  const [name, setName] = useState('');
  const [problem, setProblem] = useState<string>();
  const bring = (css: string, as: string) => {
    const wrong = commit({ type: 'addSheet', sheet: { id: `t${key()}`, name: as.slice(0, 80), css } });
    setProblem(wrong);
    if (wrong) return;
    setText('');
    setName('');
  };
  return (
    <section aria-label="Style sheets from elsewhere" className="border-t border-line py-1">
      <h3 className="m-0 px-3.5 py-1 font-semibold text-muted">Style sheets from elsewhere</h3>
      <ul className="m-0 list-none p-0">
        {sharedSheets(project).map((sheet) => {
          const { rules, notes } = readSheet(sheet.css);
          return (
            <li key={sheet.id} className="border-b border-line px-3.5 py-1.5" data-sheet={sheet.id}>
              <div className="flex items-center justify-between">
                <b className="truncate">{sheet.name}</b>
                <span className="text-muted">{rules.length} rules</span>
                <button
                  type="button"
                  aria-label={`Remove ${sheet.name}`}
                  className="size-5 rounded-[3px] border-0 bg-transparent text-muted hover:bg-paper hover:text-ink"
                  onClick={() => commitOrReport({ type: 'removeSheet', id: sheet.id })}
                >
                  ×
                </button>
              </div>
              {notes.length > 0 && (
                <details className="text-muted">
                  <summary>{notes.length === 1 ? 'One thing was left out' : `${notes.length} things were left out`}</summary>
                  <ul className="m-0 list-none p-0">
                    {notes.slice(0, 100).map((note, i) => (
                      <li key={i}>
                        Line {note.line}: {note.message}
                      </li>
                    ))}
                  </ul>
                </details>
              )}
            </li>
          );
        })}
      </ul>
      <form
        className="flex flex-col gap-1.5 px-3.5 py-2"
        onSubmit={(event) => {
          event.preventDefault();
          bring(text, name.trim() || 'Style sheet');
        }}
      >
        <input
          aria-label="Name of the style sheet"
          placeholder="Name"
          className="h-[22px] rounded-[3px] border border-line-strong bg-well px-1.5"
          value={name}
          maxLength={80}
          onChange={(event) => setName(event.target.value)}
        />
        <textarea
          aria-label="CSS of the style sheet"
          placeholder="p { line-height: 1.6 }"
          rows={3}
          spellCheck={false}
          className="rounded-[3px] border border-line-strong bg-well px-1.5 py-1 font-mono text-[12px]"
          value={text}
          onChange={(event) => {
            setText(event.target.value);
            setProblem(undefined);
          }}
        />
        {problem && (
          <p role="alert" className="m-0 text-xs text-rust">
            {problem}
          </p>
        )}
        <div className="flex items-center justify-between gap-2">
          <button type="submit" className={BUTTON} disabled={text.trim() === ''}>
            Bring in
          </button>
          <label className={`${BUTTON} cursor-pointer`}>
            From a file
            <input
              type="file"
              accept=".css,text/css"
              className="sr-only"
              onChange={(event) => {
                const file = event.target.files?.[0];
                event.target.value = '';
                void file?.text().then((css) => bring(css, file.name));
              }}
            />
          </label>
        </div>
      </form>
    </section>
  );
}
