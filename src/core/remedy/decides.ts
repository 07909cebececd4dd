import type { Finding } from '../audit/sweep/ledger';
import { DEFAULT_SLICE } from '../breakpoints/viewport';
import { heldIn, lookOf } from '../cascade/look';
import { resolve } from '../cascade/resolve';
import type { Candidate } from '../cascade/sources';
import type { Page, Project } from '../document/project';
import type { Pseudo } from '../document/pseudo';
import { splitPseudo } from '../document/pseudo';
import { isProperty } from '../styles/properties';

/** The declaration that decides about a property of an element, or of a box or state of it, where a finding is worst. */
export function decides(
  project: Project,
  page: Page,
  { worst: { width, height } }: Finding,
  node: string,
  property: string,
): Candidate | undefined {
  if (!isProperty(property)) return undefined;
  const { id, pseudo } = splitPseudo(node);
  const slice = { ...DEFAULT_SLICE, ...(height !== undefined && { height }) };
  const look = lookOf(project, page, id, pseudo as Pseudo);
  const { origin } = resolve(look.project, look.page, look.node, property, width, heldIn(look, slice));
  return origin.kind === 'declared' ? origin.candidate : undefined;
}
