import type { FileFacts, PictureFacts } from '@/core/audit/facts';

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

/** The bytes of a data address. */
function bytesOf(address: string): number {
  const comma = address.indexOf(',');
  const data = address.slice(comma + 1);
  if (/;base64$/i.test(address.slice(0, comma))) return Math.floor((data.replace(/=+$/, '').length * 3) / 4);
  return data.replace(/%[0-9a-f]{2}/gi, 'x').length;
}

/** What a `srcset` names (HTML, 4.8.4.3): addresses, each with its width or its density. */
const candidatesIn = (srcset: string) =>
  [...srcset.matchAll(/[\s,]*(\S*[^\s,])(?:\s+([\d.]+)([wx]))?\s*(?:,|$)/g)].map(([, address = '', amount, unit]) => ({
    address,
    width: unit === 'w' ? Number(amount) : undefined,
    density: unit === 'x' ? Number(amount) : 1,
  }));

/** Whether an image may show another file at another width. */
export const mayFetchOthers = (image: HTMLImageElement): boolean =>
  image.srcset !== '' || image.parentElement?.localName === 'picture';

const NOTHING: readonly FileFacts[] = [];

/** The files that an image of somebody else's may fetch, where they are known: those beside the one that it shows. */
function filesOf(image: HTMLImageElement): Pick<PictureFacts, 'files' | 'own' | 'asked'> {
  const { currentSrc, naturalWidth, naturalHeight } = image;
  const own = [naturalWidth, naturalHeight] as const;
  if (!currentSrc.startsWith('data:')) return { files: NOTHING, own };
  if (/^data:image\/svg/i.test(currentSrc)) return { files: [[0, bytesOf(currentSrc)]], own };
  const sources = image.parentElement?.localName === 'picture' ? [...image.parentElement.querySelectorAll('source')] : [];
  const sets = [...sources, image].map(({ srcset }) => candidatesIn(srcset));
  const set = sets.find((one) => one.some(({ address }) => address === currentSrc));
  if (!set) return { files: [[naturalWidth, bytesOf(currentSrc)]], own };
  const files = set
    .map(({ address, width, density }): FileFacts => [width ?? Math.round(naturalWidth * density), bytesOf(address)])
    .sort(([a], [b]) => a - b);
  return { files, own, asked: naturalWidth };
}

const filesKnown = new WeakMap<HTMLImageElement, { readonly shown: string; readonly files: ReturnType<typeof filesOf> }>();

/** The same as long as an image shows the same file. */
function filesShown(image: HTMLImageElement): ReturnType<typeof filesOf> {
  const shown = `${image.currentSrc.length} ${image.currentSrc.slice(-64)} ${image.complete}`;
  let known = filesKnown.get(image);
  if (known?.shown !== shown) filesKnown.set(image, (known = { shown, files: filesOf(image) }));
  return known.files;
}

/** The files of one of the project's own pictures, as the frame has been told. */
function toldOf(style: CSSStyleDeclaration): Pick<PictureFacts, 'files' | 'own'> | undefined {
  const list = (name: string) => style.getPropertyValue(name).trim().split(' ').map(Number);
  const own = list('--mp-picture');
  if (own.length !== 2) return undefined;
  const numbers = list('--mp-files');
  return {
    own: [own[0]!, own[1]!],
    files: Array.from({ length: numbers.length / 2 }, (_, i): FileFacts => [numbers[2 * i]!, numbers[2 * i + 1]!]),
  };
}

/** What images show and fetch, by the index of the element. */
export function pictureFacts(nodes: readonly HTMLElement[], window: Window): ReadonlyMap<number, PictureFacts> {
  const found = new Map<number, PictureFacts>();
  nodes.forEach((node, i) => {
    if (node.localName !== 'img') return;
    const image = node as HTMLImageElement;
    const style = window.getComputedStyle(image);
    const sum = (...names: string[]) => names.reduce((all, name) => all + number(style.getPropertyValue(name)), 0);
    const isClosed = image.closest('[popover], details:not([open]), dialog, [data-mp-later]') !== null;
    found.set(i, {
      ...(toldOf(style) ?? filesShown(image)),
      fit: style.objectFit,
      less: [
        sum('padding-left', 'padding-right', 'border-left-width', 'border-right-width'),
        sum('padding-top', 'padding-bottom', 'border-top-width', 'border-bottom-width'),
      ],
      hidden: !isClosed && (!image.checkVisibility() || style.visibility !== 'visible'),
      waits: image.loading === 'lazy',
    });
  });
  return found;
}
