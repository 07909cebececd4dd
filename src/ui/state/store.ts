import { create } from 'zustand';
import type { At, IntervalSet, Told } from '@/core/breakpoints';
import { BASE, bandAt, conditionInterval, contains, DEFAULT_SLICE } from '@/core/breakpoints';
import type { Page, Project, Pseudo } from '@/core/document';
import { hasPseudo, isInUse, pageOf, readPseudo } from '@/core/document';
import type { EditLog, Written } from '@/core/edits';
import { EMPTY_HISTORY, ownerOf } from '@/core/edits';
import { NO_AUDIT } from './audit-slice';
import { NOTHING_DRAGGED } from './dragging-slice';
import type { Hold } from './lineup-slice';
import { NO_LINEUP } from './lineup-slice';
import { FIRST_MARKS } from './marks-slice';
import { ALL_PANELS } from './panels-slice';
import type { Session } from './session';

export { WIDTH_MIN, WIDTH_MAX, HEIGHT_MIN, HEIGHT_MAX, GAUGE_VIEWS, MODES, PANEL_TABS } from './session';
export type { GaugeView, Mode, Saving, SweepState, PanelTab, Writing, SaidByFrame, Session } from './session';

/** What the frame on the stage has said of what is shown there now, at the cursor. */
export function toldHere(session: Session): Told | undefined {
  const { told, width, slice, pseudo, project } = session;
  const isHere = told?.width === width && told.slice === slice && told.pseudo === pseudo && told.project === project;
  return isHere && told.page === shownPage(session) ? told.told : undefined;
}

export const NOTHING_MARKED: IntervalSet = [];

/** No edit is in hand any more. */
export function unmark(): void {
  if (useSession.getState().marked.length > 0) useSession.setState({ marked: NOTHING_MARKED });
}

export const NOTHING_OUTSIDE: Session['outside'] = { partly: new Set(), wholly: new Set() };

export const useSession = create<Session>(() => ({
  mode: 'shape',
  projectId: '',
  project: undefined as unknown as Project,
  confirmed: undefined as unknown as Project,
  confirmedHistory: EMPTY_HISTORY,
  revision: 0,
  history: EMPTY_HISTORY,
  pending: [],
  saving: 'saved',
  connected: true,
  damage: undefined,
  news: undefined,
  problems: [],
  draft: undefined,
  pageId: '',
  width: 1200,
  selection: [],
  hovered: undefined,
  slice: DEFAULT_SLICE,
  pseudo: '',
  chosenTarget: undefined,
  targetLocked: false,
  chosenWritten: undefined,
  proposal: undefined,
  stopBackground: undefined,
  foretold: '',
  marked: NOTHING_MARKED,
  findings: {},
  accepted: {},
  sweeps: {},
  selectedFinding: undefined,
  panel: 'values',
  zoom: 'fit',
  outside: NOTHING_OUTSIDE,
  pictures: undefined,
  table: undefined,
  cutting: undefined,
  dropping: undefined,
  arrangementFor: undefined,
  recording: undefined,
  makingPanel: undefined,
  heightsShown: false,
  choosesSeveral: false,
  usePage: false,
  usedBefore: [],
  usedPlace: undefined,
  builds: 0,
  distancesShown: false,
  gaugeView: 'low',
  paletteOpen: false,
  told: undefined,
  removing: undefined,
  makingPart: undefined,
  removingPart: undefined,
  zoomShown: 1,
  lineup: NO_LINEUP,
  audit: NO_AUDIT,
  dragging: NOTHING_DRAGGED,
  writing: undefined,
  panels: ALL_PANELS,
  marks: FIRST_MARKS,
  announcement: '',
}));

type Part<K extends 'lineup' | 'audit' | 'dragging' | 'panels' | 'marks'> = Session[K];

/** One slice of the store, read and changed by itself. */
function sliceOf<K extends 'lineup' | 'audit' | 'dragging' | 'panels' | 'marks'>(name: K) {
  const use = <T = Part<K>>(select: (slice: Part<K>) => T = (slice) => slice as unknown as T): T =>
    useSession((session) => select(session[name]));
  return Object.assign(use, {
    getState: (): Part<K> => useSession.getState()[name],
    setState: (change: Partial<Part<K>> | ((slice: Part<K>) => Partial<Part<K>>)): void =>
      useSession.setState((session) => ({
        [name]: { ...session[name], ...(typeof change === 'function' ? change(session[name]) : change) },
      })),
  });
}

export const useLineup = sliceOf('lineup');
export const useAudit = sliceOf('audit');
export const useDragging = sliceOf('dragging');
export const usePanels = sliceOf('panels');
export const useMarks = sliceOf('marks');

/** The log alone, for its transitions. */
export const logOf = ({ revision, confirmed, confirmedHistory, pending, project, history }: Session): EditLog => ({
  revision,
  confirmed,
  confirmedHistory,
  pending,
  project,
  history,
});

/** The document on screen: the draft while a gesture lasts. */
export const shownProject = (session: Session): Project => session.draft ?? session.project;

export const shownPage = (session: Session): Page => {
  const project = shownProject(session);
  return pageOf(project, session.pageId) ?? project.pages[0]!;
};

/** The start of the band under the cursor: what resolving depends on, so that scrubbing inside a band costs nothing. */
export const shownBandStart = (session: Session): number => bandAt(shownProject(session), session.width, session.slice).from;

/** The project, page and band without the draft: for parts that needn't follow every step of a gesture. */
export const steadyProject = (session: Session): Project => session.project;
export const steadyPage = (session: Session): Page => pageOf(session.project, session.pageId) ?? session.project.pages[0]!;
export const steadyBandStart = (session: Session): number => bandAt(session.project, session.width, session.slice).from;

/** Where an edit goes: the chosen target while it holds at the cursor or is locked, else the band's own. */
export const writeTarget = (session: Session): At => {
  const project = shownProject(session);
  const { chosenTarget, targetLocked, width, slice } = session;
  if (chosenTarget === BASE) return BASE;
  const breakpoint = project.breakpoints.find((one) => one.id === chosenTarget);
  if (breakpoint && (targetLocked || contains([conditionInterval(breakpoint.condition, slice)], width))) return breakpoint.id;
  return bandAt(project, width, slice).home;
};

/** The state or box that was chosen, where all that is selected has it. */
export const shownPseudo = (session: Session): Pseudo => {
  const { pseudo, selection } = session;
  if (pseudo === '') return '';
  const { elements } = shownPage(session);
  const chosen = selection.flatMap((id) => elements[id] ?? []);
  return chosen.length > 0 && chosen.every((element) => hasPseudo(element, pseudo)) ? pseudo : '';
};

/** Where edits of what uses of parts show go: a use that is selected itself is meant alone, what it shows with its part. */
export const writtenTo = (session: Session): Written => {
  if (session.chosenWritten) return session.chosenWritten;
  return session.selection.some(isInUse) ? 'part' : 'here';
};

/** The id that an element's values are written on. */
export const ownerNow = (session: Session, id: string): string => {
  const element = shownPage(session).elements[id];
  return element ? ownerOf(element, writtenTo(session)) : id;
};

/** What edits of the selection write on: the elements, in the state or on the box that was chosen. */
export const writtenOn = (session: Session): readonly string[] => {
  const pseudo = shownPseudo(session);
  return [...new Set(session.selection.map((id) => ownerNow(session, id) + pseudo))];
};

/** What the stage holds: the element that was selected last, in the state that was chosen. */
export const heldOnStage = (session: Session): Hold | undefined => {
  const { state } = readPseudo(shownPseudo(session));
  const element = session.selection[session.selection.length - 1];
  return state && element !== undefined ? { element, state } : undefined;
};
