'use client';

import { memo, useState } from 'react';
import type { At } from '@/core/breakpoints';
import { readDeclaration } from '@/core/styles';
import { writeValue } from '../view/actions';

/** Any declaration by its CSS name, checked: for those who know what they want to write. */
export const AnyDeclaration = memo(function AnyDeclaration({ target }: { target: At }) {
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string>();
  const write = () => {
    const declaration = readDeclaration(text);
    if (!declaration) return setProblem('Write it as "property: value".');
    const wrong = writeValue(declaration.property, declaration.value, target);
    setProblem(wrong);
    if (!wrong) setText('');
  };
  return (
    <section aria-label="Any declaration" className="border-t border-line px-3.5 py-2">
      <label className="block text-muted" htmlFor="any-declaration">
        Any declaration
      </label>
      <input
        id="any-declaration"
        className={`mt-1 h-[22px] w-full rounded-[3px] border bg-well px-1.5 font-mono ${problem ? 'border-rust' : 'border-line-strong'}`}
        placeholder="grid-column: span 3"
        spellCheck={false}
        value={text}
        onChange={(event) => {
          setText(event.target.value);
          setProblem(undefined);
        }}
        onKeyDown={(event) => event.key === 'Enter' && write()}
      />
      {problem && (
        <p role="alert" className="m-0 pt-0.5 text-xs text-rust">
          {problem}
        </p>
      )}
    </section>
  );
});
