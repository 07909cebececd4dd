'use client';

import type { RefObject } from 'react';
import { useMemo } from 'react';
import { namesUnderConditions } from '@/core/cascade';
import type { Page, Project, Pseudo } from '@/core/document';
import { stylesOf } from '@/core/edits';
import { longhandsOf, PROPERTIES, propertyNamed } from '@/core/styles';
import { COMPOSITES, compose } from '../origin/composites';
import { describeCandidate } from '../origin/field-value';
import { shownPseudo, steadyPage, steadyProject, useSession } from '../state/store';
import type { Shaped } from '../value-controls/shape';

const SHOWN_MOST = 6;

interface Here {
  readonly property: string;
  readonly label: string;
  readonly value: string;
  readonly from?: string;
}

/** By property; undefined where what is selected differs. Those of a shorthand together where all of them are there. */
function together(values: ReadonlyMap<string, string | undefined>, fromOf?: (property: string) => string): Here[] {
  const found: Here[] = [];
  const told = new Set<string>();
  const order = [...PROPERTIES.map(({ name }) => name).filter((name) => values.has(name)), ...values.keys()];
  for (const name of new Set(order)) {
    if (told.has(name)) continue;
    const whole = COMPOSITES.find(({ longhands }) => longhands.includes(name) && longhands.every((one) => values.has(one)));
    const names = whole?.longhands ?? [name];
    names.forEach((one) => told.add(one));
    const each = names.map((one) => values.get(one));
    const value = each.every((one) => one !== undefined) ? compose(each) : 'several';
    const words = { property: whole?.shorthand ?? name, label: whole?.label ?? propertyNamed(name).label, value };
    found.push(fromOf ? { ...words, from: fromOf(name) } : words);
  }
  return found;
}

/** Own values at the write target, whatever holds at these widths. */
function ownHere(project: Project, { owners, target }: Shaped): Here[] {
  const each = owners.map((owner) => stylesOf(project, owner)?.[target] ?? {});
  const names = new Set(each.flatMap((own) => Object.keys(own)));
  const alike = (name: string) => (each.every((own) => own[name] === each[0]![name]) ? each[0]![name] : undefined);
  return together(new Map([...names].map((name) => [name, alike(name)])));
}

/** Values that hold at these widths and not at all, written elsewhere than at the write target. */
function otherHere(project: Project, page: Page, { ids, fields, target }: Shaped, pseudo: Pseudo): Here[] {
  const names = new Set(ids.flatMap((id) => [...namesUnderConditions(project, page, id, pseudo)]));
  const winner = (name: string) => {
    const { ownHere: isOwn, resolution } = fields.get(name)!;
    const said = resolution.origin.kind === 'declared' ? resolution.origin.candidate : undefined;
    return said?.when && !(isOwn && said.at === target) ? said : undefined;
  };
  const others = [...names].filter((name) => winner(name));
  return together(new Map(others.map((name) => [name, fields.get(name)!.value])), (name) =>
    describeCandidate(project, winner(name)!),
  );
}

/** Brings the field of a property into sight and gives it the focus, or the controls that stand for it. */
function goTo(within: HTMLElement | null, property: string): void {
  if (!within) return;
  const { group } = propertyNamed(longhandsOf(property)[0] ?? property);
  const heading = within.querySelector<HTMLElement>(`[data-section="${group}"] h3 button`);
  if (heading?.getAttribute('aria-expanded') === 'false') heading.click();
  requestAnimationFrame(() => {
    const control = within.querySelector(`[data-stands-for~="${property}"]`);
    const field =
      within.querySelector<HTMLElement>(`[data-property="${property}"]`) ??
      control?.querySelector<HTMLElement>('input, select, button') ??
      heading;
    field?.scrollIntoView({ block: 'nearest' });
    field?.focus({ preventScroll: true });
  });
}

/** What is written for this element at the write target, and what else is otherwise at these widths than at others, before all else. */
export function SetHere({ shaped, within }: { shaped: Shaped; within: RefObject<HTMLDivElement | null> }) {
  const project = useSession(steadyProject);
  const page = useSession(steadyPage);
  const pseudo = useSession(shownPseudo);
  const own = useMemo(() => ownHere(project, shaped), [project, shaped]);
  const other = useMemo(() => otherHere(project, page, shaped, pseudo), [project, page, shaped, pseudo]);
  return (
    <>
      <Values title="Set here" values={own} within={within} />
      <Values title="Other at these widths" values={other} within={within} />
    </>
  );
}

function Values({ title, values, within }: { title: string; values: readonly Here[]; within: RefObject<HTMLDivElement | null> }) {
  if (values.length === 0) return null;
  return (
    <section aria-label={title} className="flex flex-wrap items-center gap-1 px-3.5 py-1.5 text-xs">
      <h3 className="m-0 text-xs font-semibold text-muted">{title}</h3>
      {values.slice(0, SHOWN_MOST).map(({ property, label, value, from }) => (
        <button
          key={property}
          type="button"
          title={`${label}: ${value}${from ? `, ${from}` : ''}`}
          className={`min-h-6 max-w-[134px] truncate rounded-[3px] border bg-well px-1.5 hover:border-edge ${from ? 'border-dashed border-line-strong' : 'border-line'}`}
          onClick={() => goTo(within.current, property)}
        >
          {label} <span className="font-mono">{value}</span>
        </button>
      ))}
      {values.length > SHOWN_MOST && <span className="text-muted">and {values.length - SHOWN_MOST} more</span>}
    </section>
  );
}
