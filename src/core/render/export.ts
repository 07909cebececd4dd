import { behaviourOf } from '../behaviour';
import { htmlAttributes } from '../document/page-fields';
import type { Page, Project } from '../document/project';
import type { AddedFont, BundledFont } from './fonts';
import { slugOf } from '../document/class-names';
import type { FontAddresses, FontsUsed } from './fonts';
import { charactersOf } from './characters';
import { fontsUsed, writeFontFaces } from './fonts';
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
    /** Of a font that was added by hand only what is needed for these characters. */
    | { readonly added: AddedFont; readonly characters: string };
}

/** Everything that is handed over: one HTML file a page, one sheet, pictures, fonts. Same project, same bytes. */
export function renderExport(project: Project): ExportFile[] {
  const names = new Map(project.pictures.map((picture) => [picture.id, picture.fileName]));
  const addresses = { picture: (id: string) => `pictures/${names.get(id) ?? 'missing.svg'}` };
  const fonts = fontsUsed(project);
  // Pages that were brought in are handed back in the files that they came from.
  const own = project.pages.filter(({ brought }) => !brought);
  if (own.length === 0) return [...shownPictures(project), ...fontFiles(project)];
  const sheet = [
    ...(isAny(fonts)
      ? [
          writeFontFaces(
            fonts,
            fontAddresses((path) => path),
          ),
        ]
      : []),
    writeSheet(renderSheet(project, own, { addresses, queries: project.queries })),
  ].join('\n');
  const pages = new Map(project.pages.map((page) => [page.id, page.brought?.file ?? `${page.slug}.html`]));
  const behaviour = behaviourOf(own);
  const markup = { addresses, page: (id: string) => pages.get(id) ?? '#', marked: false, inert: false };
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
    ...shownPictures(project),
    ...fontFiles(project),
  ];
}

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

const shownPictures = (project: Project): ExportFile[] =>
  project.pictures.map((picture) => ({ path: `pictures/${picture.fileName}`, content: { text: picture.svg } }));

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
