/** An image made of pixels, as it stands in a frame. */
export interface ImageRoom {
  readonly id: string;
  /** Its content box, CSS px; nothing where it isn't shown. */
  readonly width: number;
  readonly height: number;
  readonly fit: string;
  /** Of what it shows, px. */
  readonly own: readonly [width: number, height: number];
}

const number = (text: string) => parseFloat(text) || 0;

/** What is left of an element's border box for its content. */
export function contentBox(element: Element, style: CSSStyleDeclaration): readonly [width: number, height: number] {
  // Transforms don't count: they change no room.
  const { offsetWidth, offsetHeight } = element as HTMLElement;
  const box = element.getBoundingClientRect();
  const [width, height] = style.transform === 'none' ? [box.width, box.height] : [offsetWidth, offsetHeight];
  const less = (...names: string[]) => names.reduce((sum, name) => sum + number(style.getPropertyValue(name)), 0);
  return [
    Math.max(0, width - less('padding-left', 'padding-right', 'border-left-width', 'border-right-width')),
    Math.max(0, height - less('padding-top', 'padding-bottom', 'border-top-width', 'border-bottom-width')),
  ];
}

/** The images of a document that say how large what they show is. */
export function imageRooms(document: Document): ImageRoom[] {
  const view = document.defaultView!;
  return [...document.querySelectorAll<HTMLImageElement>('img[data-mp-node]')].flatMap((image) => {
    const style = view.getComputedStyle(image);
    const own = style.getPropertyValue('--mp-picture').trim().split(' ').map(Number);
    if (own.length !== 2) return [];
    const [width, height] = contentBox(image, style);
    return [{ id: image.dataset.mpNode!, width, height, fit: style.objectFit, own: [own[0]!, own[1]!] }];
  });
}

/** Everything that opens, open: what stands in it is shown at some time. */
export function openEverything(document: Document): void {
  for (const details of document.querySelectorAll('details')) details.open = true;
  for (const panel of document.querySelectorAll<HTMLElement>('[popover]')) {
    panel.popover = 'manual';
    try {
      panel.showPopover();
    } catch {
      // It stands in something that isn't shown at all.
    }
  }
}
