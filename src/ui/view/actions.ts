import { loadFiles } from '../bring-in/files';
import type { At, Breakpoint, Slice } from '@/core/breakpoints';
import {
  BASE,
  bandAt,
  bandsOf,
  breakpointName,
  conditionAt,
  cutsAcross,
  DEFAULT_SLICE,
  describeCondition,
  sameCondition,
} from '@/core/breakpoints';
import { conditionsOf } from '@/core/cascade';
import type { Pseudo } from '@/core/document';
import { withPseudo } from '@/core/document';
import { bandTarget } from '@/core/plans';
import type { Edit } from '@/core/edits';
import { opened, stylesOf } from '@/core/edits';
import { addedFonts, BUNDLED_FONTS } from '@/core/render';
import { checkNewValue, familyProblem } from '@/core/styles';
import { openProject } from '../requests/requests';
import { announce, commit, commitOrReport } from '../editing/edits';
import { listen } from '../editing/live';
import { settled } from '../editing/sync';
import { sendUnsent } from '../editing/unsent';
import {
  HEIGHT_MAX,
  HEIGHT_MIN,
  NOTHING_OUTSIDE,
  shownPseudo,
  useLineup,
  useSession,
  WIDTH_MAX,
  WIDTH_MIN,
  writeTarget,
  writtenOn,
} from '../state/store';
import { allWidthsChanged, continueSweep, forgetSweeps } from '../measuring/sweep';

export const key = () => crypto.randomUUID().replace(/-/g, '').slice(0, 12);
export const newElementId = () => `e${key()}`;

export async function open(projectId: string): Promise<void> {
  await settled();
  const { news, problems } = await sendUnsent(projectId);
  const { project, revision, history, damage } = await openProject(projectId);
  await loadFiles(project);
  forgetSweeps();
  useSession.setState({
    ...opened(project, revision, history),
    projectId,
    damage,
    saving: 'saved',
    news,
    problems,
    draft: undefined,
    pageId: project.pages[0]!.id,
    selection: [],
    hovered: undefined,
    pseudo: '',
    chosenTarget: undefined,
    targetLocked: false,
    chosenWritten: undefined,
    proposal: undefined,
    usePage: false,
    usedBefore: [],
    slice: DEFAULT_SLICE,
    findings: {},
    accepted: {},
    sweeps: {},
    selectedFinding: undefined,
  });
  // What a frame holds is an element of the project that was open.
  useLineup.setState({ holds: {} });
  listen(projectId);
  continueSweep();
}

export function showPage(pageId: string): void {
  useSession.setState({
    pageId,
    selection: [],
    hovered: undefined,
    selectedFinding: undefined,
    draft: undefined,
    outside: NOTHING_OUTSIDE,
  });
  continueSweep();
}

export function setWidth(width: number): void {
  const next = Math.round(Math.min(WIDTH_MAX, Math.max(WIDTH_MIN, width)));
  if (next !== useSession.getState().width) useSession.setState({ width: next });
}

export function select(ids: readonly string[], add = false): void {
  const { selection, choosesSeveral } = useSession.getState();
  const more = add || (choosesSeveral && ids.length > 0);
  const next = more ? [...selection.filter((id) => !ids.includes(id)), ...ids.filter((id) => !selection.includes(id))] : ids;
  const same = next.length === selection.length && next.every((id, i) => id === selection[i]);
  useSession.setState({ selection: next, marked: [], ...(!same && { chosenWritten: undefined }) });
}

/** From now on each press adds to what is selected, or takes it out, as with Shift; or no more. */
export function chooseSeveral(several: boolean): void {
  useSession.setState({ choosesSeveral: several });
  announce(several ? 'Each press adds to what is selected, or takes it out.' : 'A press selects one element again.');
}

/** Looks at what is selected in a state, or at another box of it, and writes there from then on; empty for at rest. */
export function choosePseudo(pseudo: Pseudo): void {
  useSession.setState({ pseudo, marked: [] });
  const words = withPseudo('what is selected', shownPseudo(useSession.getState()));
  announce(pseudo === '' ? 'Edits go to what is selected at rest.' : `Edits go to ${words}.`);
}

export function chooseTarget(target: At): void {
  useSession.setState({ chosenTarget: target });
}

/** Keeps the write target while the cursor moves, or lets it follow again. */
export function lockTarget(locked: boolean): void {
  const session = useSession.getState();
  useSession.setState(locked ? { targetLocked: true, chosenTarget: writeTarget(session) } : { targetLocked: false });
  announce(locked ? 'The write target stays while you move.' : 'The write target follows the width again.');
}

/** The targets that can be chosen at the cursor: the base and each breakpoint that holds there. */
export function targetsHere(): At[] {
  const { project, width, slice } = useSession.getState();
  return [BASE, ...bandAt(project, width, slice).holds];
}

/** Lets edits reach only the band under the cursor; adds the bounded breakpoint that it takes, where there is none. */
export function chooseBandOnly(): void {
  const { project, width, slice } = useSession.getState();
  const { at, add } = bandTarget(project, slice, width, `b${key()}`);
  if (!add || commitOrReport({ type: 'addBreakpoint', breakpoint: add })) chooseTarget(at);
}

/** Another viewport height or pointer. What was measured holds for the old one only where those don't matter. */
export function setSlice(change: Partial<Slice>): void {
  const { slice, project } = useSession.getState();
  const next = { ...slice, ...change };
  next.height = Math.round(Math.min(HEIGHT_MAX, Math.max(HEIGHT_MIN, next.height)));
  if (next.height === slice.height && next.pointer === slice.pointer) return;
  useSession.setState({ slice: next });
  // Heights are kept apart; another pointer is only where something asks for one.
  if (next.pointer !== slice.pointer && cutsAcross(conditionsOf(project))) allWidthsChanged();
  continueSweep();
}

/** The next post (or none) in a direction: the first whole width past it. */
export function jumpToBreakpoint(direction: 1 | -1): void {
  const { project, width, slice } = useSession.getState();
  const edges = bandsOf(project, slice)
    .slice(1)
    .flatMap(({ from }) => [Math.ceil(from) - 1, Math.ceil(from)]);
  const ahead = edges.filter((edge) => (edge - width) * direction > 0).sort((a, b) => (a - b) * direction)[0];
  if (ahead === undefined) announce('No further breakpoint.');
  else setWidth(ahead);
}

/** The next width in a direction at which a finding begins or ends. */
export function jumpToFinding(direction: 1 | -1): void {
  const { findings, pageId, width } = useSession.getState();
  const widths = (findings[pageId] ?? []).flatMap((finding) => finding.widths.flatMap(({ from, below }) => [from, below - 1]));
  const ahead = widths.filter((one) => (one - width) * direction > 0).sort((a, b) => (a - b) * direction)[0];
  if (ahead === undefined) announce('No further finding.');
  else setWidth(ahead);
}

/** A new breakpoint at the cursor; edits go there from then on. */
export function addBreakpointHere(direction: 'narrower' | 'wider'): void {
  const { project, width } = useSession.getState();
  const condition = conditionAt(width, direction);
  const there = project.breakpoints.find((one) => sameCondition(one.condition, condition));
  if (there) {
    announce(`${there.name} already holds at ${describeCondition(condition)}; edits go there.`);
    return chooseTarget(there.id);
  }
  const breakpoint: Breakpoint = { id: `b${key()}`, name: breakpointName(project, condition), condition };
  if (commitOrReport({ type: 'addBreakpoint', breakpoint })) useSession.setState({ chosenTarget: breakpoint.id });
}

/** Which way a new breakpoint at the cursor opens if nobody says: as the others do on this side of the base. */
export function likelyDirection(): 'narrower' | 'wider' {
  const { project, width, slice } = useSession.getState();
  const base = bandsOf(project, slice).filter((band) => band.home === BASE);
  if (base.length === 0 || project.breakpoints.length === 0) return 'narrower';
  if (bandAt(project, width, slice).home === BASE)
    return project.breakpoints.every(({ condition }) => condition.from !== undefined) ? 'wider' : 'narrower';
  return width >= base[0]!.from ? 'wider' : 'narrower';
}

/** Writes a value for all that is selected, as one edit. Returns what is wrong, in words. */
export function writeValue(property: string, value: string, at: At, gesture?: string): string | undefined {
  if (property === 'font-family') {
    const added = addedFonts(useSession.getState().project).map(({ font }) => font.family);
    const unknown = familyProblem(value, [...BUNDLED_FONTS.map(({ family }) => family), ...added]);
    if (unknown) return unknown;
  }
  const checked = checkNewValue(property, value);
  if (!checked.ok) return checked.message;
  const edit = writeEdit(property, value, at);
  return edit && commit(edit, gesture && `${gesture} ${property} ${at} ${writtenOn(useSession.getState()).join()}`);
}

/** The edit that writes a value for all that is selected: one edit, however many there are. */
export function writeEdit(property: string, value: string, at: At): Edit | undefined {
  const owners = writtenOn(useSession.getState());
  const [first] = owners;
  if (first === undefined) return undefined;
  const checked = checkNewValue(property, value);
  // What is wrong with a value is said by the edit of one.
  if (owners.length === 1 || !checked.ok) return { type: 'setStyle', owner: first, at, property, value };
  const changes = owners.flatMap((owner) =>
    Object.entries(checked.declarations).map(([name, part]) => ({ owner, at, property: name, value: part })),
  );
  return { type: 'restyle', label: `Set ${property} of ${owners.length} elements to ${value}`.slice(0, 300), changes };
}

/** Clears own values of properties, where there are any, on all that is selected. */
export function clearValues(properties: readonly string[], at: At): void {
  const session = useSession.getState();
  const changes = writtenOn(session).flatMap((owner) =>
    properties
      .filter((property) => stylesOf(session.project, owner)?.[at]?.[property] !== undefined)
      .map((property) => ({ owner, at, property, value: null })),
  );
  const [only] = changes;
  if (!only) return announce('There is no own value here to clear.');
  commitOrReport(
    changes.length === 1
      ? { type: 'clearStyle', owner: only.owner, at, property: only.property }
      : { type: 'restyle', label: `Clear ${properties.length > 1 ? 'values' : properties[0]}`, changes },
  );
}
