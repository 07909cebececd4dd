'use client';

import { useKeyHint } from '../input/key-choices';
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { memo } from 'react';
import { wholeReader } from '@/core/breakpoints';
import type { Page } from '@/core/document';
import { canBe, STATES, stateWord } from '@/core/document';
import type { Device, Part } from '@/core/devices';
import { holdInWords, PARTS } from '@/core/devices';
import { bytesInWords } from '@/core/text';
import { MENU, MENU_ITEM, SIGN_BUTTON } from '../theme/controls';
import type { Stands } from '../devices/line-up';
import { activate, holdOn, removeFromLineup, setPart, turn } from '../devices/line-up';
import { shownPage, useLineup, useSession } from '../state/store';

interface Props {
  readonly stands: Stands;
  readonly content: number;
  readonly findings: number;
  readonly active: boolean;
  /** The bytes of pictures that the device fetches; undefined where it isn't known. */
  readonly fetched?: number | undefined;
  /** The page that is worked on, where frames can hold its elements in states. */
  readonly page?: Page;
}

const PART_WORDS: Readonly<Record<Part, string>> = {
  whole: 'Whole screen',
  half: 'Half of the screen',
  third: 'A third of the screen',
};

/** What is unusual about the reader of a device, in a few words. */
export function readerInWords({ viewport }: Pick<Stands, 'viewport'>): string {
  const { pointer, scheme, motion, text } = wholeReader(viewport);
  return [
    pointer !== 'mouse' && pointer,
    scheme === 'dark' && 'dark',
    motion === 'reduced' && 'less motion',
    text !== 1 && `text ${Math.round(text * 100)}%`,
  ]
    .filter(Boolean)
    .join(', ');
}

/** What a caption needs for its buttons and the beginning of a name, however small its frame, px. */
export const CAPTION_LEAST = 92;

/** Over a frame: which device, how it is held, how wide it is, and what can be done with it. */
export function DeviceCaption({ stands, content, findings, active, fetched, page }: Props) {
  const { key, device, viewport, ...hold } = stands;
  const held = holdInWords(hold);
  const state = useLineup((lineup) => lineup.holds[key]);
  const name = state && page?.elements[state.element]?.name;
  return (
    <header className="flex h-10 items-start gap-1" style={{ minWidth: CAPTION_LEAST }}>
      <button
        type="button"
        className="min-w-0 flex-1 border-0 bg-transparent p-0 text-left"
        title="Work on this device"
        onClick={() => activate(key)}
      >
        <span className={`block truncate text-[12px] leading-[18px] ${active ? 'font-bold' : 'font-semibold'}`}>
          {device.name}
          {held && <span className="font-normal text-muted">, {held}</span>}
        </span>
        <span className="block truncate font-mono text-[11px] leading-4 text-muted" data-testid="device-size">
          {viewport.width} × {viewport.height}
          {content !== viewport.width && ` · content ${content}`}
          {state && name && ` · ${name} ${stateWord(state.state)}`}
          {findings > 0 && <span className="text-rust"> · {findings} wrong</span>}
          {fetched ? (
            <span title={`Pictures that are fetched at density ${device.density}`}> · {bytesInWords(fetched)}</span>
          ) : (
            ''
          )}
        </span>
      </button>
      <CaptionMenu placeKey={key} device={device} part={hold.part ?? 'whole'} reader={readerInWords(stands)} />
    </header>
  );
}

interface MenuProps {
  readonly placeKey: number;
  readonly device: Device;
  readonly part: Part;
  readonly reader: string;
}

/** What can be done with a device. It stays as it is while the width changes, since menus are dear. */
const CaptionMenu = memo(function CaptionMenu({ placeKey, device, part, reader }: MenuProps) {
  const hint = useKeyHint('device-turn');
  return (
    <>
      {device.turns && (
        <button
          type="button"
          className={SIGN_BUTTON}
          aria-label={`Turn ${device.name}`}
          title={`Turn${hint}`}
          onClick={() => turn(placeKey)}
        >
          <svg width="13" height="13" viewBox="0 0 13 13" fill="none" stroke="currentColor" strokeWidth="1.2" aria-hidden>
            <rect x="1" y="5.5" width="11" height="6" rx="1" />
            <path d="M3 3.5C4 1.5 7 .8 9 2.4M9.3 .5v2.2H7.1" />
          </svg>
        </button>
      )}
      <Menu>
        <MenuButton className={SIGN_BUTTON} aria-label={`More about ${device.name}`}>
          <span aria-hidden>⋮</span>
        </MenuButton>
        <MenuItems anchor="bottom end" className={MENU}>
          <p className="m-0 px-2 py-1 text-xs text-muted">
            {[reader, `density ${device.density}`, device.bars > 0 && `bars ${device.bars} px`, `${device.scrollbar} scrollbar`]
              .filter(Boolean)
              .join(' · ')}
          </p>
          {PARTS.map((one) => (
            <MenuItem key={one}>
              <button type="button" className={MENU_ITEM} onClick={() => setPart(placeKey, one)}>
                {part === one ? '✓ ' : ''}
                {PART_WORDS[one]}
              </button>
            </MenuItem>
          ))}
          <HoldItems placeKey={placeKey} />
          <MenuItem>
            <button type="button" className={`${MENU_ITEM} border-t border-line`} onClick={() => removeFromLineup(placeKey)}>
              Take out of the line-up
            </button>
          </MenuItem>
        </MenuItems>
      </Menu>
    </>
  );
});

/** The states in which this frame alone can hold what is selected. */
function HoldItems({ placeKey }: { placeKey: number }) {
  const page = useSession(shownPage);
  const id = useSession((session) => session.selection[session.selection.length - 1]);
  const held = useLineup((lineup) => lineup.holds[placeKey]);
  const element = id === undefined ? undefined : page.elements[id];
  const states = element ? STATES.filter((state) => canBe(element, state)) : [];
  return (
    <>
      {element && (
        <p className="m-0 truncate border-t border-line px-2 py-1 text-xs text-muted">Hold {element.name}, here only</p>
      )}
      {element &&
        states.map((state) => (
          <MenuItem key={state}>
            <button type="button" className={MENU_ITEM} onClick={() => holdOn(placeKey, { element: element.id, state })}>
              {held?.element === element.id && held.state === state ? '✓ ' : ''}
              {stateWord(state)}
            </button>
          </MenuItem>
        ))}
      {held && (
        <MenuItem>
          <button type="button" className={MENU_ITEM} onClick={() => holdOn(placeKey, undefined)}>
            Let go
          </button>
        </MenuItem>
      )}
    </>
  );
}
