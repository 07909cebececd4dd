'use client';

import { useEffect, useMemo, useRef, useState } from 'react';
import { bandAt, intersect } from '@/core/breakpoints';
import { ancestorsOf, parentOf } from '@/core/document';
import { select } from '../session/actions';
import { commitOrReport } from '../session/edits';
import { shownBandStart, shownPage, shownProject, useSession } from '../session/store';
import { AddElement } from './AddElement';
import { rowsOf } from './rows';
import type { Row } from './rows';

const NO_FINDINGS: never[] = [];

/** The page's elements as a tree (ARIA tree pattern): arrows walk, Enter selects, F2 renames. */
export function Outline() {
  const project = useSession(shownProject);
  const page = useSession(shownPage);
  const bandStart = useSession(shownBandStart);
  const selection = useSession((session) => session.selection);
  const findings = useSession((session) => session.findings[session.pageId] ?? NO_FINDINGS);
  const [closed, setClosed] = useState<ReadonlySet<string>>(new Set());
  const [focused, setFocused] = useState<string>(page.root);
  const [renaming, setRenaming] = useState<string>();
  const list = useRef<HTMLUListElement>(null);

  const band = useMemo(() => bandAt(project, bandStart), [project, bandStart]);
  const rows = useMemo(() => rowsOf(project, page, band, closed), [project, page, band, closed]);
  const wrong = useMemo(
    () =>
      new Set(
        findings.filter((finding) => intersect(finding.widths, [band]).length > 0).map((finding) => finding.element),
      ),
    [findings, band],
  );
  const current = rows.some((row) => row.element.id === focused) ? focused : page.root;

  // What is selected elsewhere is opened and shown here.
  const last = selection[selection.length - 1];
  useEffect(() => {
    if (!last) return;
    const above = new Set(ancestorsOf(page, last).map((ancestor) => ancestor.id));
    setClosed((before) =>
      [...before].some((id) => above.has(id)) ? new Set([...before].filter((id) => !above.has(id))) : before,
    );
    setFocused(last);
    list.current?.querySelector(`[data-row="${last}"]`)?.scrollIntoView({ block: 'nearest' });
  }, [last, page]);

  const focusRow = (id: string | undefined) => {
    if (!id) return;
    setFocused(id);
    const row = list.current?.querySelector<HTMLElement>(`[data-row="${id}"]`);
    row?.focus();
  };
  const toggle = (id: string, open: boolean) =>
    setClosed((before) => {
      const after = new Set(before);
      if (open) after.delete(id);
      else after.add(id);
      return after;
    });

  const onKeyDown = (event: React.KeyboardEvent, row: Row, index: number) => {
    if (event.ctrlKey || event.metaKey || event.altKey || renaming) return;
    const { id } = row.element;
    const handled = () => {
      event.preventDefault();
      event.stopPropagation();
    };
    const move = (to: number) => {
      const next = rows[to]?.element.id;
      focusRow(next);
      if (event.shiftKey && next) select([...new Set([...selection, id, next])]);
    };
    if (event.key === 'ArrowDown') move(index + 1);
    else if (event.key === 'ArrowUp') move(index - 1);
    else if (event.key === 'Home') focusRow(rows[0]?.element.id);
    else if (event.key === 'End') focusRow(rows[rows.length - 1]?.element.id);
    else if (event.key === 'ArrowRight') {
      if (row.expanded === false) toggle(id, true);
      else if (row.expanded) move(index + 1);
    } else if (event.key === 'ArrowLeft') {
      if (row.expanded) toggle(id, false);
      else focusRow(parentOf(page, id)?.id);
    } else if (event.key === 'Enter') select([id]);
    else if (event.key === ' ') select([id], true);
    else if (event.key === 'F2') setRenaming(id);
    else return;
    handled();
  };

  return (
    <section aria-label="Elements" className="flex min-h-0 flex-1 flex-col bg-sheet">
      <header className="flex h-9 shrink-0 items-center gap-2 px-3.5">
        <h2 className="font-bold">Elements</h2>
        <span className="font-mono text-muted">{Object.keys(page.elements).length}</span>
        <AddElement />
      </header>
      <ul
        ref={list}
        role="tree"
        aria-label="Page elements"
        aria-multiselectable
        className="m-0 min-h-0 flex-1 list-none overflow-auto p-0 pb-2"
      >
        {rows.map((row, index) => {
          const { element, level, hidden } = row;
          const chosen = selection.includes(element.id);
          return (
            <li
              key={element.id}
              role="treeitem"
              data-row={element.id}
              aria-level={level}
              aria-posinset={row.position}
              aria-setsize={row.siblings}
              aria-selected={chosen}
              aria-expanded={row.expanded}
              aria-label={[
                element.name,
                hidden && 'hidden here',
                wrong.has(element.id) && 'has findings here',
                row.overrides > 0 && `${row.overrides} overrides here`,
              ]
                .filter(Boolean)
                .join(', ')}
              tabIndex={element.id === current ? 0 : -1}
              onFocus={() => setFocused(element.id)}
              onKeyDown={(event) => onKeyDown(event, row, index)}
              onClick={(event) => select([element.id], event.shiftKey || event.ctrlKey || event.metaKey)}
              onDoubleClick={() => setRenaming(element.id)}
              onPointerEnter={() => useSession.setState({ hovered: element.id })}
              onPointerLeave={() => useSession.setState({ hovered: undefined })}
              style={{ paddingLeft: 4 + (level - 1) * 10 }}
              className={`flex h-6 cursor-default items-center gap-1 border-l-[3px] pr-3 -outline-offset-2 ${chosen ? 'border-reed bg-reed-tint' : 'border-transparent hover:bg-paper'}`}
            >
              <span
                aria-hidden
                className="w-3 shrink-0 text-center text-[9px] text-muted"
                onClick={(event) => {
                  event.stopPropagation();
                  if (row.expanded !== undefined) toggle(element.id, !row.expanded);
                }}
              >
                {row.expanded === undefined ? '' : row.expanded ? '▾' : '▸'}
              </span>
              {wrong.has(element.id) && <span aria-hidden className="size-1.5 shrink-0 rounded-full bg-rust" />}
              {renaming === element.id ? (
                <RenameField
                  name={element.name}
                  done={(name) => {
                    setRenaming(undefined);
                    if (name !== undefined && name.trim() !== element.name)
                      commitOrReport({ type: 'renameElement', node: element.id, name: name.trim() });
                    setTimeout(() => focusRow(element.id), 0);
                  }}
                />
              ) : (
                <span className={`truncate ${hidden ? 'text-muted line-through' : ''}`}>{element.name}</span>
              )}
              {row.overrides > 0 && (
                <span
                  aria-hidden
                  className="shrink-0 rounded-full border border-reed px-1 font-mono text-[10px] leading-[14px] text-reed"
                  title={`${row.overrides} values from breakpoints hold here`}
                >
                  {row.overrides}
                </span>
              )}
              <span aria-hidden className="ml-auto pl-1 font-mono text-[11px] text-muted">
                {element.tag}
              </span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

function RenameField({ name, done }: { name: string; done: (name: string | undefined) => void }) {
  const [text, setText] = useState(name);
  const finished = useRef(false);
  const finish = (value: string | undefined) => {
    if (finished.current) return;
    finished.current = true;
    done(value);
  };
  return (
    <input
      autoFocus
      aria-label={`New name of ${name}`}
      value={text}
      maxLength={80}
      className="min-w-0 flex-1 rounded-[3px] border border-reed bg-well px-1 text-ink"
      onFocus={(event) => event.target.select()}
      onChange={(event) => setText(event.target.value)}
      onClick={(event) => event.stopPropagation()}
      onKeyDown={(event) => {
        event.stopPropagation();
        if (event.key === 'Enter') finish(text);
        if (event.key === 'Escape') finish(undefined);
      }}
      onBlur={() => finish(text)}
    />
  );
}
