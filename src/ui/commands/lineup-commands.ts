import { MARKS } from '../state/marks-slice';
import { useLineup, useSession } from '../state/store';
import { setUsing } from '../using/using';
import { showMode, stepDevice, turn } from '../devices/line-up';
import { keySign } from '../input/key-choices';
import { toggleMark } from '../marks/marks';
import { announce } from '../editing/edits';
import type { Command } from './command';

const view = (id: string, title: string, keys: readonly string[], run: () => void): Command => ({
  id,
  title,
  group: 'Line-up',
  keys,
  run,
});
function withKeys(...ids: readonly string[]): string {
  const signs = ids
    .map((id) => keySign(id))
    .filter(Boolean)
    .map((sign) => `“${sign}”`);
  return signs.length > 0 ? `, with ${signs.join(' or ')}` : '';
}
const flip = (what: 'whole' | 'linked' | 'flow') => () => useLineup.setState((lineup) => ({ [what]: !lineup[what] }));

/** Commands of the line-up, of what stands beside the page and of marks. */
export const LINEUP_COMMANDS: readonly Command[] = [
  {
    ...view('heights', 'The axis of heights beside the page', ['Shift+k'], () =>
      useSession.setState(({ heightsShown }) => ({ heightsShown: !heightsShown })),
    ),
    group: 'View',
  },
  {
    ...view('use', 'Use the page as visitors do, or edit it again', ['Shift+v'], () => setUsing(!useSession.getState().usePage)),
    group: 'View',
  },
  view('lineup', 'Line-up, or back to shaping', ['Shift+l'], () =>
    showMode(useSession.getState().mode === 'lineup' ? 'shape' : 'lineup'),
  ),
  view('lineup-devices', 'Line-up: this page on the devices', [], () => showMode('lineup', 'devices')),
  view('lineup-pages', 'Line-up: all pages on the devices', [], () => showMode('lineup', 'pages')),
  view('lineup-crossing', 'Line-up: what a crossing changes', [], () => showMode('lineup', 'crossing')),
  view('lineup-before', 'Line-up: compared with before', [], () => showMode('lineup', 'before')),
  view('device-next', 'To the next device', ['.'], () => stepDevice(1)),
  view('device-previous', 'To the previous device', [','], () => stepDevice(-1)),
  view('device-turn', 'Turn the device in hand', ['r'], () => {
    const { active } = useLineup.getState();
    if (active === undefined) announce(`Choose a device first${withKeys('device-previous', 'device-next')}.`);
    else turn(active);
  }),
  view('device-turn-all', 'Turn all devices', ['Shift+r'], () => turn()),
  view('device-whole', 'Whole pages, or as high as the devices', ['Shift+w'], flip('whole')),
  view('device-linked', 'Scroll together, or each alone', ['Shift+s'], flip('linked')),
  view('device-flow', 'All frames follow the cursor, or only the one in hand', ['Shift+f'], flip('flow')),
  view(
    'devices',
    'Choose and change devices',
    ['Shift+d'],
    () => (showMode('lineup'), useLineup.setState({ devicesOpen: true })),
  ),
  view('sheet', 'Make a sheet of the line-up', [], () => (showMode('lineup'), useLineup.setState({ sheetOpen: true }))),
  ...MARKS.map(({ id, name, key }) => ({
    ...view(`mark-${id}`, `Mark: ${name.toLowerCase()}`, [key], () => toggleMark(id)),
    group: 'View' as const,
  })),
];
