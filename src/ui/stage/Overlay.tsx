'use client';

import type { Page } from '@/core/document';
import { contains } from '@/core/breakpoints';
import { useSession } from '../session/store';
import type { FrameLayout } from './frame-message';

interface Props {
  readonly layout: FrameLayout | undefined;
  readonly zoom: number;
  readonly page: Page;
}

const NO_FINDINGS: never[] = [];

/** Outlines over the page: the selection with its name, what the pointer is on, the finding that was chosen. */
export function Overlay({ layout, zoom, page }: Props) {
  const selection = useSession((session) => session.selection);
  const hovered = useSession((session) => session.hovered);
  const findings = useSession((session) => session.findings[session.pageId] ?? NO_FINDINGS);
  const width = useSession((session) => session.width);
  if (!layout) return null;
  const wrong = new Set(
    findings.filter((finding) => contains(finding.widths, width)).map((finding) => finding.element),
  );
  const boxes = [...new Set([...(hovered ? [hovered] : []), ...selection])];
  return (
    <div aria-hidden className="part pointer-events-none absolute inset-0 overflow-hidden will-change-transform">
      {boxes.map((id) => {
        const rect = layout.rects[id];
        const element = page.elements[id];
        if (!rect || !element) return null;
        const chosen = selection.includes(id);
        const [left, top, boxWidth, boxHeight] = rect.map((value) => value * zoom) as [number, number, number, number];
        const style = chosen
          ? wrong.has(id)
            ? 'border-2 border-dashed border-rust'
            : 'border-2 border-reed'
          : 'border border-reed';
        return (
          <div
            key={id}
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
    </div>
  );
}
