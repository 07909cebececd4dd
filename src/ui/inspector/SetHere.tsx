'use client';

import type { RefObject } from 'react';
import { useMemo } from 'react';
import type { Project } from '@/core/document';
import { stylesOf } from '@/core/edits';
import { longhandsOf, PROPERTIES, propertyNamed } from '@/core/styles';
import { COMPOSITES, gathered } from '../origin/composites';
import { steadyProject, useSession } from '../state/store';
import type { Shaped } from '../value-controls/shape';

const SHOWN_MOST = 6;

interface Here {
  readonly property: string;
  readonly label: string;
  readonly value: string;
}

/** Own values at the write target, those of a shorthand together where all of them are. */
function ownHere(project: Project, { owners, target, fields }: Shaped): Here[] {
  const found: Here[] = [];
  const told = new Set<string>();
  const own = new Set(owners.flatMap((owner) => Object.keys(stylesOf(project, owner)?.[target] ?? {})));
  const order = [...PROPERTIES.map(({ name }) => name).filter((name) => own.has(name)), ...own];
  for (const name of new Set(order)) {
    if (told.has(name)) continue;
    const whole = COMPOSITES.find(({ longhands }) => longhands.includes(name) && longhands.every((one) => own.has(one)));
    const names = whole?.longhands ?? [name];
    names.forEach((one) => told.add(one));
    const value = gathered(fields, names).value ?? 'several';
    found.push({ property: whole?.shorthand ?? name, label: whole?.label ?? propertyNamed(name).label, value });
  }
  return found;
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

/** What is written for this element at the write target, before all else. */
export function SetHere({ shaped, within }: { shaped: Shaped; within: RefObject<HTMLDivElement | null> }) {
  const project = useSession(steadyProject);
  const here = useMemo(() => ownHere(project, shaped), [project, shaped]);
  if (here.length === 0) return null;
  return (
    <section aria-label="Set here" className="flex flex-wrap items-center gap-1 px-3.5 py-1.5 text-xs">
      <h3 className="m-0 text-xs font-semibold text-muted">Set here</h3>
      {here.slice(0, SHOWN_MOST).map(({ property, label, value }) => (
        <button
          key={property}
          type="button"
          title={`${label}: ${value}`}
          className="min-h-6 max-w-[134px] truncate rounded-[3px] border border-line bg-well px-1.5 hover:border-edge"
          onClick={() => goTo(within.current, property)}
        >
          {label} <span className="font-mono">{value}</span>
        </button>
      ))}
      {here.length > SHOWN_MOST && <span className="text-muted">and {here.length - SHOWN_MOST} more</span>}
    </section>
  );
}
