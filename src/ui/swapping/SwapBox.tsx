'use client';

import { useKeyHint } from '../input/key-choices';
import { alternatesWith, rowPlace } from '@/core/document';
import { bandAt, choiceAt } from '@/core/breakpoints';
import { atBase } from '@/core/document';
import { steadyBandStart, steadyPage, steadyProject, useSession } from '../state/store';
import { BUTTON } from '../theme/controls';
import { select } from '../view/actions';
import { makeAlternates, noAlternate, setLater } from './alternates';
import { PanelFields } from './PanelFields';
import { askPanel } from './panels';
import { Rehearsed } from './Rehearsed';

/** What an element is besides itself: one of several alternates, a panel; or how it becomes one. */
export function SwapBox({ id }: { id: string }) {
  const hint = useKeyHint('alternates');
  const project = useSession(steadyProject);
  const page = useSession(steadyPage);
  const slice = useSession((session) => session.slice);
  const from = useSession(steadyBandStart);
  const element = page.elements[id];
  // Rows are there because their table has them: none can be swapped or opened by itself.
  if (!element || id === page.root || rowPlace(page, id)?.place === '') return null;
  const set = alternatesWith(page, element);
  const here = set && choiceAt(project.breakpoints, set.choice, atBase(set), { ...slice, width: from });
  const { name: band } = bandAt(project, from, slice);
  if (!set && !element.panel)
    return (
      <div className="contents text-xs" role="group" aria-label="Swap">
        <button
          type="button"
          className={BUTTON}
          onClick={makeAlternates}
          title={`A copy that shows in its place at the write target${hint}`}
        >
          Another here …
        </button>
        <button type="button" className={BUTTON} onClick={() => askPanel(id)} title="Closed until a button opens it">
          Make a panel …
        </button>
      </div>
    );
  return (
    <section aria-label="Swap" className="min-w-0 basis-full rounded-[4px] border border-line-strong px-2.5 py-1.5">
      {set && (
        <>
          <p className="m-0 pb-1">
            <span className="text-muted">One of {set.members.length}; in </span>
            {band} <span className="text-muted">shows</span> <b>{page.elements[here!]?.name}</b>
          </p>
          <ul aria-label="Alternates" className="m-0 list-none p-0">
            {set.members.map((member) => (
              <li key={member} className="flex items-center gap-1.5 py-px">
                <button
                  type="button"
                  aria-pressed={member === id}
                  className={`min-w-0 flex-1 truncate rounded-[3px] border px-1.5 text-left ${member === id ? 'border-reed bg-reed-tint' : 'border-line bg-sheet hover:bg-paper'}`}
                  onClick={() => select([member])}
                >
                  {page.elements[member]!.name}
                </button>
                <span className="w-14 shrink-0 text-right text-xs text-muted">
                  {member === here
                    ? 'here'
                    : [...set.choice.values()].includes(member) || member === atBase(set)
                      ? 'elsewhere'
                      : 'nowhere'}
                </span>
              </li>
            ))}
          </ul>
          <label
            className="flex items-center gap-1.5 py-1"
            title="Heavy ones and those with fields: built by a few lines of script, once"
          >
            <input
              type="checkbox"
              className="accent-reed"
              checked={element.alternate?.later === true}
              onChange={(event) => setLater(id, event.target.checked)}
            />
            Built only when first shown
          </label>
          {set.members.some((member) => page.elements[member]!.alternate?.later) && <Rehearsed />}
          <div className="flex flex-wrap gap-1 text-xs">
            <button type="button" className={BUTTON} onClick={makeAlternates}>
              Another here …
            </button>
            <button type="button" className={BUTTON} onClick={() => noAlternate(id)}>
              No alternate longer
            </button>
          </div>
        </>
      )}
      {element.panel && <PanelFields id={id} panel={element.panel} />}
      {set && !element.panel && (
        <button type="button" className={`${BUTTON} mt-1 text-xs`} onClick={() => askPanel(id)}>
          Make a panel …
        </button>
      )}
    </section>
  );
}
