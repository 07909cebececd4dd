'use client';

import { useDeferredValue, useMemo, useState } from 'react';
import type { Condition } from '@/core/breakpoints';
import { describeCondition } from '@/core/breakpoints';
import type { PageRule } from '@/core/cascade';
import { asBreakpoint, rulesOn } from '@/core/cascade';
import { steadyPage, steadyProject, useSession } from '../state/store';
import { BUTTON } from '../theme/controls';
import { takeInline, takeOver } from '../view/take-over';
import { plural } from '@/core/text';

const MOST_SHOWN = 60;
/** The style sheets that the shown page came with, rule by rule, to be taken over. */
export function PageSheets() {
  const page = useSession(steadyPage);
  return page.brought ? <OwnSheets /> : null;
}

function OwnSheets() {
  const project = useSession(steadyProject);
  const page = useSession(steadyPage);
  const [text, setText] = useState('');
  const wanted = useDeferredValue(text.trim());
  const bySheet = useMemo(() => {
    const sheets = new Map<string, PageRule[]>();
    for (const rule of rulesOn(project, page)) {
      const known = sheets.get(rule.sheetId);
      if (known) known.push(rule);
      else sheets.set(rule.sheetId, [rule]);
    }
    return [...sheets];
  }, [project, page]);
  const styled = Object.values(page.elements).filter(({ attributes }) => attributes.style !== undefined);
  const className = /^\.([\w-]+)$/.exec(wanted)?.[1];
  return (
    <section aria-label="The page’s own style sheets" className="border-t border-line py-1">
      <h3 className="m-0 px-3.5 py-1 font-semibold text-muted">The page’s own style sheets</h3>
      <p className="m-0 px-3.5 pb-1.5 text-muted">
        A rule that is taken over becomes a shared style, with overrides at breakpoints; the page looks the same.
      </p>
      <div className="px-3.5 pb-1.5">
        <input
          type="search"
          aria-label="Find a rule or a class"
          placeholder="Find a rule, or a class such as .card"
          className="h-[22px] w-full rounded-[3px] border border-line-strong bg-well px-1.5"
          value={text}
          onChange={({ target }) => setText(target.value)}
        />
      </div>
      {styled.length > 0 && (
        <p className="m-0 flex items-center justify-between gap-2 border-y border-line px-3.5 py-1.5">
          <span>{plural(styled.length, 'style attribute')}</span>
          <button type="button" className={`${BUTTON} text-xs`} onClick={() => takeInline(styled.map(({ id }) => id))}>
            Make them own values
          </button>
        </p>
      )}
      {bySheet.map(([id, rules]) => (
        <SheetRules key={id} sheet={id} rules={rules} wanted={wanted} className={className} />
      ))}
      {bySheet.length === 0 && <p className="m-0 px-3.5 py-1 text-muted">It came without any.</p>}
    </section>
  );
}

const inWords = (condition: Condition): string => {
  const plain = asBreakpoint(condition);
  return plain ? describeCondition(plain) : 'under what no breakpoint asks for';
};

interface RulesProps {
  readonly sheet: string;
  readonly rules: readonly PageRule[];
  readonly wanted: string;
  readonly className: string | undefined;
}

function SheetRules({ sheet, rules, wanted, className }: RulesProps) {
  const project = useSession(steadyProject);
  const [open, setOpen] = useState(false);
  const name = project.sheets.find(({ id }) => id === sheet)?.name ?? 'Style sheet';
  const found = wanted === '' ? rules : rules.filter(({ rule }) => rule.selector.toLowerCase().includes(wanted.toLowerCase()));
  const isOpen = open || wanted !== '';
  return (
    <div className="border-b border-line" data-page-sheet={sheet}>
      <div className="flex items-center gap-2 px-3.5 py-1.5">
        <button
          type="button"
          aria-expanded={isOpen}
          className="min-w-0 flex-1 truncate rounded-[3px] border-0 bg-transparent p-0 text-left hover:underline"
          onClick={() => setOpen(!open)}
        >
          <b>{name}</b> <span className="text-muted">{plural(found.length, 'rule')}</span>
        </button>
        {className !== undefined && found.length > 0 ? (
          <button type="button" className={`${BUTTON} shrink-0 text-xs`} onClick={() => takeOver({ sheet, className })}>
            Take over .{className}
          </button>
        ) : (
          <button
            type="button"
            aria-label={`Take over all of ${name}`}
            className={`${BUTTON} shrink-0 text-xs`}
            onClick={() => takeOver({ sheet })}
          >
            Take over all
          </button>
        )}
      </div>
      {isOpen && (
        <ul className="m-0 list-none p-0 pb-1">
          {found.slice(0, MOST_SHOWN).map(({ rule }, i) => (
            <li key={i} className="flex items-center gap-2 px-3.5 py-0.5 hover:bg-paper">
              <span className="min-w-0 flex-1">
                <code className="block truncate font-mono text-[12px]" title={rule.selector}>
                  {rule.selector}
                </code>
                <span className="block truncate text-xs text-muted">
                  line {rule.line}
                  {rule.when ? `, ${rule.when.map(inWords).join(' or ')}` : ''}
                  {rule.unsure ? ', only a browser can tell where it holds' : ''}
                </span>
              </span>
              <button
                type="button"
                aria-label={`Take over ${rule.selector} on line ${rule.line}`}
                className={`${BUTTON} shrink-0 text-xs`}
                onClick={() => takeOver({ sheet, rule: { selector: rule.selector, line: rule.line } })}
              >
                Take over
              </button>
            </li>
          ))}
          {found.length > MOST_SHOWN && (
            <li className="px-3.5 py-0.5 text-muted">And {found.length - MOST_SHOWN} more; find them by their words.</li>
          )}
        </ul>
      )}
    </div>
  );
}
