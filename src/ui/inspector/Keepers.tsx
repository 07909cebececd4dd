'use client';

import { useMemo } from 'react';
import type { At } from '@/core/breakpoints';
import { bandsOf, intersect } from '@/core/breakpoints';
import { heldIn, lookOf, resolve, writeReach } from '@/core/cascade';
import { isShorthand, longhandsOf } from '@/core/styles';
import { planClearStronger } from '@/core/plans';
import { listed } from '@/core/text';
import { propose } from '../editing/proposal';
import { ownerOf } from '@/core/edits';
import { shownPage, shownProject, shownPseudo, useSession, writtenOn, writtenTo } from '../state/store';

/** The bands that will not take what is written here, with what they keep, and an offer to clear that. */
export function Keepers({ property, target }: { property: string; target: At }) {
  const project = useSession(shownProject);
  const page = useSession(shownPage);
  const slice = useSession((session) => session.slice);
  const selection = useSession((session) => session.selection);
  const pseudo = useSession(shownPseudo);
  const written = useSession(writtenTo);
  const properties = useMemo(() => (isShorthand(property) ? longhandsOf(property) : [property]), [property]);
  const words = useMemo(() => {
    const kept = new Map<string, string[]>();
    for (const id of selection) {
      const element = page.elements[id];
      if (!element) continue;
      const look = lookOf(project, page, id, pseudo);
      for (const name of properties) {
        const { keeps } = writeReach(project, page, id, name, target, slice, pseudo, ownerOf(element, written));
        if (keeps.length === 0) continue;
        for (const band of bandsOf(project, slice)) {
          if (intersect([band], keeps).length === 0) continue;
          const { value } = resolve(look.project, look.page, look.node, name, band.from, heldIn(look, slice));
          kept.set(value, [...(kept.get(value) ?? []), band.name]);
        }
      }
    }
    return [...kept].map(([value, bands]) => {
      const who = [...new Set(bands)];
      return `${listed(who)} ${who.length > 1 ? 'keep their' : 'keeps its'} own ${value}`;
    });
  }, [selection, page, properties, project, target, slice, pseudo, written]);
  if (words.length === 0) return null;
  return (
    <p className="m-0 pt-0.5 text-xs text-amber-ink" data-testid="keepers">
      {words.join('; ')}.{' '}
      <button
        type="button"
        className="border-0 bg-transparent p-0 text-reed underline"
        // Before the field loses the focus and this goes with it.
        onPointerDown={(event) => event.preventDefault()}
        onClick={() => propose((now, at) => planClearStronger(now, at, writtenOn(useSession.getState()), target, properties))}
      >
        Clear those
      </button>
    </p>
  );
}
