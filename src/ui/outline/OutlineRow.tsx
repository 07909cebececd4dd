'use client';

import { memo, useRef, useState } from 'react';
import { useSession } from '../state/store';

/** What a row asks of its tree. The object stays the same for as long as the tree stands. */
export interface TreeHandlers {
  readonly focused: (id: string) => void;
  readonly keyDown: (event: React.KeyboardEvent, id: string) => void;
  readonly toggle: (id: string, open: boolean) => void;
  readonly startRename: (id: string) => void;
  readonly finishRename: (id: string, name: string | undefined) => void;
  readonly choose: (id: string, how: 'one' | 'more' | 'through') => void;
  readonly drag: (event: React.PointerEvent<HTMLElement>, id: string) => void;
}

interface Props {
  readonly id: string;
  readonly name: string;
  readonly tag: string;
  readonly level: number;
  /** Where it stands in its list, px; undefined where it follows the one before. */
  readonly top: number | undefined;
  readonly position: number;
  readonly siblings: number;
  readonly expanded: boolean | undefined;
  readonly hidden: boolean;
  readonly overrides: number;
  readonly wrong: boolean;
  readonly locked: boolean;
  /** The part that it is a use of. */
  readonly part: string | undefined;
  /** Whether it is opened and closed, or one of several of which one shows. */
  readonly swap: 'panel' | 'alternate' | undefined;
  /** Whether it stands in the use of a part. */
  readonly inPart: boolean;
  readonly found: boolean;
  /** Whether it stands past the sides of the viewport. */
  readonly past: 'partly' | 'wholly' | undefined;
  readonly dropping: 'before' | 'after' | 'into' | undefined;
  readonly chosen: boolean;
  readonly current: boolean;
  readonly renaming: boolean;
  readonly handlers: TreeHandlers;
}

const DROPPING = {
  before: 'shadow-[inset_0_2px_0_var(--amber-ink)]',
  after: 'shadow-[inset_0_-2px_0_var(--amber-ink)]',
  into: 'outline-2 outline-amber-ink',
} as const;

/** One element in the outline. */
export const OutlineRow = memo(function OutlineRow(row: Props) {
  const { id, name, tag, level, expanded, hidden, overrides, wrong, chosen, locked, past, dropping, handlers } = row;
  const spoken = [
    name,
    row.part !== undefined && `use of part ${row.part}`,
    row.swap && (row.swap === 'panel' ? 'a panel' : 'one of several alternates'),
    hidden && 'hidden here',
    past && `stands ${past} outside the viewport`,
    locked && 'locked',
    wrong && 'has findings here',
    overrides > 0 && `${overrides} overrides here`,
  ];
  return (
    <li
      role="treeitem"
      data-row={id}
      aria-level={level}
      aria-posinset={row.position}
      aria-setsize={row.siblings}
      aria-selected={chosen}
      aria-expanded={expanded}
      aria-label={spoken.filter(Boolean).join(', ')}
      tabIndex={row.current ? 0 : -1}
      onFocus={() => handlers.focused(id)}
      onKeyDown={(event) => handlers.keyDown(event, id)}
      onClick={(event) => handlers.choose(id, event.shiftKey ? 'through' : event.ctrlKey || event.metaKey ? 'more' : 'one')}
      onPointerDown={(event) => level > 1 && !locked && !row.renaming && !event.shiftKey && handlers.drag(event, id)}
      onDoubleClick={() => handlers.startRename(id)}
      onPointerEnter={() => useSession.setState({ hovered: id })}
      onPointerLeave={() => useSession.setState({ hovered: undefined })}
      style={{
        paddingLeft: 4 + (level - 1) * 10,
        ...(row.top !== undefined && { position: 'absolute', insetInline: 0, top: row.top }),
      }}
      className={`flex h-6 cursor-default items-center gap-1 border-l-[3px] pr-3 -outline-offset-2 ${chosen ? 'border-reed bg-reed-tint' : row.found ? 'border-amber bg-amber-tint' : 'border-transparent hover:bg-paper'} ${dropping ? DROPPING[dropping] : ''}`}
    >
      <span
        aria-hidden
        className="w-3 shrink-0 text-center text-[9px] text-muted"
        onClick={(event) => {
          event.stopPropagation();
          if (expanded !== undefined) handlers.toggle(id, !expanded);
        }}
      >
        {expanded === undefined ? '' : expanded ? '▾' : '▸'}
      </span>
      {wrong && <span aria-hidden className="size-1.5 shrink-0 rounded-full bg-rust" />}
      {row.renaming ? (
        <RenameField name={name} done={(next) => handlers.finishRename(id, next)} />
      ) : (
        <span className={`truncate ${hidden ? 'text-muted line-through' : row.inPart ? 'italic' : ''}`}>{name}</span>
      )}
      {row.part !== undefined && (
        <span
          aria-hidden
          className="shrink-0 rounded-[3px] bg-reed-tint px-1 text-[10px] leading-[14px] text-reed"
          title={`Use of part ${row.part}`}
        >
          part
        </span>
      )}
      {row.swap && (
        <span
          aria-hidden
          className="shrink-0 rounded-[3px] bg-amber-tint px-1 text-[10px] leading-[14px] text-amber-ink"
          title={row.swap === 'panel' ? 'A panel: opened and closed' : 'One of several alternates'}
        >
          {row.swap === 'panel' ? 'panel' : 'alt'}
        </span>
      )}
      {overrides > 0 && (
        <span
          aria-hidden
          className="shrink-0 rounded-full border border-reed px-1 font-mono text-[10px] leading-[14px] text-reed"
          title={`${overrides} values from breakpoints hold here`}
        >
          {overrides}
        </span>
      )}
      {past && (
        <span aria-hidden className="shrink-0 font-mono text-[11px] text-rust" title={`Stands ${past} outside the viewport here`}>
          {past === 'wholly' ? '↛' : '⇥'}
        </span>
      )}
      {locked && (
        <span aria-hidden className="shrink-0 text-[10px] text-muted" title="Locked">
          ⚿
        </span>
      )}
      <span aria-hidden className="ml-auto pl-1 font-mono text-[11px] text-muted">
        {tag}
      </span>
    </li>
  );
});

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
