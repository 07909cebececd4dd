'use client';

import { useState } from 'react';
import { shapeOf, topOf } from '@/core/document';
import type { PaletteEntry, Spot } from '@/core/structure';
import { PALETTE } from '@/core/structure';
import { followPointer } from '../input/follow-pointer';
import { insertBlock, insertEntry, keepAsBlock } from '../clipboard/clipboard';
import { commitOrReport } from '../editing/edits';
import { insertPart } from '../parts/part-actions';
import { useSession } from '../state/store';
import { carry, clearDragging, letGo, pickUp } from '../stage/dragging';
import { inPage } from '../stage/frame-link';
import { BUTTON, SIGN_BUTTON } from '../theme/controls';
import { PaletteSign } from './PaletteSign';

const ENTRY =
  'flex h-6 min-w-0 touch-none items-center gap-1.5 rounded-[3px] border border-line bg-well px-1.5 text-left text-xs hover:border-reed';

let dragged = false;

/** Drags something new onto the page; where it never left the palette, a press puts it in by itself. */
function dragIn(event: React.PointerEvent<HTMLElement>, load: Parameters<typeof pickUp>[0]): void {
  let begun = false;
  followPointer(
    event,
    ({ x, y, alt }) => {
      if (!begun) pickUp(load);
      begun = true;
      const at = inPage(x, y);
      if (at) carry(at.x, at.y, alt);
    },
    (wasDrag) => {
      // The press that ends a drag still counts as one on the button.
      dragged = wasDrag;
      setTimeout(() => (dragged = false), 0);
      if (wasDrag) letGo();
      else clearDragging();
    },
    clearDragging,
  );
}

/** Building blocks of HTML, and blocks of one's own: a press puts one in, a drag says where. */
export function Palette() {
  const blocks = useSession((session) => session.project.blocks);
  const parts = useSession((session) => session.project.parts);
  const [query, setQuery] = useState('');
  const wanted = (label: string) => label.toLowerCase().includes(query.trim().toLowerCase());
  const load = (entry: PaletteEntry) => ({
    ids: [],
    shapes: [entry.sketch],
    name: entry.label,
    put: (spot: Spot) => insertEntry(entry, spot),
  });
  return (
    <section aria-label="Building blocks" className="max-h-[46%] shrink-0 overflow-auto border-b border-line px-3 pb-2">
      <input
        aria-label="Find a building block"
        placeholder="Find a building block"
        className="mb-1.5 h-[22px] w-full rounded-[3px] border border-line-strong bg-well px-1.5"
        value={query}
        autoFocus
        onFocus={(event) => event.target.select()}
        onChange={(event) => setQuery(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === 'Escape') useSession.setState({ paletteOpen: false });
          if (event.key !== 'Enter') return;
          const entry = PALETTE.find(({ label }) => wanted(label));
          if (entry) insertEntry(entry);
          event.currentTarget.select();
        }}
      />
      <div className="grid grid-cols-2 gap-1">
        {PALETTE.filter(({ label }) => wanted(label)).map((entry) => (
          <button
            key={entry.id}
            type="button"
            data-entry={entry.id}
            title={`${entry.label}: ${entry.about}. Drag it to its place, or press to put it into what is selected.`}
            className={ENTRY}
            onPointerDown={(event) => dragIn(event, load(entry))}
            onClick={() => !dragged && insertEntry(entry)}
          >
            <PaletteSign id={entry.id} />
            <span className="truncate">{entry.label}</span>
          </button>
        ))}
      </div>
      {parts.some(({ name }) => wanted(name)) && <h3 className="m-0 pt-2 pb-1 font-semibold text-muted">Parts</h3>}
      {parts
        .filter(({ name }) => wanted(name))
        .map((part) => (
          <button
            key={part.id}
            type="button"
            data-part={part.id}
            title={`A use of ${part.name}: it follows the part. Drag it to its place, or press to put it into what is selected.`}
            className={`${ENTRY} mb-1 w-full`}
            onPointerDown={(event) => {
              const top = topOf(part)!;
              const shapes = [shapeOf(part.elements, top.id)];
              dragIn(event, { ids: [], shapes, name: part.name, put: (spot) => insertPart(part.id, spot) });
            }}
            onClick={() => !dragged && insertPart(part.id)}
          >
            <span className="truncate">{part.name}</span>
          </button>
        ))}
      <h3 className="m-0 flex items-center justify-between pt-2 pb-1 font-semibold text-muted">
        Your blocks
        <button type="button" className={BUTTON} onClick={keepAsBlock}>
          Keep selection
        </button>
      </h3>
      {blocks.length === 0 && <p className="m-0 text-xs text-muted">None yet. A block keeps its overrides.</p>}
      {blocks
        .filter(({ name }) => wanted(name))
        .map(({ id, name, elements }) => (
          <div key={id} className="flex items-center gap-1 pb-1">
            <button
              type="button"
              data-block={id}
              className={`${ENTRY} flex-1`}
              onPointerDown={(event) =>
                dragIn(event, {
                  ids: [],
                  shapes: [shapeOf(Object.fromEntries(elements.map((one) => [one.id, one])), elements[0]!.id)],
                  name,
                  put: (spot) => insertBlock(id, spot),
                })
              }
              onClick={() => !dragged && insertBlock(id)}
            >
              <span className="truncate">{name}</span>
              <span className="ml-auto font-mono text-muted">{elements.length}</span>
            </button>
            <RenameBlock id={id} name={name} />
            <button
              type="button"
              className={SIGN_BUTTON}
              aria-label={`Remove block ${name}`}
              onClick={() => commitOrReport({ type: 'removeBlock', id })}
            >
              ×
            </button>
          </div>
        ))}
    </section>
  );
}

function RenameBlock({ id, name }: { id: string; name: string }) {
  const [text, setText] = useState<string>();
  const done = () => {
    if (text !== undefined && text.trim() !== name) commitOrReport({ type: 'renameBlock', id, name: text.trim() });
    setText(undefined);
  };
  return text === undefined ? (
    <button type="button" className={SIGN_BUTTON} aria-label={`Rename block ${name}`} onClick={() => setText(name)}>
      ✎
    </button>
  ) : (
    <input
      autoFocus
      aria-label={`New name of block ${name}`}
      className="h-6 w-24 rounded-[3px] border border-reed bg-well px-1"
      value={text}
      maxLength={80}
      onChange={(event) => setText(event.target.value)}
      onBlur={done}
      onKeyDown={(event) => {
        if (event.key === 'Enter') done();
        if (event.key === 'Escape') setText(undefined);
      }}
    />
  );
}
