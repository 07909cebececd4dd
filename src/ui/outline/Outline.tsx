'use client';

import { memo, useCallback, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import type { Slice } from '@/core/breakpoints';
import { bandAt, intersect } from '@/core/breakpoints';
import type { Page, Project } from '@/core/document';
import { ancestorsOf, parentOf, partNamed } from '@/core/document';
import { select } from '../view/actions';
import { BUTTON } from '../theme/controls';
import { commitOrReport } from '../editing/edits';
import { steadyBandStart, steadyPage, steadyProject, useSession } from '../state/store';
import { found, topmost } from '@/core/structure';
import { followPointer } from '../input/follow-pointer';
import { moveTo } from '../arranging/tree';
import type { Onto } from './row-drop';
import { rowUnder } from './row-drop';
import { ArrangeMenu } from './ArrangeMenu';
import { Palette } from './Palette';
import { OutlineRow } from './OutlineRow';
import type { TreeHandlers } from './OutlineRow';
import { marksIn, rowsOf, treeOf } from './rows';
import { useDrawnRows } from './drawn-rows';

const NO_FINDINGS: never[] = [];

interface Outlined {
  readonly project: Project;
  readonly page: Page;
  readonly bandStart: number;
  readonly slice: Slice;
}

/** The page's elements as a tree (ARIA tree pattern): arrows walk, Enter selects, F2 renames. */
export function Outline() {
  // What changes many rows, an edit or the crossing of a breakpoint, must not keep the page and the cursor waiting.
  const project = useDeferredValue(useSession(steadyProject));
  const page = useDeferredValue(useSession(steadyPage));
  const bandStart = useDeferredValue(useSession(steadyBandStart));
  const slice = useDeferredValue(useSession((session) => session.slice));
  // Drawn once it is time: what is put off is drawn twice here, first as it was.
  return <Tree {...{ project, page, bandStart, slice }} />;
}

const Tree = memo(function Tree({ project, page, bandStart, slice }: Outlined) {
  const selection = useSession((session) => session.selection);
  const findings = useSession((session) => session.findings[session.pageId] ?? NO_FINDINGS);
  const [closed, setClosed] = useState<ReadonlySet<string>>(new Set());
  const [focused, setFocused] = useState<string>(page.root);
  const [query, setQuery] = useState('');
  const paletteOpen = useSession((session) => session.paletteOpen);
  const outside = useSession((session) => session.outside);
  const hits = useMemo(() => found(page, query), [page, query]);
  const marked = useMemo(() => new Set(hits), [hits]);
  const chosen = useMemo(() => new Set(selection), [selection]);
  const [drop, setDrop] = useState<Onto>();
  const [renaming, setRenaming] = useState<string>();
  const list = useRef<HTMLDivElement>(null);

  const band = useMemo(() => bandAt(project, bandStart, slice), [project, bandStart, slice]);
  const tree = treeOf(page.elements);
  const rows = useMemo(() => rowsOf(tree, page.root, closed), [tree, page.root, closed]);
  const marksOf = useMemo(() => marksIn(project, page, band, slice), [project, page, band, slice]);
  const wrong = useMemo(
    () => new Set(findings.filter((finding) => intersect(finding.widths, [band]).length > 0).map((finding) => finding.element)),
    [findings, band],
  );
  const current = useMemo(() => (rows.some(({ id }) => id === focused) ? focused : page.root), [rows, focused, page.root]);
  const count = useMemo(() => Object.keys(tree).length, [tree]);

  const { drawn, height, show } = useDrawnRows(list, rows, current);

  // What is selected elsewhere is opened and shown here; an edit leaves the list where it is.
  const last = selection[selection.length - 1];
  const pageNow = useRef(page);
  useEffect(() => {
    pageNow.current = page;
  });
  useEffect(() => {
    if (!last) return;
    const above = new Set(ancestorsOf(pageNow.current, last).map((ancestor) => ancestor.id));
    setClosed((before) =>
      [...before].some((id) => above.has(id)) ? new Set([...before].filter((id) => !above.has(id))) : before,
    );
    setFocused(last);
    show.current(last);
  }, [last, show]);

  const focusRow = (id: string | undefined) => {
    if (!id) return;
    // Drawn first, where it was out of sight.
    flushSync(() => setFocused(id));
    show.current(id);
    list.current?.querySelector<HTMLElement>(`[data-row="${id}"]`)?.focus();
  };
  const toggle = useCallback(
    (id: string, open: boolean) =>
      setClosed((before) => {
        const after = new Set(before);
        if (open) after.delete(id);
        else after.add(id);
        return after;
      }),
    [],
  );

  const keyDown = (event: React.KeyboardEvent, from: string) => {
    if (event.ctrlKey || event.metaKey || event.altKey || renaming) return;
    const index = rows.findIndex((one) => one.id === from);
    const row = rows[index];
    if (!row) return;
    const { id } = row;
    const handled = () => {
      event.preventDefault();
      event.stopPropagation();
    };
    const move = (to: number) => {
      const next = rows[to]?.id;
      focusRow(next);
      if (event.shiftKey && next) select([...new Set([...selection, id, next])]);
    };
    if (event.key === 'ArrowDown') move(index + 1);
    else if (event.key === 'ArrowUp') move(index - 1);
    else if (event.key === 'Home') focusRow(rows[0]?.id);
    else if (event.key === 'End') focusRow(rows[rows.length - 1]?.id);
    else if (event.key === 'ArrowRight') {
      if (row.expanded === false) toggle(id, true);
      else if (row.expanded) move(index + 1);
    } else if (event.key === 'ArrowLeft') {
      if (row.expanded) toggle(id, false);
      else focusRow(parentOf(page, id)?.id);
    } else if (event.key === 'Enter') select([id]);
    else if (event.key === 'Escape') focusRow(parentOf(page, id)?.id);
    else if (event.key === ' ') select([id], true);
    else if (event.key === 'F2') setRenaming(id);
    else return;
    handled();
  };

  const finishRename = (id: string, name: string | undefined) => {
    setRenaming(undefined);
    const before = page.elements[id]?.name;
    if (name !== undefined && name.trim() !== before) commitOrReport({ type: 'renameElement', node: id, name: name.trim() });
    setTimeout(() => focusRow(id), 0);
  };
  const choose = (id: string, how: 'one' | 'more' | 'through') => {
    const from = rows.findIndex((row) => row.id === last);
    const to = rows.findIndex((row) => row.id === id);
    if (how !== 'through' || from < 0) return select([id], how === 'more');
    const between = rows.slice(Math.min(from, to), Math.max(from, to) + 1).map((row) => row.id);
    select([
      ...selection.filter((one) => !between.includes(one) && one !== last),
      ...between.filter((one) => one !== last),
      last!,
    ]);
  };

  // A row dragged onto another goes before it, after it, or into it, by where on the row the pointer is.
  const drag = (event: React.PointerEvent<HTMLElement>, id: string) => {
    const ids = selection.includes(id) ? topmost(page, selection) : [id];
    let onto: Onto | undefined;
    followPointer(
      event,
      ({ x, y }) => {
        onto = rowUnder(page, ids, x, y);
        setDrop(onto);
      },
      (wasDrag) => {
        setDrop(undefined);
        if (wasDrag && onto) moveTo(ids, onto.spot);
      },
      () => setDrop(undefined),
    );
  };
  const latest = useRef({ keyDown, finishRename, choose, drag });
  useEffect(() => {
    latest.current = { keyDown, finishRename, choose, drag };
  });
  const handlers = useMemo<TreeHandlers>(
    () => ({
      focused: setFocused,
      keyDown: (event, id) => latest.current.keyDown(event, id),
      toggle,
      startRename: setRenaming,
      finishRename: (id, name) => latest.current.finishRename(id, name),
      choose: (id, how) => latest.current.choose(id, how),
      drag: (event, id) => latest.current.drag(event, id),
    }),
    [toggle],
  );

  return (
    <section aria-label="Elements" className="part flex min-h-0 flex-1 flex-col bg-sheet">
      <header className="@container flex min-h-9 shrink-0 flex-wrap items-center gap-1.5 pr-2 pl-3.5">
        <h2 className="font-bold">Elements</h2>
        <span className="font-mono text-muted @max-[14.4em]:hidden">{count}</span>
        <ArrangeMenu />
        <button
          type="button"
          aria-expanded={paletteOpen}
          className={`${BUTTON} !px-1 text-xs`}
          onClick={() => useSession.setState({ paletteOpen: !paletteOpen })}
        >
          Insert
        </button>
      </header>
      {paletteOpen && <Palette />}
      <input
        aria-label="Find an element by name or text"
        placeholder="Find by name or text"
        data-find
        className="mx-3.5 mt-1.5 mb-1 h-[22px] shrink-0 rounded-[3px] border border-line-strong bg-well px-1.5"
        value={query}
        onChange={(event) => setQuery(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === 'Escape') setQuery('');
          if (event.key === 'Enter' && hits.length > 0) {
            select(event.ctrlKey ? hits : [hits[(hits.indexOf(last ?? '') + 1) % hits.length]!]);
          }
        }}
      />
      <p className="m-0 truncate px-3.5 pb-1 text-xs text-muted" role="status">
        {query.trim() ? `${hits.length} found; Enter goes on to the next` : 'What is here holds at all widths.'}
      </p>
      <div ref={list} className="min-h-0 flex-1 overflow-auto pb-2">
        <ul
          role="tree"
          aria-label="Page elements"
          aria-multiselectable
          className="relative m-0 list-none p-0 select-none"
          style={{ height }}
        >
          {drawn.map(({ row, top }) => {
            const element = page.elements[row.id]!;
            return (
              <OutlineRow
                key={row.id}
                {...row}
                name={element.name}
                tag={element.tag}
                locked={element.locked ?? false}
                part={element.use && partNamed(project, element.use.part)?.name}
                swap={element.panel ? 'panel' : element.alternate ? 'alternate' : undefined}
                inPart={element.layers !== undefined && !element.use}
                {...marksOf(element)}
                top={top}
                wrong={wrong.has(row.id)}
                found={marked.has(row.id)}
                past={outside.wholly.has(row.id) ? 'wholly' : outside.partly.has(row.id) ? 'partly' : undefined}
                dropping={drop?.id === row.id ? drop.how : undefined}
                chosen={chosen.has(row.id)}
                current={row.id === current}
                renaming={renaming === row.id}
                handlers={handlers}
              />
            );
          })}
        </ul>
      </div>
    </section>
  );
});
