'use client';

import type { Bind, List } from '@/core/document';
import { ROWS_SHOWN, sampleOf, tableOf } from '@/core/document';
import { feedable } from '@/core/plans';
import { shownProject, steadyPage, steadyProject, useSession } from '../state/store';
import { BUTTON, SELECT } from '../theme/controls';
import { select } from '../view/actions';
import { changeList, holdsUses, listAround, makeList, noList } from './lists';

/** Of a list, or of what stands in a row of one: the table it is fed from, the set that shows, and what feeds what. */
export function ListBox({ id }: { id: string }) {
  const project = useSession(steadyProject);
  const page = useSession(steadyPage);
  const around = listAround(page, id);
  if (!around)
    return holdsUses(page, id) ? (
      <div className="contents text-xs">
        <button
          type="button"
          className={BUTTON}
          onClick={() => makeList(id)}
          title="What differs from item to item comes from a table"
        >
          Make a list …
        </button>
      </div>
    ) : null;
  const { list } = around;
  const table = tableOf(project, list);
  const open = () => useSession.setState({ table: { id: list.table, set: list.set } });
  return (
    <section aria-label="List" className="min-w-0 basis-full rounded-[4px] border border-line-strong px-2.5 py-1.5">
      <p className="m-0 flex items-baseline gap-1.5 pb-1">
        <span className="text-muted">{around.row === undefined ? 'Rows of' : `Row ${around.row + 1} of`}</span>
        {around.row === undefined ? (
          <b className="min-w-0 truncate">{table?.name ?? 'a table that has gone'}</b>
        ) : (
          <button type="button" className={`${BUTTON} min-w-0 truncate text-xs`} onClick={() => select([around.id])}>
            {page.elements[around.id]!.name}
          </button>
        )}
        {table && (
          <button type="button" className={`${BUTTON} ml-auto shrink-0 text-xs`} onClick={open}>
            Edit the table
          </button>
        )}
      </p>
      {table && <SampleChoice id={around.id} list={list} />}
      {around.row === undefined && <Feeding id={id} list={list} />}
    </section>
  );
}

/** Which set of rows shows. */
function SampleChoice({ id, list }: { id: string; list: List }) {
  const project = useSession(shownProject);
  const table = tableOf(project, list);
  if (!table) return null;
  const shown = sampleOf(table, list.set);
  return (
    <label className="flex items-center gap-2 pb-1">
      <span className="text-muted">Shows</span>
      <select
        className={`${SELECT} min-w-0 flex-1`}
        value={shown.id}
        onChange={({ target }) => changeList(id, { ...list, set: target.value })}
      >
        {table.sets.map((set) => (
          <option key={set.id} value={set.id}>
            {set.name}, {set.rows.length} {set.rows.length === 1 ? 'row' : 'rows'}
          </option>
        ))}
      </select>
    </label>
  );
}

const without = (binds: readonly Bind[], place: string, to: string) =>
  binds.filter((one) => one.place !== place || one.to !== to);

function Feeding({ id, list }: { id: string; list: List }) {
  const project = useSession(steadyProject);
  const table = tableOf(project, list);
  const rows = table ? sampleOf(table, list.set).rows.length : 0;
  const most = list.most ?? ROWS_SHOWN;
  const feed = (place: string, to: string, field: string) => {
    const others = without(list.binds, place, to);
    const before = list.binds.find((one) => one.place === place && one.to === to);
    changeList(id, { ...list, binds: field === '' ? others : [...others, { ...before, place, to, field }] });
  };
  const hide = (bind: Bind, hides: boolean) => {
    const { hides: _, ...bare } = bind;
    changeList(id, {
      ...list,
      binds: list.binds.map((one) => (one === bind ? { ...bare, ...(hides && { hides: true }) } : one)),
    });
  };
  return (
    <>
      {rows > most && (
        <p className="m-0 pb-1 text-muted">
          {most} of {rows} rows show.
        </p>
      )}
      <ul aria-label="What is fed" className="m-0 list-none p-0">
        {feedable(project, list).map(({ place, to, name }) => {
          const bind = list.binds.find((one) => one.place === place && one.to === to);
          const isGone = bind && table && !table.fields.some((field) => field.id === bind.field);
          return (
            <li key={`${place} ${to}`} className="flex items-center gap-1.5 py-px">
              <span className="min-w-0 flex-1 truncate" title={name}>
                {name}
              </span>
              <select
                aria-label={`What feeds ${name}`}
                className={`${SELECT} w-28 ${isGone ? 'text-rust' : ''}`}
                value={bind?.field ?? ''}
                onChange={({ target }) => feed(place, to, target.value)}
              >
                <option value="">the part’s own</option>
                {isGone && <option value={bind.field}>a column that has gone</option>}
                {table?.fields.map((field) => (
                  <option key={field.id} value={field.id}>
                    {field.name}
                  </option>
                ))}
              </select>
              {place === '' ? (
                <span className="w-4 shrink-0" />
              ) : (
                <input
                  type="checkbox"
                  className="w-4 shrink-0 accent-reed"
                  aria-label={`Leave ${name} out where it is empty`}
                  title="Left out where it is empty"
                  disabled={!bind}
                  checked={bind?.hides === true}
                  onChange={({ target }) => bind && hide(bind, target.checked)}
                />
              )}
            </li>
          );
        })}
      </ul>
      <p className="m-0 pt-0.5 pb-1 text-xs text-muted">Ticked: left out where the cell is empty.</p>
      <div className="flex items-center gap-2 text-xs">
        <label className="flex items-center gap-1">
          <span className="text-muted">At most</span>
          <input
            type="number"
            min={1}
            max={200}
            aria-label="Rows shown at most"
            className="w-14 rounded-[3px] border border-edge bg-well px-1"
            defaultValue={most}
            key={most}
            onBlur={({ target }) => {
              const wanted = Number(target.value);
              if (wanted !== most && !changeList(id, { ...list, most: wanted })) target.value = String(most);
            }}
            onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
          />
          <span className="text-muted">rows</span>
        </label>
        <button type="button" className={`${BUTTON} ml-auto`} onClick={() => noList(id)}>
          No list longer …
        </button>
      </div>
    </>
  );
}
