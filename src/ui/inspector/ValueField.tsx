'use client';

import { useEffect, useId, useRef, useState } from 'react';
import type { At } from '@/core/breakpoints';
import { union } from '@/core/breakpoints';
import { writeReach } from '@/core/cascade';
import { checkNewValue, isShorthand, longhandsOf, stepValue } from '@/core/styles';
import { footprintOf } from '../editing/edits';
import { Keepers } from './Keepers';
import { writeEdit, writeValue } from '../view/actions';
import { ownerNow, shownPage, shownPseudo, unmark, useSession } from '../state/store';

interface Props {
  readonly property: string;
  readonly label: string;
  /** Undefined where the selected elements differ. */
  readonly value: string | undefined;
  /** Not set anywhere: the value is only what browsers take. */
  readonly faint: boolean;
  readonly target: At;
  readonly keywords?: readonly string[] | undefined;
  readonly colour?: boolean;
}

/** Marks on the gauge what writing this would change. */
function mark(property: string, value: string, target: At): void {
  const edit = checkNewValue(property, value).ok ? writeEdit(property, value, target) : undefined;
  const footprint = edit && footprintOf(edit);
  const { pageId } = useSession.getState();
  useSession.setState({ marked: footprint?.[pageId]?.widths ?? [] });
}

/** A text field for one CSS value: checked while typing, written on Enter or when left, stepped with the arrows. */
export function ValueField({ property, label, value, faint, target, keywords, colour }: Props) {
  const [typed, setTyped] = useState<string>();
  const [problem, setProblem] = useState<string>();
  const [focused, setFocused] = useState(false);
  const input = useRef<HTMLInputElement>(null);
  const box = useRef<HTMLDivElement>(null);
  const id = useId();
  const text = typed ?? value ?? '';
  const caret = useRef<number | undefined>(undefined);

  useEffect(() => {
    if (caret.current !== undefined) input.current?.setSelectionRange(caret.current, caret.current);
    caret.current = undefined;
  });

  const reset = () => {
    setTyped(undefined);
    setProblem(undefined);
    unmark();
  };
  const write = (next: string, gesture?: string) => {
    const wrong = writeValue(property, next, target, gesture);
    setProblem(wrong);
    if (wrong) setTyped(next);
    else setTyped(undefined);
    return wrong === undefined;
  };
  const finish = () => {
    if (typed === undefined || typed.trim() === (value ?? '')) return reset();
    if (write(typed.trim())) unmark();
  };

  return (
    <div
      ref={box}
      className="min-w-0 flex-1"
      onBlur={(event) => {
        if (!event.relatedTarget || !event.currentTarget.contains(event.relatedTarget)) setFocused(false);
      }}
    >
      <div
        className={`flex h-[22px] items-center rounded-[3px] border bg-well ${problem ? 'border-rust' : 'border-line-strong focus-within:border-reed'}`}
      >
        {colour && (
          <input
            type="color"
            aria-label={`${label}: pick`}
            tabIndex={-1}
            className="ml-1 size-3.5 shrink-0 cursor-pointer appearance-none border border-edge bg-transparent p-0 [&::-webkit-color-swatch]:border-0 [&::-webkit-color-swatch-wrapper]:p-0"
            value={hexOf(text)}
            onChange={(event) => write(event.target.value, 'pick')}
          />
        )}
        <input
          ref={input}
          id={id}
          aria-label={label}
          aria-invalid={problem !== undefined}
          aria-describedby={problem ? `${id}-problem` : undefined}
          data-property={property}
          data-dirty={typed !== undefined}
          list={keywords ? `keywords-${property}` : undefined}
          spellCheck={false}
          autoComplete="off"
          placeholder={value === undefined ? 'several' : ''}
          value={text}
          className={`h-full w-full min-w-0 bg-transparent px-1.5 font-mono text-[12px] outline-none ${faint && typed === undefined ? 'text-muted' : 'text-ink'}`}
          onFocus={(event) => {
            event.target.select();
            setFocused(true);
            markReach(property, target);
          }}
          onChange={(event) => {
            const next = event.target.value;
            setTyped(next);
            const checked = checkNewValue(property, next);
            setProblem(undefined);
            if (checked.ok) mark(property, next, target);
          }}
          onBlur={(event) => {
            // The offer beneath belongs to the field.
            if (!event.relatedTarget || !box.current?.contains(event.relatedTarget)) setFocused(false);
            finish();
            unmark();
          }}
          onKeyDown={(event) => {
            if (event.key === 'Enter') finish();
            else if (event.key === 'Escape') {
              event.stopPropagation();
              reset();
            } else if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
              const by = (event.key === 'ArrowUp' ? 1 : -1) * (event.shiftKey ? 10 : event.altKey ? 0.1 : 1);
              const stepped = stepValue(text, input.current?.selectionStart ?? 0, by);
              if (!stepped || !checkNewValue(property, stepped.value).ok) return;
              event.preventDefault();
              caret.current = stepped.caret;
              if (write(stepped.value, 'step')) markReach(property, target);
            }
          }}
        />
      </div>
      {keywords && focused && (
        <datalist id={`keywords-${property}`}>
          {keywords.map((keyword) => (
            <option key={keyword} value={keyword} />
          ))}
        </datalist>
      )}
      {/* Words have the room beneath the unit, too. */}
      <div className="w-[168px] empty:hidden">
        {focused && <Keepers property={property} target={target} />}
        {problem && (
          <p id={`${id}-problem`} role="alert" className="pt-0.5 text-xs text-rust">
            {problem}
          </p>
        )}
      </div>
    </div>
  );
}

/** Before anything is typed: the widths at which a value written to the target would win. */
function markReach(property: string, target: At): void {
  const session = useSession.getState();
  const page = shownPage(session);
  const pseudo = shownPseudo(session);
  const properties = isShorthand(property) ? longhandsOf(property) : [property];
  const takes = session.selection.flatMap((id) =>
    properties.map(
      (name) => writeReach(session.project, page, id, name, target, session.slice, pseudo, ownerNow(session, id)).takes,
    ),
  );
  useSession.setState({ marked: union(...takes) });
}

function hexOf(value: string): string {
  return /^#[0-9a-f]{6}$/i.test(value) ? value : '#000000';
}
