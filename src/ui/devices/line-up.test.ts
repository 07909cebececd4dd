import { demoProject } from '@/demo';
import { useSession, useLineup } from '../state/store';
import { openForTests } from '../state/store-for-tests';
import {
  activate,
  addToLineup,
  recallLineup,
  removeFromLineup,
  setPart,
  showSet,
  standsOf,
  stepDevice,
  toggleInLineup,
  turn,
} from './line-up';
import { freeName, saveAsSet } from './sets';

jest.mock('../editing/sync', () => ({ schedule: jest.fn(), settled: jest.fn() }));
jest.mock('../measuring/sweep', () => ({
  allWidthsChanged: jest.fn(),
  continueSweep: jest.fn(),
  invalidateSweeps: jest.fn(),
  forgetSweeps: jest.fn(),
}));

const kept = new Map<string, string>();
Object.assign(globalThis, {
  localStorage: {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => kept.set(key, value),
    removeItem: (key: string) => kept.delete(key),
  },
  document: { querySelector: () => null },
});

const project = demoProject('00000000-0000-4000-8000-000000000000');
const stands = () => standsOf(useSession.getState().project, useLineup.getState());
const seen = () => stands().map(({ device, viewport }) => `${device.id} ${viewport.width}`);
const keyOf = (id: string) => stands().find(({ device }) => device.id === id)!.key;

beforeEach(() => {
  kept.clear();
  openForTests(project, { projectId: 'x', width: 1000 });
  useLineup.setState({ reader: {}, active: undefined });
  recallLineup();
});

test('it begins with the project’s first set, and goes on where it was left', () => {
  expect(seen()).toEqual(['dwatch 212', 'dphone 400', 'dopen 716', 'dtablet 800', 'dnote 1340', 'ddesk 1880', 'dtv 950']);
  removeFromLineup(keyOf('dtv'));
  turn(keyOf('dphone'));
  setPart(keyOf('dnote'), 'half');
  const left = seen();
  expect(left).toContain('dphone 860');
  expect(left).toContain('dnote 670');
  recallLineup();
  expect(seen()).toEqual(left);
  for (const nonsense of ['{', '{"places":7}', '{"places":[{"device":"dgone"}]}']) {
    kept.set('mill-pond-lineup x', nonsense);
    recallLineup();
    expect(seen()).toHaveLength(7);
  }
});

test('all turn together, and back; what does not turn says so and stays', () => {
  turn();
  expect(seen()).toEqual(['dwatch 212', 'dphone 860', 'dopen 842', 'dtablet 1120', 'dnote 1340', 'ddesk 1880', 'dtv 950']);
  turn(keyOf('dtablet'));
  turn();
  expect(seen()).toContain('dtablet 1120');
  turn();
  expect(seen()).toContain('dphone 400');
  turn(keyOf('dtv'));
  expect(useSession.getState().announcement).toMatch(/doesn’t turn/);
});

test('stepping goes around; the cursor goes to the device in hand, as near as it can', () => {
  const widths = Array.from({ length: 8 }, () => {
    stepDevice(1);
    return useSession.getState().width;
  });
  expect(widths).toEqual([240, 400, 716, 800, 1340, 1880, 950, 240]);
  stepDevice(-1);
  expect(useSession.getState().announcement).toBe('Television, 950 by 534 pixels');
  activate(keyOf('dphone'));
  turn(keyOf('dphone'));
  expect(useSession.getState().width).toBe(860);
});

test('devices go in and out; a reader counts for all; a set keeps how they are held', () => {
  toggleInLineup('ddesk');
  toggleInLineup('dsmall');
  expect(seen()).not.toContain('ddesk 1880');
  useLineup.setState({ reader: { scheme: 'dark', text: 2 } });
  expect(stands().every(({ viewport }) => viewport.scheme === 'dark' && viewport.text === 2)).toBe(true);
  turn(keyOf('dsmall'));
  saveAsSet();
  const set = useSession.getState().project.deviceSets.at(-1)!;
  expect(set.devices.at(-1)).toEqual({ device: 'dsmall', turned: true });
  showSet('vphones');
  expect(seen()).toHaveLength(6);
  showSet(set.id);
  expect(seen()).toContain('dsmall 640');
  for (let i = 0; i < 60; i++) addToLineup('dphone');
  expect(stands()).toHaveLength(40);
  expect(useSession.getState().announcement).toMatch(/at most 40/);
});

test('a name that nothing has yet', () => {
  expect(freeName('Set', [])).toBe('Set');
  expect(freeName('Set', [{ name: 'Set' }, { name: 'Set 2' }])).toBe('Set 3');
});
