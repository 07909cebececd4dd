import { folderOf } from '../document/addresses';
import type { Page, Project } from '../document/project';
import { behaviourOf } from '../behaviour';
import { fontAddresses, fontsUsed, isAny, renderSheet, writeFontFaces, writeSheet } from '../render';
import { HandedPictures } from '../render/handed-pictures';
import type { MarkupOptions } from '../render/markup';
import { decodeHtml } from './decode';
import { encodeHtml } from './encode';
import { handBack, NotHandedBack } from './hand-back';

export interface HandedFile {
  readonly path: string;
  readonly bytes: Uint8Array;
}

/** A path seen from a folder: "../img/a.png". */
export function pathFrom(folder: string, path: string): string {
  const [from, to] = [folder.split('/').slice(0, -1), path.split('/')];
  let same = 0;
  while (same < from.length && same < to.length - 1 && from[same] === to[same]) same++;
  return [...from.slice(same).map(() => '..'), ...to.slice(same)].join('/');
}

const INTRO = `/*
 * What was added to this page. It is linked after the page's own style sheets and stands above all their selectors, whatever they are:
 * :not(#mp) matches everything and counts as an id. Only their !important beats it.
 */
`;

/**
 * What pages that were brought in are handed back as: each in the file that it came from, changed only where it was changed here, with
 * one style sheet beside it for what was added; and the files that came with them, as they were.
 * @param source the bytes of a file by its hash
 */
export function handedBack(project: Project, source: (hash: string) => Uint8Array | undefined): HandedFile[] {
  const pages = project.pages.filter(({ brought }) => brought);
  if (pages.length === 0) return [];
  const files = new Map<string, Uint8Array>();
  for (const { file, source: hash } of project.sheets) {
    const bytes = file !== undefined && hash !== undefined ? source(hash) : undefined;
    if (bytes) files.set(file!, bytes);
  }
  for (const { path, hash, font } of project.files) {
    // Fonts that were added are handed over with only what is needed of them.
    if (font) continue;
    const bytes = source(hash);
    if (bytes) files.set(path, bytes);
  }
  for (const page of pages) for (const { path, bytes } of pageFiles(project, page, source)) files.set(path, bytes);
  return [...files].map(([path, bytes]) => ({ path, bytes }));
}

function pageFiles(project: Project, page: Page, source: (hash: string) => Uint8Array | undefined): HandedFile[] {
  const brought = page.brought!;
  const folder = folderOf(brought.file);
  const pictures = new HandedPictures(project);
  const addresses = { picture: (id: string) => pathFrom(folder, pictures.address(id)) };
  const places = new Map(project.pages.map((one) => [one.id, one.brought?.file ?? `${one.slug}.html`]));
  const options: MarkupOptions = {
    ...{ addresses, marked: false, inert: false },
    page: (id) => (places.has(id) ? pathFrom(folder, places.get(id)!) : '#'),
  };
  const blocks = renderSheet(project, [page], { addresses, queries: project.queries }).filter(({ raw }) => raw === undefined);
  const fonts = fontsUsed({ ...project, sheets: [], pages: [page] });
  const faces = isAny(fonts)
    ? `${writeFontFaces(
        fonts,
        fontAddresses((path) => pathFrom(folder, path)),
      )}\n`
    : '';
  const sheet = `${page.slug}-additions.css`;
  const bytes = source(brought.source);
  if (!bytes) throw new NotHandedBack(`The file ${brought.file} isn’t kept any more.`);
  const { text, encoding } = decodeHtml(bytes);
  const script = `${page.slug}-behaviour.js`;
  const behaviour = behaviourOf([page]);
  const added = { ...(blocks.length > 0 && { sheet }), ...(behaviour && { script }) };
  const changed = handBack(project, page, text, added, options);
  return [
    { path: brought.file, bytes: changed === text ? bytes : encodeHtml(changed, encoding, hasMark(bytes)) },
    ...(behaviour ? [{ path: folder + script, bytes: new TextEncoder().encode(behaviour) }] : []),
    ...(blocks.length > 0 ? [{ path: folder + sheet, bytes: new TextEncoder().encode(INTRO + faces + writeSheet(blocks)) }] : []),
  ];
}

const hasMark = ([a, b, c]: Uint8Array): boolean =>
  (a === 0xef && b === 0xbb && c === 0xbf) || (a === 0xfe && b === 0xff) || (a === 0xff && b === 0xfe);
