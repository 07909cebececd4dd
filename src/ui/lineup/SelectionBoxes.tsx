import type { Page } from '@/core/document';
import { useSession } from '../state/store';
import type { FrameLayout } from '../preview/frame-message';

/** What is selected, as it stands in a frame that isn't the one in hand. */
export function SelectionBoxes({
  layout,
  zoom,
  page,
}: {
  readonly layout: FrameLayout | undefined;
  readonly zoom: number;
  readonly page: Page;
}) {
  const selection = useSession((session) => session.selection);
  return selection.map((id) => {
    const rect = layout?.rects[id];
    if (!rect || !page.elements[id]) return null;
    const [left, top, width, height] = rect.map((value) => value * zoom) as [number, number, number, number];
    return (
      <div
        key={id}
        aria-hidden
        data-selected={id}
        className="absolute border-2 border-reed"
        style={{ left: left - 1, top: top - 1, width: width + 2, height: height + 2 }}
      />
    );
  });
}
