import { behaviourOf } from '../behaviour';
import { htmlAttributes } from '../document/page-fields';
import type { PageElement } from '../document/element';
import type { Page, Project } from '../document/project';
import type { AddedFont, BundledFont } from './fonts';
import { slugOf } from '../document/class-names';
import type { FontAddresses, FontsUsed } from './fonts';
import { charactersOf } from './characters';
import { fontsUsed, writeFontFaces } from './fonts';
import type { PictureSizes } from '../pictures/weights';
import { HandedPictures } from './handed-pictures';
import { attributesText, escapeText, renderElement } from './markup';
import { renderSheet } from './sheet';
import { writeSheet } from './sheet-block';

const SHEET_FILE = 'styles.css';
const BEHAVIOUR_FILE = 'behaviour.js';

export interface ExportFile {
  readonly path: string;
  readonly content:
    | { readonly text: string }
    | { readonly font: BundledFont }
    /** A file that is kept beside the document, by its hash. */
    | { readonly kept: string }
    /** Of a font that was added by hand only what is needed for these characters. */
    | { readonly added: AddedFont; readonly characters: string };
}

/**
 * Everything that is handed over: one HTML file a page, one sheet, pictures, fonts. Same project, same bytes.
 * @param sizes how wide pictures are shown; as wide as the page where it isn't known
 */
export function renderExport(project: Project, sizes?: PictureSizes): ExportFile[] {
  const pictures = new HandedPictures(project, sizes);
  const addresses = {
    picture: (id: string) => pictures.address(id),
    behind: (id: string) => pictures.behind(id, (path) => path),
  };
  const fonts = fontsUsed(project);
  // Pages that were brought in are handed back in the files that they came from.
  const own = project.pages.filter(({ brought }) => !brought);
  if (own.length === 0) return [...pictures.files(), ...fontFiles(project)];
  const sources = (page: Page, element: PageElement) => pictures.sourcesFor(page.id, element);
  const wrapped = own.some((page) => Object.values(page.elements).some((element) => sources(page, element).length > 0));
  const sheet = [
    ...(isAny(fonts)
      ? [
          writeFontFaces(
            fonts,
            fontAddresses((path) => path),
          ),
        ]
      : []),
    ...(wrapped ? [WRAPPED] : []),
    writeSheet(renderSheet(project, own, { addresses, queries: project.queries })),
  ].join('\n');
  const pages = new Map(project.pages.map((page) => [page.id, page.brought?.file ?? `${page.slug}.html`]));
  const behaviour = behaviourOf(own);
  const markup = { addresses, page: (id: string) => pages.get(id) ?? '#', marked: false, inert: false, sources };
  return [
    ...own.map((page) => ({
      path: `${page.slug}.html`,
      content: {
        text: documentText(
          project,
          page,
          `<link rel="stylesheet" href="${SHEET_FILE}">${behaviourOf([page]) && `\n<script src="${BEHAVIOUR_FILE}" defer></script>`}`,
          renderElement(project, page, page.root, markup),
        ),
      },
    })),
    { path: SHEET_FILE, content: { text: sheet } },
    ...(behaviour ? [{ path: BEHAVIOUR_FILE, content: { text: behaviour } }] : []),
    ...pictures.files(),
    ...fontFiles(project),
  ];
}

/** Images lie as they would without what names their other files: that must not become items of grids and rows. */
const WRAPPED = 'picture { display: contents; }\n\npicture > source { display: none; }\n';

/** Where the file of an added font lies in what is handed over: always a WOFF2. */
const addedPath = ({ font: { family, weight, style }, hash }: AddedFont): string =>
  `fonts/${slugOf(`${family} ${weight} ${style === 'normal' ? '' : style}`)}-${hash.slice(0, 6)}.woff2`;

/** Where fonts lie in what is handed over, seen from a page or a style sheet there. */
export const fontAddresses = (from: (path: string) => string): FontAddresses => ({
  bundled: ({ file }) => from(`fonts/${file}`),
  added: (font) => ({ address: from(addedPath(font)), type: 'font/woff2' }),
});

export const isAny = ({ bundled, added }: FontsUsed): boolean => bundled.length + added.length > 0;

/** The files of all fonts that are used, with what is known of the licences of those that were added. */
function fontFiles(project: Project): ExportFile[] {
  const { bundled, added } = fontsUsed(project);
  const characters = charactersOf(project);
  const licences = added.map(
    (file) => `${file.font.family}, ${addedPath(file)}\n${file.font.licence || 'No licence has been noted.'}\n`,
  );
  return [
    ...bundled.map((font) => ({ path: `fonts/${font.file}`, content: { font } })),
    ...added.map((file) => ({ path: addedPath(file), content: { added: file, characters } })),
    ...(licences.length > 0 ? [{ path: 'fonts/LICENCES.txt', content: { text: licences.join('\n') } }] : []),
  ];
}

function documentText(project: Project, page: Page, head: string, body: string): string {
  const description = page.description && `<meta name="description"${attributesText({ content: page.description })}>\n`;
  return `<!doctype html>
<html${attributesText(htmlAttributes(project, page))}>
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>${escapeText(page.title ?? page.name)}</title>
${description ?? ''}${head}
</head>
${body}</html>
`;
}
