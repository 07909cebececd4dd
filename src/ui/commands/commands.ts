import {
  addBreakpointHere, chooseBandOnly, chooseTarget, duplicateSelected, jumpToBreakpoint, jumpToFinding, likelyDirection, lockTarget, moveSelected, removeSelected, setWidth, targetsHere,
} from '../session/actions'; // prettier-ignore
import { redo, undo } from '../session/edits';
import { useSession, writeTarget } from '../session/store';
import { continueSweep, stopSweep } from '../session/sweep';

export interface Command {
  readonly id: string;
  readonly title: string;
  readonly group: 'Width' | 'Breakpoints' | 'Edit' | 'View' | 'Audit';
  /** As `KeyboardEvent.key` gives it, with "Ctrl+", "Shift+" and "Alt+" before it in this order. */
  readonly keys: readonly string[];
  readonly run: () => void;
}

const move = (by: number) => () => setWidth(useSession.getState().width + by);

function stepZoom(by: 1 | -1): void {
  const steps = [0.5, 0.75, 1, 1.5, 2];
  const { zoom } = useSession.getState();
  const at = zoom === 'fit' ? 2 : steps.indexOf(zoom);
  useSession.setState({ zoom: steps[Math.min(steps.length - 1, Math.max(0, at + by))]! });
}

/** Goes to the next write target that holds at the cursor: base, each breakpoint, base again. */
function nextTarget(): void {
  const targets = targetsHere();
  const current = targets.indexOf(writeTarget(useSession.getState()));
  chooseTarget(targets[(current + 1) % targets.length]!);
}

const ORDINALS = ['first', 'second', 'third', 'fourth', 'fifth', 'sixth', 'seventh'] as const;

/** Opens and closes the list of all commands; set by the dialog itself. */
export const dialog = { toggle: () => undefined as void };

export const COMMANDS: readonly Command[] = [
  { id: 'wider', title: '1 px wider', group: 'Width', keys: ['Alt+ArrowRight'], run: move(1) },
  { id: 'narrower', title: '1 px narrower', group: 'Width', keys: ['Alt+ArrowLeft'], run: move(-1) },
  { id: 'much-wider', title: '10 px wider', group: 'Width', keys: ['Shift+Alt+ArrowRight'], run: move(10) },
  { id: 'much-narrower', title: '10 px narrower', group: 'Width', keys: ['Shift+Alt+ArrowLeft'], run: move(-10) },
  {
    id: 'next-breakpoint',
    title: 'To the next breakpoint',
    group: 'Width',
    keys: ['k'],
    run: () => jumpToBreakpoint(1),
  },
  {
    id: 'previous-breakpoint',
    title: 'To the previous breakpoint',
    group: 'Width',
    keys: ['j'],
    run: () => jumpToBreakpoint(-1),
  },
  { id: 'next-finding', title: 'To the next finding', group: 'Width', keys: ['m'], run: () => jumpToFinding(1) },
  {
    id: 'previous-finding',
    title: 'To the previous finding',
    group: 'Width',
    keys: ['n'],
    run: () => jumpToFinding(-1),
  },
  {
    id: 'breakpoint-here',
    title: 'New breakpoint at this width',
    group: 'Breakpoints',
    keys: ['b'],
    run: () => addBreakpointHere(likelyDirection()),
  },
  {
    id: 'breakpoint-narrower',
    title: 'New breakpoint: this width and narrower',
    group: 'Breakpoints',
    keys: [],
    run: () => addBreakpointHere('narrower'),
  },
  {
    id: 'breakpoint-wider',
    title: 'New breakpoint: this width and wider',
    group: 'Breakpoints',
    keys: [],
    run: () => addBreakpointHere('wider'),
  },
  { id: 'next-target', title: 'Write to the next target', group: 'Breakpoints', keys: ['w'], run: nextTarget },
  ...Array.from({ length: 8 }, (_, i): Command => ({
    id: `target-${i + 1}`,
    title: i === 0 ? 'Write to the base' : `Write to the ${ORDINALS[i - 1]} breakpoint that holds here`,
    group: 'Breakpoints',
    keys: [String(i + 1)],
    run: () => {
      const target = targetsHere()[i];
      if (target) chooseTarget(target);
    },
  })),
  { id: 'target-band', title: 'Write to this band only', group: 'Breakpoints', keys: ['9'], run: chooseBandOnly },
  {
    id: 'target-lock',
    title: 'Keep the write target while moving, or let it follow',
    group: 'Breakpoints',
    keys: ['l'],
    run: () => lockTarget(!useSession.getState().targetLocked),
  },
  {
    id: 'set',
    title: 'Show the breakpoints',
    group: 'View',
    keys: ['g'],
    run: () => useSession.setState({ panel: 'set' }),
  },
  {
    id: 'styles',
    title: 'Show shared styles and kinds',
    group: 'View',
    keys: ['y'],
    run: () => useSession.setState({ panel: 'styles' }),
  },
  { id: 'undo', title: 'Undo', group: 'Edit', keys: ['Ctrl+z'], run: undo },
  { id: 'redo', title: 'Redo', group: 'Edit', keys: ['Ctrl+y', 'Ctrl+Shift+z'], run: redo },
  {
    id: 'duplicate',
    title: 'Duplicate the selection, at all widths',
    group: 'Edit',
    keys: ['Ctrl+d'],
    run: duplicateSelected,
  },
  {
    id: 'remove',
    title: 'Remove the selection, at all widths',
    group: 'Edit',
    keys: ['Delete', 'Backspace'],
    run: removeSelected,
  },
  {
    id: 'earlier',
    title: 'Move earlier among its siblings, at all widths',
    group: 'Edit',
    keys: ['Alt+ArrowUp'],
    run: () => moveSelected(-1),
  },
  {
    id: 'later',
    title: 'Move later among its siblings, at all widths',
    group: 'Edit',
    keys: ['Alt+ArrowDown'],
    run: () => moveSelected(1),
  },
  { id: 'zoom-in', title: 'Zoom in', group: 'View', keys: ['+', 'Shift++'], run: () => stepZoom(1) },
  { id: 'zoom-out', title: 'Zoom out', group: 'View', keys: ['-'], run: () => stepZoom(-1) },
  {
    id: 'zoom-fit',
    title: 'Fit the frame to the stage',
    group: 'View',
    keys: ['0'],
    run: () => useSession.setState({ zoom: 'fit' }),
  },
  {
    id: 'values',
    title: 'Show the values',
    group: 'View',
    keys: ['v'],
    run: () => useSession.setState({ panel: 'values' }),
  },
  {
    id: 'findings',
    title: 'Show the findings',
    group: 'Audit',
    keys: ['f'],
    run: () => useSession.setState({ panel: 'findings' }),
  },
  { id: 'stop-sweep', title: 'Stop measuring', group: 'Audit', keys: [], run: stopSweep },
  { id: 'start-sweep', title: 'Go on measuring', group: 'Audit', keys: [], run: () => continueSweep(true) },
  { id: 'commands', title: 'All commands and keys', group: 'View', keys: ['?', 'Shift+?'], run: () => dialog.toggle() },
];
