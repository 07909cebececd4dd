'use client';

import { useMemo, useState } from 'react';
import { kindOf, KINDS } from '@/core/document';
import { carriersOf } from '@/core/edits';
import { planCarry, planCreateShared, planDeleteShared, planDetach } from '@/core/plans';
import { key } from '../session/actions';
import { commitOrReport } from '../session/edits';
import { carryOut, propose } from '../session/proposal';
import { steadyPage, steadyProject, useSession } from '../session/store';
import { Carriers } from './Carriers';
import { OwnerValues } from './OwnerValues';
import { Sheets } from './Sheets';

const button = 'rounded-[4px] border border-line-strong bg-sheet px-2 py-0.5 hover:bg-paper disabled:opacity-50';
const small =
  'size-5 shrink-0 rounded-[3px] border-0 bg-transparent text-muted hover:bg-paper hover:text-ink disabled:opacity-30';

/** What many elements have in common: shared styles, the defaults of kinds, style sheets from elsewhere. */
export function StylesPanel() {
  const project = useSession(steadyProject);
  const page = useSession(steadyPage);
  const selection = useSession((session) => session.selection);
  const [open, setOpen] = useState<string>();
  const chosen = selection.flatMap((id) => page.elements[id] ?? []);
  const first = chosen[chosen.length - 1];
  const kind = first && kindOf(first);
  const counts = useMemo(
    () => new Map(project.shared.map(({ id }) => [id, carriersOf(project, id).length])),
    [project],
  );
  const toggle = (id: string) => setOpen(open === id ? undefined : id);
  return (
    <div className="part min-h-0 flex-1 overflow-auto pb-4" data-testid="styles">
      <section aria-label="Shared styles" className="py-1">
        <h3 className="m-0 flex items-center justify-between px-3.5 py-1 font-semibold text-muted">
          Shared styles <span className="font-normal">later ones win</span>
        </h3>
        <CreateShared element={chosen.length === 1 ? first?.id : undefined} name={first?.name ?? ''} />
        <ol className="m-0 list-none p-0">
          {project.shared.map((style, i) => {
            const carried = chosen.filter(({ shared }) => shared.includes(style.id));
            return (
              <li key={style.id} className="border-b border-line" data-shared={style.id}>
                <div className="flex min-h-7 items-center gap-1 px-3.5">
                  <button
                    type="button"
                    aria-expanded={open === style.id}
                    className="min-w-0 flex-1 truncate rounded-[3px] border-0 bg-transparent px-1 text-left hover:bg-paper"
                    onClick={() => toggle(style.id)}
                  >
                    <b className={carried.length > 0 ? 'text-reed' : ''}>{style.name}</b>{' '}
                    <span className="text-muted">
                      {counts.get(style.id) === 1 ? '1 carries it' : `${counts.get(style.id)} carry it`}
                    </span>
                  </button>
                  <button
                    type="button"
                    className={small}
                    aria-label={`${style.name}: weaker`}
                    disabled={i === 0}
                    onClick={() => commitOrReport({ type: 'changeShared', id: style.id, index: i - 1 })}
                  >
                    ↑
                  </button>
                  <button
                    type="button"
                    className={small}
                    aria-label={`${style.name}: stronger`}
                    disabled={i === project.shared.length - 1}
                    onClick={() => commitOrReport({ type: 'changeShared', id: style.id, index: i + 1 })}
                  >
                    ↓
                  </button>
                </div>
                {open === style.id && (
                  <div className="bg-paper px-3.5 py-2">
                    <div className="flex flex-wrap gap-1.5 pb-2">
                      <button
                        type="button"
                        className={button}
                        disabled={carried.length === chosen.length}
                        onClick={() =>
                          propose((now, slice) =>
                            planCarry(
                              now,
                              slice,
                              chosen.map(({ id }) => id),
                              style.id,
                            ),
                          )
                        }
                      >
                        Apply to the selection
                      </button>
                      <button
                        type="button"
                        className={button}
                        disabled={carried.length === 0}
                        onClick={() =>
                          propose((now, slice) =>
                            planDetach(
                              now,
                              slice,
                              chosen.map(({ id }) => id),
                              style.id,
                              true,
                            ),
                          )
                        }
                      >
                        Detach, keep the look
                      </button>
                      <button
                        type="button"
                        className={button}
                        disabled={carried.length === 0}
                        onClick={() =>
                          propose((now, slice) =>
                            planDetach(
                              now,
                              slice,
                              chosen.map(({ id }) => id),
                              style.id,
                              false,
                            ),
                          )
                        }
                      >
                        Detach
                      </button>
                      <button
                        type="button"
                        className={button}
                        onClick={() => propose((now, slice) => planDeleteShared(now, slice, style.id, true))}
                      >
                        Delete, keep the looks
                      </button>
                      <button
                        type="button"
                        className={`${button} text-rust`}
                        onClick={() => propose((now, slice) => planDeleteShared(now, slice, style.id, false))}
                      >
                        Delete
                      </button>
                    </div>
                    <Rename id={style.id} name={style.name} />
                    <OwnerValues owner={style.id} label={style.name} />
                    <Carriers project={project} owner={style.id} />
                  </div>
                )}
              </li>
            );
          })}
        </ol>
      </section>
      <section aria-label="Kind defaults" className="border-t border-line py-1">
        <h3 className="m-0 px-3.5 py-1 font-semibold text-muted">Kind defaults</h3>
        <ul className="m-0 list-none p-0">
          {KINDS.map(({ id, many }) => {
            const set = Object.values(project.kinds[id] ?? {}).reduce((sum, one) => sum + Object.keys(one).length, 0);
            return (
              <li key={id} className="border-b border-line" data-kind={id}>
                <button
                  type="button"
                  aria-expanded={open === id}
                  className="flex h-7 w-full items-center gap-2 border-0 bg-transparent px-4 text-left hover:bg-paper"
                  onClick={() => toggle(id)}
                >
                  <b className={kind?.id === id ? 'text-reed' : ''}>All {many}</b>
                  {set > 0 && <span className="text-muted">{set} values</span>}
                </button>
                {open === id && (
                  <div className="bg-paper px-3.5 py-2">
                    <OwnerValues owner={id} label={`All ${many}`} />
                    <Carriers project={project} owner={id} />
                  </div>
                )}
              </li>
            );
          })}
        </ul>
      </section>
      <Sheets />
    </div>
  );
}

function CreateShared({ element, name }: { element: string | undefined; name: string }) {
  const [text, setText] = useState('');
  const make = () => {
    const wanted = text.trim() || name;
    if (element && carryOut((now) => planCreateShared(now, element, wanted, `s${key()}`))) setText('');
  };
  return (
    <form
      className="flex gap-1.5 px-3.5 pb-2"
      onSubmit={(event) => {
        event.preventDefault();
        make();
      }}
    >
      <input
        aria-label="Name of a new shared style"
        placeholder={element ? `New style from ${name}` : 'Select one element first'}
        disabled={!element}
        maxLength={80}
        className="h-[22px] min-w-0 flex-1 rounded-[3px] border border-line-strong bg-well px-1.5"
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <button type="submit" className={button} disabled={!element}>
        Create
      </button>
    </form>
  );
}

function Rename({ id, name }: { id: string; name: string }) {
  const [text, setText] = useState(name);
  const finish = () => {
    if (text.trim() === name) return;
    if (text.trim() === '' || !commitOrReport({ type: 'changeShared', id, name: text.trim() })) setText(name);
  };
  return (
    <label className="flex items-center gap-2 pb-1.5">
      Name
      <input
        className="h-[22px] min-w-0 flex-1 rounded-[3px] border border-line-strong bg-well px-1.5"
        value={text}
        maxLength={80}
        onChange={(event) => setText(event.target.value)}
        onBlur={finish}
        onKeyDown={(event) => event.key === 'Enter' && finish()}
      />
    </label>
  );
}
