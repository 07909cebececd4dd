'use client';

import type { ReactNode } from 'react';
import type { Page } from '@/core/document';
import { contains } from '@/core/breakpoints';
import { useSession } from '../state/store';
import { Distances } from './Distances';
import { DragMarks } from './DragMarks';
import type { FrameLayout } from '../preview/frame-message';
import { Handles } from './Handles';

interface Props {
  readonly layout: FrameLayout | undefined;
  readonly zoom: number;
  readonly page: Page;
  /** Marks that belong to the viewport. */
  readonly children?: ReactNode;
}

const NO_FINDINGS: never[] = [];

/** What lies over the page: outlines and names, handles, and the marks that are asked for. */
export function Overlay({ layout, zoom, page, children }: Props) {
  const selection = useSession((session) => session.selection);
  const hovered = useSession((session) => session.hovered);
  const findings = useSession((session) => session.findings[session.pageId] ?? NO_FINDINGS);
  const width = useSession((session) => session.width);
  const distancesShown = useSession((session) => session.distancesShown);
  // Nothing lies over words that are being written.
  const writing = useSession((session) => session.writing?.id);
  if (!layout) return null;
  const measured = layout.measured && selection.length === 1 && layout.measured.id === selection[0] ? layout.measured : null;
  const free = measured && measured.id !== writing && measured.id !== page.root && !page.elements[measured.id]?.locked;
  const wrong = new Set(findings.filter((finding) => contains(finding.widths, width)).map((finding) => finding.element));
  const boxes = [...new Set([...(hovered ? [hovered] : []), ...selection])];
  return (
    <div data-fine className="part pointer-events-none absolute inset-0 overflow-hidden will-change-transform">
      {children}
      {boxes.map((id) => {
        const rect = layout.rects[id];
        const element = page.elements[id];
        if (!rect || !element) return null;
        const chosen = selection.includes(id);
        // What is written in grows as it's written; its own caret shows where one is.
        if (writing !== undefined) return null;
        const [left, top, boxWidth, boxHeight] = rect.map((value) => value * zoom) as [number, number, number, number];
        const style = chosen
          ? wrong.has(id)
            ? 'border-2 border-dashed border-rust'
            : 'border-2 border-reed'
          : 'border border-reed';
        return (
          <div
            key={id}
            aria-hidden
            className={`absolute ${style}`}
            style={{ left: left - 1, top: top - 1, width: boxWidth + 2, height: boxHeight + 2 }}
          >
            {chosen && (
              <span
                className={`absolute -left-[2px] px-1.5 text-xs font-semibold whitespace-nowrap text-on-reed ${wrong.has(id) ? 'bg-rust' : 'bg-reed'} ${top > 20 ? 'bottom-full' : 'top-0'}`}
              >
                {element.name}
              </span>
            )}
          </div>
        );
      })}
      {free && <Handles key={measured.id} layout={layout} measured={measured} zoom={zoom} />}
      {measured && distancesShown && <Distances layout={layout} measured={measured} zoom={zoom} />}
      <DragMarks zoom={zoom} />
    </div>
  );
}
