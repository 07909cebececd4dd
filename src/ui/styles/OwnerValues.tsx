'use client';

import { useState } from 'react';
import type { At } from '@/core/breakpoints';
import { BASE } from '@/core/breakpoints';
import type { Pseudo } from '@/core/document';
import { PSEUDOS, pseudoWords, withPseudo } from '@/core/document';
import { propertyRank, readDeclaration } from '@/core/styles';
import { describeTarget, stylesOf } from '@/core/edits';
import { placesOf } from '../breakpoints/places';
import { CheckedField } from '../value-controls/CheckedField';
import { commit, commitOrReport } from '../editing/edits';
import { steadyProject, useSession, writeTarget } from '../state/store';

/** All values of a shared style or a kind, place by place; written to where edits go. */
export function OwnerValues({ owner: bare, label: name }: { owner: string; label: string }) {
  const [pseudo, setPseudo] = useState<Pseudo>('');
  const owner = bare + pseudo;
  const label = withPseudo(name, pseudo);
  const project = useSession(steadyProject);
  const target = useSession(writeTarget);
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string>();
  const styles = stylesOf(project, owner) ?? {};
  const write = () => {
    const declaration = readDeclaration(text);
    if (!declaration) return setProblem('Write it as "property: value".');
    const wrong = commit({ type: 'setStyle', owner: owner, at: target, ...declaration });
    setProblem(wrong);
    if (!wrong) setText('');
  };
  return (
    <div>
      <label className="flex items-center gap-2 pb-1.5">
        State or box
        <select
          className="min-w-0 flex-1 rounded-[3px] border border-line-strong bg-well px-1 py-0.5 text-ink"
          value={pseudo}
          onChange={(event) => setPseudo(event.target.value)}
        >
          <option value="">at rest</option>
          {PSEUDOS.map((one) => {
            const count = Object.values(stylesOf(project, bare + one) ?? {}).reduce(
              (sum, set) => sum + Object.keys(set).length,
              0,
            );
            return (
              <option key={one} value={one}>
                {pseudoWords(one)}
                {count > 0 && ` (${count})`}
              </option>
            );
          })}
        </select>
      </label>
      {placesOf(project).map(({ at, words }) => {
        const declared = Object.entries(styles[at] ?? {}).sort(([a], [b]) => propertyRank(a) - propertyRank(b));
        if (declared.length === 0) return null;
        return (
          <div key={at} className="pb-1">
            <div className="text-xs text-muted">{words}</div>
            {declared.map(([property, value]) => (
              <div key={property} className="flex items-center gap-1 font-mono text-[12px]">
                <span className="w-[112px] shrink-0 truncate" title={property}>
                  {property}
                </span>
                <OwnerField key={value} owner={owner} at={at} property={property} value={value} label={`${label}, ${words}`} />
                <button
                  type="button"
                  aria-label={`Clear ${property} of ${label}, ${words}`}
                  className="size-5 shrink-0 rounded-[3px] border-0 bg-transparent text-muted hover:bg-sheet hover:text-ink"
                  onClick={() => commitOrReport({ type: 'clearStyle', owner: owner, at, property })}
                >
                  ×
                </button>
              </div>
            ))}
          </div>
        );
      })}
      <label className="block pt-1 text-xs text-muted">
        Add at {target === BASE ? 'the base' : describeTarget(project, target)}
        <input
          aria-label={`Add a declaration to ${label}`}
          className={`mt-0.5 block h-[22px] w-full rounded-[3px] border bg-well px-1.5 font-mono text-ink ${problem ? 'border-rust' : 'border-line-strong'}`}
          placeholder="padding: 8px 12px"
          spellCheck={false}
          value={text}
          onChange={(event) => {
            setText(event.target.value);
            setProblem(undefined);
          }}
          onKeyDown={(event) => event.key === 'Enter' && write()}
        />
      </label>
      {problem && (
        <p role="alert" className="m-0 pt-0.5 text-xs text-rust">
          {problem}
        </p>
      )}
    </div>
  );
}

interface FieldProps {
  readonly owner: string;
  readonly at: At;
  readonly property: string;
  readonly value: string;
  readonly label: string;
}

function OwnerField({ owner, at, property, value, label }: FieldProps) {
  return (
    <CheckedField
      label={`${property} of ${label}`}
      className="flex-1"
      value={value}
      write={(typed) => commit({ type: 'setStyle', owner: owner, at, property, value: typed })}
    />
  );
}
