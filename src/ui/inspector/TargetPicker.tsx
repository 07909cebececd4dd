'use client';

import { Listbox, ListboxButton, ListboxOption, ListboxOptions } from '@headlessui/react';
import { BASE, bandAt, bandsOf, conditionAt, conditionInterval, contains, describeCondition } from '@/core/breakpoints';
import { describeTarget } from '@/core/edits';
import { addBreakpointHere, chooseTarget } from '../session/actions';
import { shownProject, useSession, writeTarget } from '../session/store';

const NEW = { narrower: 'new narrower', wider: 'new wider' } as const;

/** Where edits go: the base, a breakpoint that holds here, or a new one at this width. */
export function TargetPicker() {
  const project = useSession(shownProject);
  const target = useSession(writeTarget);
  const breakpoint = project.breakpoints.find((one) => one.id === target);
  const reached = bandsOf(project).filter(
    (one) => !breakpoint || contains([conditionInterval(breakpoint.condition)], one.from),
  );
  const left = bandsOf(project).filter((one) => !reached.includes(one));
  const choose = (value: string) => {
    if (value === NEW.narrower) addBreakpointHere('narrower');
    else if (value === NEW.wider) addBreakpointHere('wider');
    else chooseTarget(value);
  };
  return (
    <Listbox value={target} onChange={choose}>
      <ListboxButton
        className="m-2.5 block w-[calc(100%-20px)] rounded-[5px] border border-reed bg-reed-tint px-3 py-1.5 text-left"
        aria-label={`Writes to ${describeTarget(project, target)}. Change`}
      >
        <span className="block text-muted">Writes to</span>
        <span className="flex justify-between font-bold">
          {breakpoint ? describeTarget(project, target) : 'Base'} <span aria-hidden>▾</span>
        </span>
        <span className="block text-muted">
          may change {reached.map((one) => one.name).join(', ')}
          {left.length > 0 && ` · leaves ${left.map((one) => one.name).join(', ')}`}
        </span>
      </ListboxButton>
      <ListboxOptions
        anchor="bottom"
        className="z-40 w-(--button-width) rounded-[4px] border border-line-strong bg-sheet p-1 text-sm focus:outline-none"
      >
        <Options />
      </ListboxOptions>
    </Listbox>
  );
}

/** Only there while the list is open, since it follows the cursor. */
function Options() {
  const project = useSession(shownProject);
  const width = useSession((session) => session.width);
  const band = bandAt(project, width);
  const options = [
    { value: BASE, text: 'Base', note: 'every band without a value of its own' },
    ...band.holds.map((id) => ({
      value: id,
      text: describeTarget(project, id),
      note: project.breakpoints.find((one) => one.id === id)!.name,
    })),
    {
      value: NEW.narrower,
      text: `New: ${describeCondition(conditionAt(width, 'narrower'))}`,
      note: 'adds a breakpoint',
    },
    { value: NEW.wider, text: `New: ${describeCondition(conditionAt(width, 'wider'))}`, note: 'adds a breakpoint' },
  ];
  return (
    <>
      {options.map(({ value, text, note }) => (
        <ListboxOption
          key={value}
          value={value}
          className="flex cursor-pointer justify-between gap-3 rounded-[3px] px-2 py-1 data-focus:bg-reed-tint data-selected:font-bold"
        >
          <span className="whitespace-nowrap">{text}</span>{' '}
          <span className="truncate font-normal text-muted">{note}</span>
        </ListboxOption>
      ))}
    </>
  );
}
