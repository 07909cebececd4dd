import { hasSamples } from '../../tables/with-sample';
import type { Slice, Viewport } from '../../breakpoints/viewport';
import { conditionsOf } from '../../cascade/sources';
import { devicesOf } from '../../devices/device-set';
import { viewportOn } from '../../devices/device';
import type { Project } from '../../document/project';
import { treesOf } from '../../document/tree';
import { panelsOn } from '../../document/panels';
import type { Pseudo } from '../../document/pseudo';
import { readPseudo, splitPseudo } from '../../document/pseudo';
import type { Styled, StyleSet } from '../../document/style-sets';
import { carried } from '../../document/versions';
import type { View } from '../check';
import { REFLOW_VIEWPORT, widthsOf } from './range';

/** One way to look at a page: all its widths at all its heights. */
export interface Looking {
  readonly view: View;
  /** Viewport heights, px. */
  readonly heights: readonly number[];
  /** Whole px, ascending. */
  readonly widths: readonly number[];
  /** The same device held the other way. */
  readonly turned?: Pick<Viewport, 'width' | 'height'> | undefined;
}

const HEIGHTS_MOST = 40;
/** Below this a viewport isn't one that people read in; px. */
const HEIGHT_LEAST = 200;

/** Every viewport of the devices in the project's sets, as they stand there and turned. */
export function deviceViewports(project: Pick<Project, 'devices' | 'deviceSets'>): Viewport[] {
  const found = new Map<string, Viewport>();
  for (const set of project.deviceSets)
    for (const { device, ...hold } of devicesOf(project.devices, set))
      for (const turned of device.turns ? [hold.turned ?? false, !hold.turned] : [false]) {
        const viewport = viewportOn(device, { ...hold, turned });
        found.set(`${viewport.width} ${viewport.height}`, viewport);
      }
  return [...found.values()];
}

/** The heights that an audit looks at: those of the devices, and both sides of the edges of conditions on height. */
function heightsOf(project: Project): number[] {
  const heights = deviceViewports(project).map(({ height }) => height);
  for (const { heightFrom, heightBelow } of conditionsOf(project))
    for (const edge of [heightFrom, heightBelow]) if (edge) heights.push(Math.ceil(edge) - 1, Math.ceil(edge));
  return [...new Set(heights)]
    .filter((height) => height >= HEIGHT_LEAST)
    .sort((a, b) => a - b)
    .slice(0, HEIGHTS_MOST);
}

const STATE_VIEWS = ['pointed', 'focused', 'pressed'] as const;

/** Of which states something is said, each as a bit of a number. */
const Spoken = { none: 0, pointed: 1, focused: 2, pressed: 4 } as const;

/** The states in which anything may look otherwise than at rest, and as browsers see to by themselves. */
function statesSpokenOf(project: Project): ReadonlySet<View> {
  if (project.sheets.length > 0) return new Set(STATE_VIEWS);
  let spoken = 0;
  for (const key in project.kinds) spoken |= spokenIn(splitPseudo(key).pseudo, project.kinds[key]!);
  for (const style of project.shared) spoken |= spokenBy(style);
  for (const { elements } of treesOf(project)) spoken |= spokenAmong(elements);
  return new Set(STATE_VIEWS.filter((view) => (spoken & Spoken[view]) !== 0));
}

const spokenAmong = carried(
  (elements) => {
    let spoken = 0;
    for (const id in elements) spoken |= spokenBy(elements[id]!);
    return spoken;
  },
  (before, after) => (before ? spokenBy(before) : Spoken.none) !== (after ? spokenBy(after) : Spoken.none),
);

function spokenBy({ styles, pseudo }: Styled): number {
  let spoken = spokenIn('', styles);
  for (const key in pseudo) spoken |= spokenIn(key, pseudo[key]!);
  return spoken;
}

function spokenIn(pseudo: Pseudo, styles: StyleSet): number {
  const { state } = readPseudo(pseudo);
  return (
    (state === 'hover' ? Spoken.pointed | Spoken.pressed : state === 'active' ? Spoken.pressed : Spoken.none) |
    // The browser's own line can be taken away at rest too.
    (state === 'focus-visible' || saysOutline(styles) ? Spoken.focused : Spoken.none)
  );
}

function saysOutline(styles: StyleSet): boolean {
  for (const at in styles) for (const property in styles[at]) if (property.startsWith('outline')) return true;
  return false;
}

/** What is looked at first, and again after each edit: all widths at the height that was chosen. */
export const allWidthsAt = ({ audit }: Pick<Project, 'audit'>, slice: Slice): Looking => ({
  view: 'widths',
  heights: [slice.height],
  widths: widthsOf(audit.range),
});

/**
 * Everything that must be looked at to say what is wrong with a page: first every width at the height of the stage, then
 * the further views. Made of the project and the slice alone, so that windows, routes and workers mean the same by it.
 */
export function planOf(project: Project, slice: Slice): Looking[] {
  const spoken = statesSpokenOf(project);
  const heights = heightsOf(project).filter((height) => height !== slice.height);
  const widths = widthsOf(project.audit.range);
  const turned = deviceViewports(project).filter(({ width, height }) => width !== height);
  return [
    allWidthsAt(project, slice),
    ...(heights.length > 0 ? [{ view: 'heights' as const, heights, widths }] : []),
    { view: 'large-text', heights: [slice.height], widths },
    { view: 'spaced-text', heights: [slice.height], widths },
    ...STATE_VIEWS.filter((view) => spoken.has(view)).map((view) => ({ view, heights: [slice.height], widths })),
    ...(treesOf(project).some((tree) => panelsOn(tree).length > 0)
      ? [{ view: 'opened' as const, heights: [slice.height], widths }]
      : []),
    ...(hasSamples(project) ? [{ view: 'samples' as const, heights: [slice.height], widths }] : []),
    { view: 'reflow', heights: [REFLOW_VIEWPORT.height], widths: [REFLOW_VIEWPORT.width] },
    ...turned.map(({ width, height }): Looking => ({
      view: 'turned',
      heights: [height],
      widths: [width],
      turned: { width: height, height: width },
    })),
  ];
}

/** How many viewports a plan decides. */
export const viewportsIn = (plan: readonly Looking[]): number =>
  plan.reduce((sum, { heights, widths }) => sum + heights.length * widths.length, 0);
