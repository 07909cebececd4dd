'use client';

import { LINEUP_TABS } from '../state/lineup-slice';
import type { LineupTab } from '../state/lineup-slice';
import { MARKS } from '../state/marks-slice';
import { Menu, MenuButton, MenuItem, MenuItems, Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import { KeySign } from '../input/KeySign';
import { toggleMark } from '../marks/marks';
import { shownProject, useSession, useMarks, useLineup } from '../state/store';
import { WritesTo } from '../stage/WritesTo';
import { UseToggle } from '../using/UseToggle';
import { ZoomSelect } from '../stage/ZoomSelect';
import { BUTTON, MENU, MENU_ITEM, PANEL, SELECT } from '../theme/controls';

import { showSet, turn } from '../devices/line-up';
import { ReaderMenu } from './ReaderMenu';
import { saveAsSet } from '../devices/sets';
import { useChosenProperty, useProperties } from './use-chosen-property';

const TAB_NAMES: Readonly<Record<LineupTab, string>> = {
  devices: 'Devices',
  pages: 'All pages',
  crossing: 'Crossing',
  before: 'Since before',
};
const STEPS = [0.2, 0.35, 0.5, 0.75, 1] as const;

/** Where edits go, which way of looking is chosen, and how the frames are shown. */
export function LineUpBar() {
  const tab = useLineup((lineup) => lineup.tab);
  return (
    <div className="shrink-0 border-b border-line bg-sheet">
      <div className="flex min-h-10 flex-wrap items-center gap-x-3 gap-y-1 px-4 py-1">
        <WritesTo />
        <div role="group" aria-label="Ways of looking" className="ml-auto flex min-w-0 flex-wrap gap-1">
          {LINEUP_TABS.map((one) => (
            <button
              key={one}
              type="button"
              aria-pressed={tab === one}
              className={`rounded-[4px] border px-2 py-0.5 ${tab === one ? 'border-reed bg-reed-tint font-semibold' : 'border-transparent bg-transparent text-muted hover:text-ink'}`}
              onClick={() => useLineup.setState({ tab: one })}
            >
              {TAB_NAMES[one]}
            </button>
          ))}
        </div>
        <button type="button" className={BUTTON} onClick={() => useLineup.setState({ sheetOpen: true })}>
          Make a sheet …
        </button>
      </div>
      <div className="flex min-h-9 flex-wrap items-center gap-x-2 gap-y-1 px-4 pb-1.5">
        <SetMenu />
        {tab === 'devices' && <FrameControls />}
        <ReaderMenu />
      </div>
    </div>
  );
}

function SetMenu() {
  const sets = useSession((session) => shownProject(session).deviceSets);
  const setId = useLineup((lineup) => lineup.setId);
  const name = sets.find(({ id }) => id === setId)?.name ?? 'Devices of one’s own';
  return (
    <Menu>
      <MenuButton className={`${BUTTON} max-w-44 truncate`} aria-label={`Set of devices: ${name}. Change`}>
        {name} <span aria-hidden>▾</span>
      </MenuButton>
      <MenuItems anchor="bottom start" className={MENU}>
        {sets.map((set) => (
          <MenuItem key={set.id}>
            <button type="button" className={`${MENU_ITEM} flex justify-between gap-4`} onClick={() => showSet(set.id)}>
              <span className={`truncate ${set.id === setId ? 'font-bold' : ''}`}>{set.name}</span>
              <span className="font-mono text-muted">{set.devices.length}</span>
            </button>
          </MenuItem>
        ))}
        <MenuItem>
          <button
            type="button"
            className={`${MENU_ITEM} border-t border-line`}
            onClick={() => setTimeout(() => useLineup.setState({ devicesOpen: true }), 0)}
          >
            Choose and change devices …
          </button>
        </MenuItem>
        <MenuItem>
          <button type="button" className={MENU_ITEM} onClick={saveAsSet}>
            Keep this line-up as a set
          </button>
        </MenuItem>
      </MenuItems>
    </Menu>
  );
}

function FrameControls() {
  const zoom = useLineup((lineup) => lineup.zoom);
  const shown = useSession((session) => session.zoomShown);
  return (
    <>
      <ZoomSelect
        label="Zoom of all frames"
        zoom={zoom}
        steps={STEPS}
        shown={shown}
        onZoom={(next) => useLineup.setState({ zoom: next })}
      />
      <FramesMenu />
      <MarksMenu />
      <UseToggle />
      <PropertyPicker />
    </>
  );
}

function FramesMenu() {
  const { whole, linked, flow } = useLineup();
  const toggles = [
    ['whole', 'As high as the page', whole],
    ['linked', 'Scroll together, by content', linked],
    ['flow', 'All follow the cursor', flow],
  ] as const;
  return (
    <Popover>
      <PopoverButton className={BUTTON}>Frames</PopoverButton>
      <PopoverPanel anchor="bottom start" className={PANEL}>
        {toggles.map(([id, label, on]) => (
          <label key={id} className="flex items-center gap-2 py-0.5">
            <input type="checkbox" className="accent-reed" checked={on} onChange={() => useLineup.setState({ [id]: !on })} />
            {label} <KeySign command={`device-${id}`} />
          </label>
        ))}
        <button type="button" className={`${BUTTON} mt-1.5 flex w-full items-center gap-2`} onClick={() => turn()}>
          Turn all devices <KeySign command="device-turn-all" />
        </button>
      </PopoverPanel>
    </Popover>
  );
}

function MarksMenu() {
  const marks = useMarks();
  const count = MARKS.filter(({ id }) => marks[id]).length;
  return (
    <Popover>
      <PopoverButton className={BUTTON}>Marks {count > 0 && <span className="font-mono text-reed">{count}</span>}</PopoverButton>
      <PopoverPanel anchor="bottom start" className={PANEL}>
        {MARKS.map(({ id, name }) => (
          <label key={id} className="flex items-center gap-2 py-0.5">
            <input type="checkbox" className="accent-reed" checked={marks[id]} onChange={() => toggleMark(id)} />
            {name} <KeySign command={`mark-${id}`} />
          </label>
        ))}
      </PopoverPanel>
    </Popover>
  );
}

function PropertyPicker() {
  const names = useProperties();
  const chosen = useChosenProperty();
  if (names.length === 0) return null;
  return (
    <label className="flex items-center gap-1 text-muted">
      <span className="sr-only">Value under each frame</span>
      <select
        className={`${SELECT} w-28 font-mono text-[11px]`}
        title="The value that stands under each frame"
        value={chosen}
        onChange={(event) => useLineup.setState({ property: event.target.value })}
      >
        {[...new Set([...(chosen ? [chosen] : []), ...names])].map((name) => (
          <option key={name}>{name}</option>
        ))}
      </select>
    </label>
  );
}
