'use client';

import { useState } from 'react';
import { kindOf, KINDS, splitPseudo } from '@/core/document';
import { planCreateShared } from '@/core/plans';
import { key } from '../view/actions';
import { carryOut } from '../editing/proposal';
import { ownerNow, steadyPage, steadyProject, useSession } from '../state/store';
import { BUTTON } from '../theme/controls';
import { Carriers } from './Carriers';
import { Fonts } from './Fonts';
import { OwnerValues } from './OwnerValues';
import { SharedEntry } from './SharedEntry';
import { PageSheets } from './PageSheets';
import { Sheets } from './Sheets';

/** What many elements have in common: shared styles, the defaults of kinds, style sheets from elsewhere. */
export function StylesPanel() {
  const project = useSession(steadyProject);
  const page = useSession(steadyPage);
  const selection = useSession((session) => session.selection);
  const [open, setOpen] = useState<string>();
  const chosen = selection.flatMap((id) => page.elements[id] ?? []);
  const first = chosen[chosen.length - 1];
  const kind = first && kindOf(first);
  const toggle = (id: string) => setOpen(open === id ? undefined : id);
  return (
    <div className="part min-h-0 flex-1 overflow-auto pb-4" data-testid="styles">
      <section aria-label="Shared styles" className="py-1">
        <h3 className="m-0 flex items-center justify-between px-3.5 py-1 font-semibold text-muted">
          Shared styles <span className="font-normal">later ones win</span>
        </h3>
        <CreateShared element={chosen.length === 1 ? first?.id : undefined} name={first?.name ?? ''} />
        <ol className="m-0 list-none p-0">
          {project.shared.map((style, i) => (
            <SharedEntry
              key={style.id}
              style={style}
              index={i}
              last={i === project.shared.length - 1}
              chosen={chosen}
              open={open === style.id}
              toggle={() => toggle(style.id)}
            />
          ))}
        </ol>
      </section>
      <section aria-label="Kind defaults" className="border-t border-line py-1">
        <h3 className="m-0 px-3.5 py-1 font-semibold text-muted">Kind defaults</h3>
        <ul className="m-0 list-none p-0">
          {KINDS.map(({ id, many }) => {
            const set = Object.entries(project.kinds)
              .filter(([key]) => splitPseudo(key).id === id)
              .flatMap(([, styles]) => Object.values(styles))
              .reduce((sum, one) => sum + Object.keys(one).length, 0);
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
      <Fonts />
      <PageSheets />
      <Sheets />
    </div>
  );
}

function CreateShared({ element: shown, name }: { element: string | undefined; name: string }) {
  const element = useSession((session) => shown && ownerNow(session, shown));
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
      <button type="submit" className={BUTTON} disabled={!element}>
        Create
      </button>
    </form>
  );
}
