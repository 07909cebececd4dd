'use client';

import { useState } from 'react';
import type { DeviceSet } from '@/core/devices';
import { commit, commitOrReport } from '../editing/edits';
import { shownProject, useSession, useLineup } from '../state/store';
import { showSet } from './line-up';
import { saveAsSet } from './sets';
import { BUTTON, SIGN_BUTTON } from '../theme/controls';

/** The named sets: shown, renamed, made to hold what is in the line-up now, forgotten. */
export function DeviceSets() {
  const sets = useSession((session) => shownProject(session).deviceSets);
  const setId = useLineup((lineup) => lineup.setId);
  return (
    <section aria-label="Sets of devices" className="pb-2">
      <h3 className="m-0 pb-1 text-[12px] font-semibold text-muted">Sets</h3>
      <ul className="m-0 list-none p-0">
        {sets.map((set) => (
          <SetRow key={`${set.id} ${set.name}`} set={set} shown={set.id === setId} />
        ))}
      </ul>
      <button type="button" className={`${BUTTON} mt-1`} onClick={saveAsSet}>
        Keep this line-up as a set
      </button>
    </section>
  );
}

function SetRow({ set, shown }: { readonly set: DeviceSet; readonly shown: boolean }) {
  const [name, setName] = useState(set.name);
  const [problem, setProblem] = useState<string>();
  const places = useLineup((lineup) => lineup.places);
  const rename = () => {
    if (name.trim() === set.name) return setProblem(undefined);
    const wrong =
      name.trim() === '' ? "A name can't be empty." : commit({ type: 'saveDeviceSet', set: { ...set, name: name.trim() } });
    setProblem(wrong);
    if (wrong) setName(set.name);
  };
  return (
    <li className="py-px">
      <div className="flex items-center gap-1">
        <input
          aria-label={`Name of the set ${set.name}`}
          className={`h-[24px] min-w-0 flex-1 rounded-[3px] border border-transparent bg-transparent px-1 hover:border-edge focus:border-edge focus:bg-well ${shown ? 'font-semibold' : ''}`}
          value={name}
          onChange={(event) => setName(event.target.value)}
          onBlur={rename}
          onKeyDown={(event) => event.key === 'Enter' && rename()}
        />
        <span className="font-mono text-[11px] text-muted">{set.devices.length}</span>
        <button type="button" className={BUTTON} onClick={() => showSet(set.id)}>
          Show
        </button>
        <button
          type="button"
          className={BUTTON}
          title="The set holds what is in the line-up now"
          disabled={places.length === 0}
          onClick={() =>
            commitOrReport({ type: 'saveDeviceSet', set: { ...set, devices: places.map(({ key: _, ...standing }) => standing) } })
          }
        >
          Update
        </button>
        <button
          type="button"
          className={SIGN_BUTTON}
          aria-label={`Forget the set ${set.name}`}
          title="Forget"
          onClick={() => commitOrReport({ type: 'removeDeviceSet', id: set.id })}
        >
          <span aria-hidden>✕</span>
        </button>
      </div>
      {problem && (
        <p role="alert" className="m-0 text-xs text-rust">
          {problem}
        </p>
      )}
    </li>
  );
}
