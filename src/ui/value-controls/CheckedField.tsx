'use client';

import { useId, useState } from 'react';

interface Props {
  readonly label: string;
  readonly value: string;
  readonly className?: string;
  /** What is often written, each with a word for it where it doesn't speak for itself. */
  readonly list?: readonly (string | { readonly value: string; readonly word: string })[];
  /** Writes what was typed. Returns what is wrong, in words. */
  readonly write: (value: string) => string | undefined;
}

/** A small text field that writes on Enter or when left, and keeps what couldn't be written with the reason. */
export function CheckedField({ label, value, className = 'w-full', list, write }: Props) {
  const [typed, setTyped] = useState<string>();
  const [problem, setProblem] = useState<string>();
  const id = useId();
  const finish = () => {
    if (typed === undefined || typed.trim() === value) {
      setTyped(undefined);
      return setProblem(undefined);
    }
    const wrong = write(typed.trim());
    setProblem(wrong);
    if (!wrong) setTyped(undefined);
  };
  return (
    <span className={`inline-flex min-w-0 flex-col ${className}`}>
      <input
        aria-label={label}
        aria-invalid={problem !== undefined}
        aria-describedby={problem ? id : undefined}
        data-dirty={typed !== undefined}
        list={list ? `${id}-list` : undefined}
        spellCheck={false}
        autoComplete="off"
        className={`h-[22px] w-full min-w-0 rounded-[3px] border bg-well px-1 font-mono text-[12px] ${problem ? 'border-rust' : 'border-line-strong'}`}
        value={typed ?? value}
        onFocus={(event) => event.target.select()}
        onChange={(event) => {
          setTyped(event.target.value);
          setProblem(undefined);
        }}
        onBlur={finish}
        onKeyDown={(event) => {
          if (event.key === 'Enter') finish();
          if (event.key === 'Escape') {
            event.stopPropagation();
            setTyped(undefined);
            setProblem(undefined);
          }
        }}
      />
      {list && (
        <datalist id={`${id}-list`}>
          {list.map((one) =>
            typeof one === 'string' ? (
              <option key={one} value={one} />
            ) : (
              <option key={one.value} value={one.value} label={one.word} />
            ),
          )}
        </datalist>
      )}
      {problem && (
        <span id={id} role="alert" className="text-xs text-rust">
          {problem}
        </span>
      )}
    </span>
  );
}
