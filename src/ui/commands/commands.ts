import {
  addBreakpointHere,
  chooseBandOnly,
  chooseSeveral,
  choosePseudo,
  chooseTarget,
  jumpToBreakpoint,
  jumpToFinding,
  likelyDirection,
  lockTarget,
  setWidth,
  targetsHere,
} from '../view/actions';
import { copySelected, cutSelected, keepAsBlock, paste } from '../clipboard/clipboard';
import { askArrangement } from '../arrangements/arrangements';
import { askDrops } from '../swapping/drops';
import { askPanel } from '../swapping/panels';
import { makeList, openTable } from '../lists/lists';
import { makeAlternates } from '../swapping/alternates';
import { knowKeys } from '../input/key-choices';
import { dialog, keysDialog } from './dialogs';
import { showOnGauge } from '../view/gauge-view';
import { showMode } from '../devices/line-up';
import { announce, redo, undo } from '../editing/edits';
import { askMakePart, flipWritten, leaveOut, leavePart, takeApart } from '../parts/part-actions';
import { nudge, reorderHere } from '../stage/nudge';
import { writeInSelected } from '../stage/writing';
import {
  duplicateSelected,
  groupSelected,
  moveIn,
  moveOut,
  moveSelected,
  removeSelected,
  selectAlike,
  selectInner,
  selectOuter,
  selectSiblings,
  toggleLock,
  ungroupSelected,
} from '../arranging/tree';
import { shownPage, shownPseudo, useSession, writeTarget } from '../state/store';
import { canBe, isUsed, pseudoOf, readPseudo, STATES } from '@/core/document';
import { beginTour } from '../tour/tour';
import type { Command } from './command';
import { LINEUP_COMMANDS } from './lineup-commands';
import { continueSweep, onlyWhenAsked, setOnlyWhenAsked, stopSweep } from '../measuring/sweep';

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

const shape = (id: string, title: string, keys: readonly string[], run: () => void): Command => ({
  id,
  title,
  group: 'Shape',
  keys,
  run,
});
const toggle = (what: 'paletteOpen') => () => useSession.setState((session) => ({ [what]: !session[what] }));
const NUDGES = (
  [
    ['Left', -1, 0],
    ['Right', 1, 0],
    ['Up', 0, -1],
    ['Down', 0, 1],
  ] as const
).flatMap(([way, x, y]) => [
  shape(`nudge-${way}`, `Nudge ${way.toLowerCase()}, 1 px`, [`Arrow${way}`], () => nudge(x, y)),
  shape(`nudge-far-${way}`, `Nudge ${way.toLowerCase()}, 10 px`, [`Shift+Arrow${way}`], () => nudge(x * 10, y * 10)),
]);

const SHAPE_COMMANDS: readonly Command[] = [
  shape('palette', 'Building blocks to put in', ['i'], toggle('paletteOpen')),
  shape('copy', 'Copy', ['Ctrl+c'], copySelected),
  shape('cut', 'Cut, at all widths', ['Ctrl+x'], cutSelected),
  shape('paste', 'Paste, at all widths', ['Ctrl+v'], () => paste()),
  shape('group', 'Put together in a group', ['p'], groupSelected),
  shape('ungroup', 'Take the group away', ['Shift+p'], ungroupSelected),
  shape('block', 'Keep as a block', [], keepAsBlock),
  shape('make-part', 'Make a part of it, to be used on many pages', ['Shift+m'], askMakePart),
  shape('part-here', 'Edits go to the part, or to this use only', ['Shift+u'], flipWritten),
  shape('part-apart', 'Take the use of a part apart', [], takeApart),
  shape('part-out', 'Leave it out in this use of a part', [], leaveOut),
  shape('part-back', 'From a part back to the page', [], leavePart),
  shape('alternates', 'Let it show in turns with another: make alternates', ['Shift+x'], makeAlternates),
  shape('arrange', 'Arrange it in a common way: headers, tables, rows, lists', ['Shift+y'], () => askArrangement()),
  shape('drops', 'Let items of a row drop away as room runs out', [], () => askDrops()),
  shape('list', 'Make a list of items that are alike, fed from a table', [], () => makeList()),
  shape('tables', 'Tables of the project', ['Shift+t'], openTable),
  shape('pictures', 'Pictures of the project', ['Shift+i'], () => useSession.setState({ pictures: 'list' })),
  shape('fetched', 'What is fetched for the pictures of this page', [], () => useSession.setState({ pictures: 'fetched' })),
  shape('panel', 'Make a panel of it: opened and closed', [], () => askPanel()),
  shape('state', 'To the next state of what is selected: pointed at, focused, pressed …', ['Shift+h'], nextState),
  shape('siblings', 'Select all siblings', ['s'], selectSiblings),
  shape('alike', 'Select all that are like this', ['a'], selectAlike),
  shape('several', 'Each press adds to the selection, or no more', [], () =>
    chooseSeveral(!useSession.getState().choosesSeveral),
  ),
  shape('outer', 'Select what it stands in', ['Escape'], selectOuter),
  shape('inner', 'Select the first element in it, or write in a text', ['Enter'], () => {
    if (!selectInner()) writeInSelected();
  }),
  shape('write', 'Write in it', ['Shift+Enter'], writeInSelected),
  shape('lock', 'Lock or unlock', ['o'], () => toggleLock()),
  shape('out', 'Move out of its parent, at all widths', ['['], moveOut),
  shape('in', 'Move into the element before it, at all widths', [']'], moveIn),
  shape('earlier-here', 'Earlier, only at the write target', ['Shift+Alt+ArrowUp'], () => reorderHere(-1)),
  shape('later-here', 'Later, only at the write target', ['Shift+Alt+ArrowDown'], () => reorderHere(1)),
  ...NUDGES,
  shape('handles', 'To the next handle of the selection', ['h'], nextHandle),
  shape('distances', 'Distances, while held', ['d'], () => useSession.setState({ distancesShown: true })),
  shape('grid', 'Show the column grid’s numbers', ['q'], () => useSession.setState({ panel: 'columns' })),
  shape('lanes', 'Values along the width: lanes, or the low gauge', ['Shift+j'], () =>
    showOnGauge(useSession.getState().gaugeView === 'low' ? 'lanes' : 'low'),
  ),
  shape('spans', 'Span table, or lanes again', ['t'], () =>
    showOnGauge(useSession.getState().gaugeView === 'spans' ? 'lanes' : 'spans'),
  ),
];

/** From rest on through the states that all that is selected can be in, and back to rest. */
function nextState(): void {
  const session = useSession.getState();
  const { elements } = shownPage(session);
  const chosen = session.selection.flatMap((id) => elements[id] ?? []);
  if (chosen.length === 0) return announce('Select something to see its states.');
  const { state, box } = readPseudo(shownPseudo(session));
  const states = BY_USE.filter((one) => chosen.every((element) => canBe(element, one)));
  const next = states[state ? states.indexOf(state) + 1 : 0];
  choosePseudo(pseudoOf({ ...(next && { state: next }), ...(box && { box }) }));
}

/** Those that every element can be in come first. */
const BY_USE = [...STATES].sort((a, b) => Number(isUsed(b)) - Number(isUsed(a)));

/** The keyboard's way to the handles on the page: one after the other. */
function nextHandle(): void {
  const handles = [...document.querySelectorAll<HTMLElement>('[data-handle]')];
  const at = handles.indexOf(document.activeElement as HTMLElement);
  handles[(at + 1) % handles.length]?.focus();
}

export const COMMANDS: readonly Command[] = [
  { id: 'wider', title: '1 px wider', group: 'Width', keys: ['Alt+ArrowRight'], run: move(1) },
  { id: 'narrower', title: '1 px narrower', group: 'Width', keys: ['Alt+ArrowLeft'], run: move(-1) },
  { id: 'much-wider', title: '10 px wider', group: 'Width', keys: ['Shift+Alt+ArrowRight'], run: move(10) },
  { id: 'much-narrower', title: '10 px narrower', group: 'Width', keys: ['Shift+Alt+ArrowLeft'], run: move(-10) },
  { id: 'next-breakpoint', title: 'To the next breakpoint', group: 'Width', keys: ['k'], run: () => jumpToBreakpoint(1) },
  {
    id: 'previous-breakpoint',
    title: 'To the previous breakpoint',
    group: 'Width',
    keys: ['j'],
    run: () => jumpToBreakpoint(-1),
  },
  { id: 'next-finding', title: 'To the next finding', group: 'Width', keys: ['m'], run: () => jumpToFinding(1) },
  { id: 'previous-finding', title: 'To the previous finding', group: 'Width', keys: ['n'], run: () => jumpToFinding(-1) },
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
  { id: 'set', title: 'Show the breakpoints', group: 'View', keys: ['g'], run: () => useSession.setState({ panel: 'set' }) },
  {
    id: 'styles',
    title: 'Show shared styles and kinds',
    group: 'View',
    keys: ['y'],
    run: () => useSession.setState({ panel: 'styles' }),
  },
  { id: 'undo', title: 'Undo', group: 'Edit', keys: ['Ctrl+z'], run: undo },
  { id: 'redo', title: 'Redo', group: 'Edit', keys: ['Ctrl+y', 'Ctrl+Shift+z'], run: redo },
  { id: 'duplicate', title: 'Duplicate the selection, at all widths', group: 'Edit', keys: ['Ctrl+d'], run: duplicateSelected },
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
  ...SHAPE_COMMANDS,
  ...LINEUP_COMMANDS,
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
    id: 'pages',
    title: 'Pages of the project, or back to shaping',
    group: 'View',
    keys: ['Shift+g'],
    run: () => showMode(useSession.getState().mode === 'pages' ? 'shape' : 'pages'),
  },
  { id: 'values', title: 'Show the values', group: 'View', keys: ['v'], run: () => useSession.setState({ panel: 'values' }) },
  {
    id: 'findings',
    title: 'Show the findings',
    group: 'Audit',
    keys: ['f'],
    run: () => useSession.setState({ panel: 'findings' }),
  },
  {
    id: 'audit',
    title: 'Audit of this page, or back to shaping',
    group: 'Audit',
    keys: ['Shift+a'],
    run: () => showMode(useSession.getState().mode === 'audit' ? 'shape' : 'audit'),
  },
  { id: 'stop-sweep', title: 'Stop measuring', group: 'Audit', keys: [], run: stopSweep },
  { id: 'start-sweep', title: 'Go on measuring', group: 'Audit', keys: [], run: () => continueSweep(true) },
  {
    id: 'measuring',
    title: 'Measure only when asked, or again by itself',
    group: 'Audit',
    keys: [],
    run: () => setOnlyWhenAsked(!onlyWhenAsked()),
  },
  { id: 'commands', title: 'All commands and keys', group: 'View', keys: ['?', 'Shift+?'], run: () => dialog.toggle() },
  { id: 'tour', title: 'A short tour of the gauge', group: 'View', keys: [], run: beginTour },
  { id: 'keys', title: 'Change keys', group: 'View', keys: [], run: () => keysDialog.open() },
];

knowKeys(COMMANDS);
