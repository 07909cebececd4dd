'use client';

import type { Panel } from '@/core/document';
import { isOver, openersOf, PANEL_KINDS } from '@/core/document';
import { steadyPage, useSession } from '../state/store';
import { BUTTON, SELECT } from '../theme/controls';
import { select } from '../view/actions';
import { changePanel, noPanel, showOpen } from './panels';

/** What a panel is, how it is closed and what holds still behind it, each to be changed. */
export function PanelFields({ id, panel }: { id: string; panel: Panel }) {
  const page = useSession(steadyPage);
  const isOpen = useSession((session) => session.slice.open?.includes(id) ?? false);
  const buttons = openersOf(page, page.elements[id]!);
  return (
    <div>
      <p className="m-0 flex items-center gap-1.5 pb-1">
        {isOver(panel) ? (
          <select
            aria-label="Kind of panel"
            className={SELECT}
            value={panel.kind}
            onChange={(event) => changePanel(id, { kind: event.target.value as Panel['kind'] })}
          >
            {PANEL_KINDS.filter((kind) => kind !== 'disclosure').map((kind) => (
              <option key={kind}>{kind}</option>
            ))}
          </select>
        ) : (
          <span>Disclosure</span>
        )}
        <button
          type="button"
          aria-pressed={isOpen}
          className={`${BUTTON} ml-auto ${isOpen ? 'border-reed bg-reed-tint' : ''}`}
          onClick={() => showOpen(id, !isOpen)}
        >
          {isOpen ? 'Shown open' : 'Show it open'}
        </button>
      </p>
      {isOver(panel) && (
        <>
          <Tick label="The page behind holds still" isOn={panel.locks} change={(locks) => changePanel(id, { locks })} />
          <Tick label="A press outside closes it" isOn={panel.outside} change={(outside) => changePanel(id, { outside })} />
          <Tick label="A link in it closes it" isOn={panel.links} change={(links) => changePanel(id, { links })} />
          {panel.edge && (
            <Tick label="It slides in from its edge" isOn={panel.slides} change={(slides) => changePanel(id, { slides })} />
          )}
          <p className="m-0 pt-1 text-xs text-muted">
            {buttons.length === 0 ? 'Nothing opens or closes it yet.' : 'Opened and closed by '}
            {buttons.map(({ id: node, name }, i) => (
              <span key={node}>
                {i > 0 && ', '}
                <button type="button" className="border-0 bg-transparent p-0 text-reed underline" onClick={() => select([node])}>
                  {name}
                </button>
              </span>
            ))}
            {buttons.length > 0 && '; '}
            {buttons.length > 0 && 'Escape always closes it.'}
          </p>
        </>
      )}
      <button type="button" className={`${BUTTON} mt-1 text-xs`} onClick={() => noPanel(id)}>
        Part of the page again
      </button>
    </div>
  );
}

export function Tick({
  label,
  isOn,
  change,
}: {
  label: string;
  isOn: boolean | undefined;
  change: (on: true | undefined) => void;
}) {
  return (
    <label className="flex items-center gap-1.5 py-px">
      <input
        type="checkbox"
        className="accent-reed"
        checked={isOn === true}
        onChange={(event) => change(event.target.checked || undefined)}
      />
      {label}
    </label>
  );
}
