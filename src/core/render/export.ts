import { htmlAttributes } from '../document/page-fields';
import type { Page, Project } from '../document/project';
import type { BundledFont } from './fonts';
import { fontsUsed, writeFontFaces } from './fonts';
import { attributesText, escapeText, renderElement } from './markup';
import { renderSheet } from './sheet';
import { writeSheet } from './sheet-block';

const SHEET_FILE = 'styles.css';

export interface ExportFile {
  readonly path: string;
  readonly content: { readonly text: string } | { readonly font: BundledFont };
}

/** Everything that is handed over: one HTML file a page, one sheet, pictures, fonts. Same project, same bytes. */
export function renderExport(project: Project): ExportFile[] {
  const names = new Map(project.pictures.map((picture) => [picture.id, picture.fileName]));
  const addresses = { picture: (id: string) => `pictures/${names.get(id) ?? 'missing.svg'}` };
  const fonts = fontsUsed(project);
  // Pages that were brought in are handed back in the files that they came from.
  const own = project.pages.filter(({ brought }) => !brought);
  if (own.length === 0) return shownPictures(project);
  const sheet = [
    ...(fonts.length ? [writeFontFaces(fonts, (font) => `fonts/${font.file}`)] : []),
    writeSheet(renderSheet(project, own, { addresses, queries: project.queries })),
  ].join('\n');
  const pages = new Map(project.pages.map((page) => [page.id, page.brought?.file ?? `${page.slug}.html`]));
  const markup = { addresses, page: (id: string) => pages.get(id) ?? '#', marked: false, inert: false };
  return [
    ...own.map((page) => ({
      path: `${page.slug}.html`,
      content: {
        text: documentText(
          project,
          page,
          `<link rel="stylesheet" href="${SHEET_FILE}">`,
          renderElement(project, page, page.root, markup),
        ),
      },
    })),
    { path: SHEET_FILE, content: { text: sheet } },
    ...shownPictures(project),
    ...fonts.map((font) => ({ path: `fonts/${font.file}`, content: { font } })),
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
