import type { Viewport } from '../breakpoints/viewport';
import type { Scrollbar } from '../devices/device';

/** How a page is pictured: on a viewport, with the scrollbars that its device has. */
export interface Shot {
  readonly viewport: Viewport;
  readonly scrollbar: Scrollbar;
}
