import { drawnWidth } from '@/core/pictures/drawn';
import { fits } from '@/probe/fits';
import { imageRooms, openEverything } from '@/probe/pictures';

/** How large images and the boxes of some elements are at a width, with all open that opens. */
export interface RoomsAt {
  readonly width: number;
  /** How wide the whole of each picture is drawn, CSS px; 0 where it isn't shown. */
  readonly images: Readonly<Record<string, number>>;
  /** Padding boxes, CSS px. */
  readonly boxes: Readonly<Record<string, readonly [width: number, height: number]>>;
}

/** All that a frame shows, with all open that opens. @param ids elements whose boxes are wanted besides */
export function roomsAt(frame: HTMLIFrameElement, widths: readonly number[], ids: readonly string[]): RoomsAt[] {
  const inside = frame.contentDocument!;
  openEverything(inside);
  const boxed = ids.flatMap((id) => inside.querySelector<HTMLElement>(`[data-mp-node="${CSS.escape(id)}"]`) ?? []);
  return widths.map((width): RoomsAt => {
    frame.style.width = `${width}px`;
    return {
      width,
      images: Object.fromEntries(
        imageRooms(inside).map(({ id, fit, own, ...room }) => [id, drawnWidth(room, fit, own[0] / own[1], own[0])]),
      ),
      boxes: Object.fromEntries(boxed.map((one) => [one.dataset.mpNode!, [one.clientWidth, one.clientHeight]])),
    };
  });
}

/** Whether all that shows of a row fits, by width. */
export function fitsAt(frame: HTMLIFrameElement, widths: readonly number[], id: string): boolean[] {
  const row = frame.contentDocument!.querySelector<HTMLElement>(`[data-mp-node="${CSS.escape(id)}"]`);
  return widths.map((width) => {
    frame.style.width = `${width}px`;
    return !row || fits(row);
  });
}
