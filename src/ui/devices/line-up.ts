import type { Viewport } from '@/core/breakpoints';
import { cutsAcross } from '@/core/breakpoints';
import { conditionsOf } from '@/core/cascade';
import type { Part, Standing, Stood } from '@/core/devices';
import { devicesOf, SET_MOST, viewportOn } from '@/core/devices';
import type { Project } from '@/core/document';
import { setSlice, setWidth } from '../view/actions';
import { announce } from '../editing/edits';
import type { Hold, Lineup, LineupTab, PlacedDevice, ReaderChoice } from '../state/lineup-slice';
import type { Mode } from '../state/store';
import { useLineup, useSession } from '../state/store';

let next = 1;
const asPlace = (standing: Standing): PlacedDevice => ({ ...standing, key: next++ });
const storeKey = (projectId: string) => `mill-pond-lineup ${projectId}`;

/** A place with its device, as it is looked at. */
export interface Stands extends Stood {
  readonly key: number;
  readonly viewport: Viewport;
}

/** The devices of the line-up with their viewports; those that have gone from the project don't count. */
export function standsOf(project: Pick<Project, 'devices'>, { places, reader }: Pick<Lineup, 'places' | 'reader'>): Stands[] {
  return places.flatMap((place) =>
    devicesOf(project.devices, { devices: [place] }).map((stood) => ({
      ...stood,
      key: place.key,
      viewport: readAs(viewportOn(stood.device, stood), reader),
    })),
  );
}

function readAs(viewport: Viewport, { scheme, motion, text }: ReaderChoice): Viewport {
  return { ...viewport, ...(scheme && { scheme }), ...(motion && { motion }), ...(text !== undefined && { text }) };
}

/** Takes up what was looked at last in this project, or its first set. */
export function recallLineup(): void {
  const { projectId, project } = useSession.getState();
  let kept: { places?: Standing[]; setId?: string } = {};
  try {
    kept = JSON.parse(localStorage.getItem(storeKey(projectId)) ?? '{}') as typeof kept;
  } catch {
    localStorage.removeItem(storeKey(projectId));
  }
  const known = Array.isArray(kept.places) ? devicesOf(project.devices, { devices: kept.places.slice(0, SET_MOST) }) : [];
  const set = project.deviceSets.find(({ id }) => id === kept.setId) ?? project.deviceSets[0];
  const places = known.length > 0 ? known.map(({ device, ...hold }) => ({ device: device.id, ...hold })) : (set?.devices ?? []);
  useSession.setState({ mode: 'shape' });
  useLineup.setState({ tab: 'devices', active: undefined, setId: set?.id, places: places.map(asPlace) });
}

function setPlaces(places: readonly PlacedDevice[], change: Partial<Lineup> = {}): void {
  useLineup.setState({ places, ...change });
  const { setId } = useLineup.getState();
  const plain = places.map(({ key: _, ...standing }) => standing);
  localStorage.setItem(storeKey(useSession.getState().projectId), JSON.stringify({ places: plain, setId }));
}

export function showSet(setId: string): void {
  const set = useSession.getState().project.deviceSets.find(({ id }) => id === setId);
  if (set) setPlaces(set.devices.map(asPlace), { setId, active: undefined });
}

export function addToLineup(device: string): void {
  const { places } = useLineup.getState();
  if (places.length >= SET_MOST) return announce(`A line-up has at most ${SET_MOST} devices.`);
  setPlaces([...places, asPlace({ device })]);
}

export function removeFromLineup(key: number): void {
  const { places, active } = useLineup.getState();
  setPlaces(
    places.filter((place) => place.key !== key),
    active === key ? { active: undefined } : {},
  );
}

/** Takes a device out of the line-up wherever it stands, or puts it in. */
export function toggleInLineup(device: string): void {
  const { places } = useLineup.getState();
  const rest = places.filter((place) => place.device !== device);
  if (rest.length < places.length) setPlaces(rest);
  else addToLineup(device);
}

/** Turns one device, or all of those that turn. */
export function turn(key?: number): void {
  const { devices } = useSession.getState().project;
  const { places } = useLineup.getState();
  const turns = (place: PlacedDevice) => devices.find(({ id }) => id === place.device)?.turns;
  const chosen = places.filter((place) => (key === undefined || place.key === key) && turns(place));
  if (chosen.length === 0) return announce(key === undefined ? 'No device here turns.' : 'This device doesn’t turn.');
  const turned = key === undefined ? !chosen.every((place) => place.turned) : !chosen[0]!.turned;
  setPlaces(places.map((place) => (chosen.includes(place) ? { ...place, turned } : place)));
  followActive();
}

export function setPart(key: number, part: Part): void {
  const { places } = useLineup.getState();
  setPlaces(places.map((place) => (place.key === key ? { ...place, part } : place)));
  followActive();
}

/** Lets the frame of one place hold an element in a state of its own; without one it holds what the stage does. */
export function holdOn(key: number, hold: Hold | undefined): void {
  const { [key]: _, ...others } = useLineup.getState().holds;
  useLineup.setState({ holds: hold ? { ...others, [key]: hold } : others });
}

/** Makes a device the one that is worked on: the cursor goes to its width. */
export function activate(key: number): void {
  if (useLineup.getState().active === key) return;
  useLineup.setState({ active: key });
  followActive();
}

function followActive(): void {
  const { project } = useSession.getState();
  const lineup = useLineup.getState();
  const stands = standsOf(project, lineup).find(({ key }) => key === lineup.active);
  if (!stands) return;
  setWidth(stands.viewport.width);
  const { height, pointer } = stands.viewport;
  if (cutsAcross(conditionsOf(project))) setSlice({ height, pointer });
}

/** To the next or the previous device in the line-up. */
export function stepDevice(by: 1 | -1): void {
  const { project } = useSession.getState();
  const lineup = useLineup.getState();
  const stands = standsOf(project, lineup);
  if (stands.length === 0) return announce('There is no device in the line-up.');
  const at = stands.findIndex(({ key }) => key === lineup.active);
  const one = stands[at < 0 ? (by > 0 ? 0 : stands.length - 1) : (at + by + stands.length) % stands.length]!;
  activate(one.key);
  document.querySelector(`[data-place="${one.key}"]`)?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  announce(`${one.device.name}, ${one.viewport.width} by ${one.viewport.height} pixels`);
}

/** What the workbench is for now, and which part of the line-up it shows. */
export function showMode(mode: Mode, tab?: LineupTab): void {
  useSession.setState({ mode });
  if (tab) useLineup.setState({ tab });
}
