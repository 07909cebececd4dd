'use client';

import { useMemo, useState } from 'react';
import { BASE, describeInterval, intersect } from '@/core/breakpoints';
import type { Edit } from '@/core/edits';
import { describeTarget } from '@/core/edits';
import type { ColumnGrid } from '@/core/document';
import { FIRST_GRID } from '@/core/document';
import { gridAt, gridTroubles, layColumns, widthsOfTroubles } from '@/core/grid';
import { key } from '../view/actions';
import { useKeyHint } from '../input/key-choices';
import { commit, commitOrReport } from '../editing/edits';
import { shownPage, shownProject, useSession, WIDTH_MIN, writeTarget, useMarks } from '../state/store';

import { BUTTON, SIGN_BUTTON } from '../theme/controls';
import { GridFields } from './GridFields';

/** Narrower than this no page is looked at. */
const SEEN = [{ from: WIDTH_MIN, below: Infinity }];

/** The column grid of the project or of this page, place by place; what it comes to here; grids kept under a name. */
export function ColumnsPanel() {
  const hint = useKeyHint('mark-columns');
  const project = useSession(shownProject);
  const page = useSession(shownPage);
  const width = useSession((session) => session.width);
  const slice = useSession((session) => session.slice);
  const target = useSession(writeTarget);
  const shown = useMarks((marks) => marks.columns);
  const [own, setOwn] = useState(false);
  const [name, setName] = useState('');
  const grids = own ? page.columns : project.columns;
  const at = target;
  const holding = gridAt(project, page, { ...slice, width });
  const here = grids?.[at];
  const troubles = useMemo(() => gridTroubles(project, page, slice), [project, page, slice]);
  const laid = holding && layColumns(holding.grid, width);
  const edit = (grid: ColumnGrid | null): Edit => ({ type: 'setColumns', page: own ? page.id : null, at, grid });
  const write = (grid: ColumnGrid) => commit(edit(grid));
  const words = (kind: 'tight' | 'does-not-fit') =>
    intersect(widthsOfTroubles(troubles, kind), SEEN).map(describeInterval).join(', ');
  return (
    <div className="part min-h-0 flex-1 overflow-auto px-3.5 pb-4" data-testid="columns-panel">
      <div className="flex items-center justify-between py-2">
        <b>Column grid</b>
        <label className="flex items-center gap-1">
          <input
            type="checkbox"
            className="accent-reed"
            checked={shown}
            onChange={(event) => useMarks.setState({ columns: event.target.checked })}
          />
          on the stage{hint}
        </label>
      </div>
      <p className="m-0 pb-2 font-mono text-xs" data-testid="columns-here">
        {laid && holding
          ? `At ${width}: ${laid.count} columns of ${Math.round(laid.columnWidth * 100) / 100} px, body ${Math.round(laid.body * 100) / 100} px`
          : `At ${width}: no columns`}
      </p>
      {holding && !laid?.fits && <p className="m-0 pb-1 text-rust">These columns don’t fit at {width}.</p>}
      {words('does-not-fit') && <p className="m-0 pb-1 text-xs text-rust">No room for the grid at {words('does-not-fit')}.</p>}
      {words('tight') && <p className="m-0 pb-2 text-xs text-rust">Columns thinner than their least at {words('tight')}.</p>}
      <fieldset className="m-0 mb-2 flex gap-3 border-0 p-0">
        <legend className="sr-only">Whose grid</legend>
        {(
          [
            [false, 'All pages'],
            [true, `Only ${page.name}`],
          ] as const
        ).map(([value, label]) => (
          <label key={label} className="flex min-w-0 items-center gap-1">
            <input type="radio" name="whose" className="accent-reed" checked={own === value} onChange={() => setOwn(value)} />
            <span className="truncate">{label}</span>
          </label>
        ))}
      </fieldset>
      <h3 className="m-0 flex items-center justify-between pb-1 font-semibold">
        At {describeTarget(project, at)}
        {here && (
          <button type="button" className={BUTTON} onClick={() => commitOrReport(edit(null))}>
            Take away
          </button>
        )}
      </h3>
      {here ? (
        <GridFields key={`${own} ${at}`} grid={here} write={write} />
      ) : (
        <p className="m-0 pb-2 text-muted">
          {holding ? `Carried on from ${describeTarget(project, holding.at)}. ` : 'None yet. '}
          <button type="button" className={BUTTON} onClick={() => commitOrReport(edit(holding?.grid ?? FIRST_GRID))}>
            {holding ? 'Give it its own' : 'Choose columns'}
          </button>
        </p>
      )}
      <ul className="m-0 list-none p-0 pb-2" aria-label="Grids by place">
        {[BASE, ...project.breakpoints.map(({ id }) => id)].map((one) => {
          const grid = grids?.[one];
          return (
            <li key={one} className={`flex justify-between border-t border-line py-0.5 ${one === at ? 'font-semibold' : ''}`}>
              <span>{one === BASE ? 'Base' : describeTarget(project, one)}</span>
              <span className="font-mono text-muted">
                {grid ? `${grid.columns} · ${grid.gutter} · ${grid.margin}` : one === BASE ? 'none' : 'carried on'}
              </span>
            </li>
          );
        })}
      </ul>
      <section aria-label="Named grids">
        <h3 className="m-0 pb-1 font-semibold">Named grids</h3>
        {project.grids.length === 0 && <p className="m-0 pb-1 text-muted">None kept yet.</p>}
        {project.grids.map((grid) => (
          <div key={grid.id} className="flex items-center gap-1 pb-1">
            <span className="min-w-0 flex-1 truncate">
              {grid.name} <span className="font-mono text-muted">{grid.grid.columns}</span>
            </span>
            <button type="button" className={BUTTON} onClick={() => commitOrReport(edit(grid.grid))}>
              Lay here
            </button>
            <button
              type="button"
              className={SIGN_BUTTON}
              aria-label={`Forget grid ${grid.name}`}
              onClick={() => commitOrReport({ type: 'removeGrid', id: grid.id })}
            >
              ×
            </button>
          </div>
        ))}
        {holding && (
          <form
            className="flex gap-1"
            onSubmit={(event) => {
              event.preventDefault();
              if (commitOrReport({ type: 'saveGrid', grid: { id: `n${key()}`, name: name.trim(), grid: holding.grid } }))
                setName('');
            }}
          >
            <input
              aria-label="Name for the grid here"
              placeholder="Name for the grid here"
              maxLength={80}
              className="h-[22px] min-w-0 flex-1 rounded-[3px] border border-line-strong bg-well px-1.5"
              value={name}
              onChange={(event) => setName(event.target.value)}
            />
            <button type="submit" className={BUTTON} disabled={name.trim() === ''}>
              Keep
            </button>
          </form>
        )}
      </section>
    </div>
  );
}
