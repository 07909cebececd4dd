'use client';

import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { useMemo, useState } from 'react';
import type { Breakpoint } from '@/core/breakpoints';
import { checkSet, describeCondition, edgesOf, inDefaultOrder, READY_SETS, defaultIndex } from '@/core/breakpoints';
import { LIMITS } from '@/core/document';
import type { Direction } from '@/core/plans';
import { directionOf, planDuplicateBreakpoint, planMend, planReadySet } from '@/core/plans';
import { addBreakpointHere, key, setWidth } from '../view/actions';
import { commitOrReport } from '../editing/edits';
import { carryOut, propose, proposeLong } from '../editing/proposal';
import { steadyProject, useSession } from '../state/store';
import { BUTTON, MENU, MENU_ITEM, SIGN_BUTTON } from '../theme/controls';
import { FoundList } from './FoundList';
import { BreakpointForm } from './BreakpointForm';
import { Matrix } from './Matrix';
import { PlaneMap } from './PlaneMap';
import { removeBreakpoint } from './removing';

const newId = () => `b${key()}`;

/** The breakpoints of the project: their conditions, their order, what is likely wrong with them. */
export function SetPanel() {
  const project = useSession(steadyProject);
  const width = useSession((session) => session.width);
  const [open, setOpen] = useState<string>();
  const problems = useMemo(() => checkSet(project, project.devices), [project]);
  const direction = directionOf(project.breakpoints);
  return (
    <div className="part min-h-0 flex-1 overflow-auto pb-4" data-testid="set">
      <div className="flex flex-wrap gap-1.5 px-3.5 py-2.5">
        <Menu>
          <MenuButton className={BUTTON}>Add at {width}</MenuButton>
          <MenuItems anchor="bottom start" className={MENU}>
            <MenuItem>
              <button type="button" className={MENU_ITEM} onClick={() => addBreakpointHere('narrower')}>
                {width} and narrower
              </button>
            </MenuItem>
            <MenuItem>
              <button type="button" className={MENU_ITEM} onClick={() => addBreakpointHere('wider')}>
                {width} and wider
              </button>
            </MenuItem>
            {SCREENS.map(({ label, breakpoint }) => (
              <MenuItem key={label}>
                <button
                  type="button"
                  className={MENU_ITEM}
                  onClick={() => commitOrReport({ type: 'addBreakpoint', breakpoint: { id: newId(), ...breakpoint } })}
                >
                  {label}
                </button>
              </MenuItem>
            ))}
          </MenuItems>
        </Menu>
        <Menu>
          <MenuButton className={BUTTON}>Ready sets</MenuButton>
          <MenuItems anchor="bottom end" className={MENU}>
            {READY_SETS.flatMap((ready) =>
              (project.breakpoints.length > 0 ? (['replace', 'add'] as const) : (['replace'] as const)).map((how) => (
                <MenuItem key={`${ready.id} ${how}`}>
                  <button
                    type="button"
                    className={MENU_ITEM}
                    onClick={() => propose((now) => planReadySet(now, ready, how, newId))}
                  >
                    {how === 'add' ? 'Add: ' : project.breakpoints.length > 0 ? 'Replace by: ' : ''}
                    {ready.name}
                    {how === 'replace' && <span className="block text-xs text-muted">{ready.use}</span>}
                  </button>
                </MenuItem>
              )),
            )}
          </MenuItems>
        </Menu>
        <Menu>
          <MenuButton className={BUTTON} disabled={project.breakpoints.length === 0}>
            Turn around
          </MenuButton>
          <MenuItems anchor="bottom end" className={MENU}>
            {(['wide-first', 'narrow-first'] as const)
              .filter((one) => one !== direction)
              .map((one) => (
                <MenuItem key={one}>
                  <button type="button" className={MENU_ITEM} onClick={() => turn(one)}>
                    {one === 'wide-first' ? 'Wide first' : 'Narrow first'}
                    <span className="block text-xs text-muted">Every element keeps every value</span>
                  </button>
                </MenuItem>
              ))}
          </MenuItems>
        </Menu>
      </div>

      {problems.length > 0 && (
        <ul aria-label="What to look at in the set" className="m-0 list-none border-y border-line bg-amber-tint p-0">
          {problems.map((problem) => (
            <li
              key={`${problem.kind} ${problem.breakpoints.join()} ${problem.sentence}`}
              className="px-3.5 py-1.5"
              data-problem={problem.kind}
            >
              <p className="m-0">{problem.sentence}</p>
              <button
                type="button"
                className="mt-0.5 rounded-[4px] border border-amber-ink bg-sheet px-2 py-0.5 text-xs hover:bg-paper"
                onClick={() => carryOut((now) => planMend(now, problem.mend, problem.offer))}
              >
                {problem.offer}
              </button>
            </li>
          ))}
        </ul>
      )}

      <div className="flex items-center justify-between px-3.5 pt-2 pb-1 text-muted">
        <span>Order: later ones win</span>
        {!inDefaultOrder(project.breakpoints) && (
          <button type="button" className={`${BUTTON} text-xs`} onClick={restoreOrder}>
            By the default
          </button>
        )}
      </div>
      <ol aria-label="Breakpoints in order" className="m-0 list-none p-0">
        <li className="flex h-7 items-center gap-2 border-b border-line px-3.5 text-muted">
          <span className="w-4 text-right font-mono text-xs">0</span>
          <span className="font-semibold text-ink">{project.baseName}</span> base
        </li>
        {project.breakpoints.map((breakpoint, i) => (
          <li key={breakpoint.id} className="border-b border-line" data-breakpoint={breakpoint.id}>
            <SetRow
              breakpoint={breakpoint}
              index={i}
              last={i === project.breakpoints.length - 1}
              open={open === breakpoint.id}
              toggle={() => setOpen(open === breakpoint.id ? undefined : breakpoint.id)}
            />
            {open === breakpoint.id && (
              <div className="bg-paper px-3.5 py-2">
                <BreakpointForm breakpoint={breakpoint} finish={() => setOpen(undefined)} />
              </div>
            )}
          </li>
        ))}
      </ol>
      <FoundList />
      <div className="pt-2.5">
        <Matrix />
        <PlaneMap />
      </div>
    </div>
  );
}

function turn(direction: Direction): void {
  const { project } = useSession.getState();
  const ids = Array.from({ length: 2 * LIMITS.breakpoints }, newId);
  void proposeLong({ kind: 'turn', project, direction, ids });
}

/** Conditions that aren't made at a width. */
const SCREENS: readonly { label: string; breakpoint: Omit<Breakpoint, 'id'> }[] = [
  { label: 'A short screen', breakpoint: { name: 'Short', condition: { heightBelow: 500 } } },
  { label: 'A tall screen', breakpoint: { name: 'Tall', condition: { heightFrom: 1000 } } },
  { label: 'Landscape', breakpoint: { name: 'Landscape', condition: { orientation: 'landscape' } } },
  { label: 'Portrait', breakpoint: { name: 'Portrait', condition: { orientation: 'portrait' } } },
  { label: 'Pointed at with a finger', breakpoint: { name: 'Finger', condition: { pointer: 'finger' } } },
];

function restoreOrder(): void {
  const { project } = useSession.getState();
  const ids = project.breakpoints.map(({ id }) => id);
  const sorted = [...ids].sort((a, b) => defaultIndex(project.breakpoints, a) - defaultIndex(project.breakpoints, b));
  commitOrReport({
    type: 'group',
    label: 'Put the breakpoints in the default order',
    edits: sorted.map((id, index) => ({ type: 'changeBreakpoint', id, index })),
  });
}

interface RowProps {
  readonly breakpoint: Breakpoint;
  readonly index: number;
  readonly last: boolean;
  readonly open: boolean;
  readonly toggle: () => void;
}

function SetRow({ breakpoint, index, last, open, toggle }: RowProps) {
  const all = useSession((session) => session.project.breakpoints);
  const holds = all.length > 1;
  const nameOf = (id: string) => all.find((one) => one.id === id)?.name ?? '';
  const shift = (by: 1 | -1) => commitOrReport({ type: 'changeBreakpoint', id: breakpoint.id, index: index + by });
  const [first] = edgesOf(breakpoint.condition);
  return (
    <div className="flex min-h-7 items-center gap-0.5 py-0.5 pr-2 pl-3.5">
      <span className="w-4 shrink-0 text-right font-mono text-xs text-muted">{index + 1}</span>
      <button
        type="button"
        aria-expanded={open}
        className="min-w-0 flex-1 truncate rounded-[3px] border-0 bg-transparent px-1 text-left hover:bg-paper"
        onClick={() => {
          if (first && !open) setWidth(first.side === 'below' ? first.at - 1 : first.at);
          toggle();
        }}
      >
        <b>{breakpoint.name}</b>{' '}
        <span className="block truncate text-xs text-muted">
          {describeCondition(breakpoint.condition)}
          {breakpoint.also?.length ? `, takes over ${breakpoint.also.map(nameOf).join(', ')}` : ''}
        </span>
      </button>
      {holds && (
        <>
          <button
            type="button"
            className={SIGN_BUTTON}
            disabled={index === 0}
            aria-label={`${breakpoint.name}: weaker`}
            title="Earlier, so weaker"
            onClick={() => shift(-1)}
          >
            ↑
          </button>
          <button
            type="button"
            className={SIGN_BUTTON}
            disabled={last}
            aria-label={`${breakpoint.name}: stronger`}
            title="Later, so stronger"
            onClick={() => shift(1)}
          >
            ↓
          </button>
        </>
      )}
      <button
        type="button"
        className={SIGN_BUTTON}
        aria-label={`Duplicate ${breakpoint.name}`}
        title="Duplicate, with all that is written there"
        onClick={() => propose((now) => planDuplicateBreakpoint(now, breakpoint.id, newId()))}
      >
        <svg width="11" height="11" viewBox="0 0 11 11" aria-hidden fill="none" stroke="currentColor">
          <path d="M3.5 3.5v-3h7v7h-3M.5 3.5h7v7h-7z" />
        </svg>
      </button>
      <button
        type="button"
        className={SIGN_BUTTON}
        aria-label={`Remove ${breakpoint.name}`}
        title="Remove"
        onClick={() => removeBreakpoint(breakpoint.id)}
      >
        ×
      </button>
    </div>
  );
}
