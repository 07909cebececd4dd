import type { Viewport } from '@/core/breakpoints';
import { heldIn, isHiddenAt, lookOf, resolve } from '@/core/cascade';
import type { Page, Project } from '@/core/document';
import type { Hold } from '../state/lineup-slice';
import { shownPseudo, useSession } from '../state/store';
import type { FrameLayout } from '../preview/frame-message';
import { useChosenProperty } from './use-chosen-property';

interface Props {
  readonly project: Project;
  readonly page: Page;
  readonly viewport: Viewport;
  readonly layout: FrameLayout | undefined;
  /** What this frame alone holds. */
  readonly hold: Hold | undefined;
}

const round = (value: number) => Math.round(value * 10) / 10;

/** Under a frame: what the chosen property of the selected element is there, and how large the element came out. */
export function ValueLine({ project, page, viewport, layout, hold }: Props) {
  const id = useSession((session) => (session.selection.length === 1 ? session.selection[0] : undefined));
  const property = useChosenProperty();
  const shared = useSession(shownPseudo);
  const element = id === undefined ? undefined : page.elements[id];
  if (!element || id === undefined) return null;
  const hidden = isHiddenAt(project, page, id, viewport.width, viewport);
  const rect = layout?.rects[id];
  const look = lookOf(project, page, id, hold?.element === id ? `:${hold.state}` : shared);
  const value = property && resolve(look.project, look.page, look.node, property, viewport.width, heldIn(look, viewport)).value;
  return (
    <p className="m-0 h-5 truncate pt-0.5 font-mono text-[11px] leading-4 text-ink" data-testid="value-line">
      {property && (
        <>
          <span className="text-muted">{property}</span> {value}
        </>
      )}
      <span className="text-muted">{hidden ? ' · hidden' : rect ? ` · ${round(rect[2])} × ${round(rect[3])}` : ''}</span>
    </p>
  );
}
