import type { Finding, View, WrongWidth } from '@/core/audit';
import type { At, IntervalSet, Slice, Told } from '@/core/breakpoints';
import type { Page, Project, Pseudo } from '@/core/document';
import type { EditLog, Written } from '@/core/edits';
import type { Plan } from '@/core/plans';
import type { Audit } from './audit-slice';
import type { Dragging } from './dragging-slice';
import type { Lineup } from './lineup-slice';
import type { MarkId } from './marks-slice';
import type { Panel, PanelName } from './panels-slice';
import type { Recording } from './recording';
import type { Damage } from '../requests/requests';

export const WIDTH_MIN = 240;
export const WIDTH_MAX = 2560;
export const HEIGHT_MIN = 200;
export const HEIGHT_MAX = 2000;

/** Nothing below the scale, or what is written along it. */
export const GAUGE_VIEWS = ['low', 'lanes', 'spans'] as const;
export type GaugeView = (typeof GAUGE_VIEWS)[number];

/** What the workbench is for now: shaping one page, looking at it on many devices, or auditing it. */
export const MODES = ['pages', 'shape', 'lineup', 'audit'] as const;
export type Mode = (typeof MODES)[number];

export type Saving = 'saved' | 'saving' | 'waiting';

export interface SweepState {
  readonly decided: number;
  readonly total: number;
  readonly running: boolean;
  readonly stopped: boolean;
  readonly error?: string | undefined;
  /** What is being looked at over and above every width, while it is. */
  readonly further?: View | undefined;
  /** Whether all further views are known, too. */
  readonly complete?: boolean;
  /** Whether an edit has reached it since the project was opened. */
  readonly reached?: boolean;
  /** How many findings there were before the last edit that reached it. */
  readonly before?: number;
  /** Layouts that it took so far. */
  readonly layouts?: number;
  /** Whether each width was measured, since nothing says where something on the page changes. */
  readonly everyWidth?: boolean;
  /** A width that was worked out and turned out otherwise when it was measured: a fault of ours. */
  readonly wrong?: WrongWidth | undefined;
}

export const PANEL_TABS = ['values', 'findings', 'set', 'styles', 'columns'] as const;
export type PanelTab = (typeof PANEL_TABS)[number];

/** Where in a text somebody writes. */
export interface Writing {
  readonly id: string;
  readonly start: number;
  readonly end: number;
  /** The elements around what is chosen, outermost first. */
  readonly marks: readonly { readonly id: string; readonly tag: string }[];
}

export interface SaidByFrame {
  readonly project: Project;
  readonly page: Page;
  readonly width: number;
  readonly slice: Slice;
  /** The state that was held meanwhile. */
  readonly pseudo: Pseudo;
  readonly told: Told;
}

/** All that the workbench knows. Components pick the parts they show; changes go through `edits.ts` and `actions.ts`. */
export interface Session extends EditLog {
  readonly mode: Mode;
  readonly projectId: string;
  readonly saving: Saving;
  /** Whether edits of others come in as they are made. */
  readonly connected: boolean;
  /** Why the project can't be edited: what is stored can't be read, and an earlier revision is shown. */
  readonly damage: Damage | undefined;
  /** What happened without being asked for, until it is read. */
  readonly news: string | undefined;
  /** What went wrong, until it is read. */
  readonly problems: readonly string[];
  /** What a gesture would make of the document, while it lasts. */
  readonly draft: Project | undefined;
  readonly pageId: string;
  /** The cursor: viewport width in whole px. */
  readonly width: number;
  readonly selection: readonly string[];
  readonly hovered: string | undefined;
  /** Height and pointer of the viewport; the widths run across it. */
  readonly slice: Slice;
  /** The state or box of what is selected that is looked at and written to; empty at rest. */
  readonly pseudo: Pseudo;
  /** The write target that was chosen; undefined follows the band. */
  readonly chosenTarget: At | undefined;
  /** Whether edits of what a use of a part shows go to the part or to that use; undefined leaves it to what is selected. */
  readonly chosenWritten: Written | undefined;
  /** Whether the chosen target stays while the cursor moves, even where it doesn't hold. */
  readonly targetLocked: boolean;
  /** An edit thought out, waiting for a yes. */
  readonly proposal: Plan | undefined;
  /** Set while a plan is being worked out beside the page; called, it ends that. */
  readonly stopBackground: (() => void) | undefined;
  /** What the control in hand would do, in words. */
  readonly foretold: string;
  /** Widths that the edit in hand would change. */
  readonly marked: IntervalSet;
  readonly findings: Readonly<Record<string, readonly Finding[]>>;
  /** Those that the project takes as they are. */
  readonly accepted: Readonly<Record<string, readonly Finding[]>>;
  readonly sweeps: Readonly<Record<string, SweepState>>;
  readonly selectedFinding: string | undefined;
  readonly panel: PanelTab;
  readonly zoom: 'fit' | number;
  /** Whether the project's pictures are shown, and which side of them. */
  readonly pictures: 'list' | 'fetched' | undefined;
  /** The table that is open, and which set of its rows. */
  readonly table: { readonly id: string; readonly set?: string | undefined } | undefined;
  /** The image whose picture is about to be cut, and where for. */
  readonly cutting: { readonly element: string; readonly at: At } | undefined;
  /** The row out of which items are about to drop. */
  readonly dropping: string | undefined;
  /** The element for which an arrangement is being chosen. */
  readonly arrangementFor: string | undefined;
  /** What is done to an element while it is recorded as a recipe. */
  readonly recording: Recording | undefined;
  /** The element that is about to become a panel. */
  readonly makingPanel: string | undefined;
  /** Whether the axis of heights stands beside the page, which is then as high as it says. */
  readonly heightsShown: boolean;
  /** Each press adds to the selection: for fingers, and for who can't hold a key. */
  readonly choosesSeveral: boolean;
  /** Whether pages in frames are used as visitors use them, not edited. */
  readonly usePage: boolean;
  /** The pages from which links led on while pages are used, the last one last. */
  readonly usedBefore: readonly string[];
  /** The place of the page, by its HTML id, that a link led to. */
  readonly usedPlace: string | undefined;
  /** How many alternates have been built since the used page was opened. */
  readonly builds: number;
  /** Elements of the page on stage that stand partly or wholly past its sides. */
  readonly outside: { readonly partly: ReadonlySet<string>; readonly wholly: ReadonlySet<string> };
  /** Distances on the stage, while a key is held. */
  readonly distancesShown: boolean;
  /** What the gauge shows under its scale. */
  readonly gaugeView: GaugeView;
  readonly paletteOpen: boolean;
  /** What the frame on the stage said of rules that can't be told from here, and of what exactly. */
  readonly told: SaidByFrame | undefined;
  /** The breakpoint that is about to be removed, while people decide what becomes of its values. */
  readonly removing: string | undefined;
  /** The element that is about to become a part, while people decide about others that are the same. */
  readonly makingPart: string | undefined;
  /** The part that is about to be removed, while people decide what becomes of its uses. */
  readonly removingPart: string | undefined;
  /** The zoom that the frames of the line-up really have, for those that show it. */
  readonly zoomShown: number;
  readonly lineup: Lineup;
  readonly audit: Audit;
  readonly dragging: Dragging;
  /** The text that is being written on a page; undefined for none. */
  readonly writing: Writing | undefined;
  readonly panels: Readonly<Record<PanelName, Panel>>;
  readonly marks: Readonly<Record<MarkId, boolean>>;
  /** A polite word for those who can't see what happened. */
  readonly announcement: string;
}
