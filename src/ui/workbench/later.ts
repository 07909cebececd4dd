import { dialogOnDemand, viewOnDemand } from '../view/on-demand';

// What the workbench shows only when it is asked for.

export const AuditView = viewOnDemand(() => import('../audit/AuditView').then((module) => module.AuditView));
export const LineUp = viewOnDemand(() => import('../lineup/LineUp').then((module) => module.LineUp));
export const PagesPanel = viewOnDemand(() => import('../pages/PagesPanel').then((module) => module.PagesPanel));

export const ArrangementDialog = dialogOnDemand(
  () => import('../arrangements/ArrangementDialog').then((module) => module.ArrangementDialog),
  ({ arrangementFor }) => arrangementFor !== undefined,
);
export const CutDialog = dialogOnDemand(
  () => import('../pictures/CutDialog').then((module) => module.CutDialog),
  ({ cutting }) => cutting !== undefined,
);
export const DropDialog = dialogOnDemand(
  () => import('../swapping/DropDialog').then((module) => module.DropDialog),
  ({ dropping }) => dropping !== undefined,
);
export const PanelDialog = dialogOnDemand(
  () => import('../swapping/PanelDialog').then((module) => module.PanelDialog),
  ({ makingPanel }) => makingPanel !== undefined,
);
export const PartDialogs = dialogOnDemand(
  () => import('../parts/PartDialogs').then((module) => module.PartDialogs),
  ({ makingPart, removingPart }) => makingPart !== undefined || removingPart !== undefined,
);
export const PicturesDialog = dialogOnDemand(
  () => import('../pictures/PicturesDialog').then((module) => module.PicturesDialog),
  ({ pictures }) => pictures !== undefined,
);
export const TableDialog = dialogOnDemand(
  () => import('../lists/TableDialog').then((module) => module.TableDialog),
  ({ table }) => table !== undefined,
);
