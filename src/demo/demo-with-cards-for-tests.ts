import type { Project } from '@/core/document';
import { applyEdit } from '@/core/edits';
import { cardEdits } from './cards-for-tests';
import { demoProject } from './index';

/** The demo with the first cards of its catalogue as elements that can each be otherwise. */
export function demoWithCards(): Project {
  const demo = demoProject('00000000-0000-4000-8000-000000000001');
  return cardEdits(demo).reduce((project, edit) => applyEdit(project, edit).document, demo);
}
