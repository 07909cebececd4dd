import { zip } from 'fflate';

/** A file with its path in the package that it belongs to. */
export interface Given {
  readonly path: string;
  readonly file: Blob;
}

/** What was chosen in a file field: with their folders, where a folder was chosen. */
export const givenBy = (list: FileList | null): Given[] =>
  [...(list ?? [])].map((file) => ({ path: file.webkitRelativePath || file.name, file }));

/** What was dropped: files, and folders with all in them. */
export async function dropped(transfer: DataTransfer): Promise<Given[]> {
  const entries = [...transfer.items].flatMap((item) => {
    const entry = item.kind === 'file' ? item.webkitGetAsEntry() : null;
    return entry ? [entry] : [];
  });
  if (entries.length === 0) return givenBy(transfer.files);
  return (await Promise.all(entries.map((entry) => filesIn(entry, '')))).flat();
}

async function filesIn(entry: FileSystemEntry, folder: string): Promise<Given[]> {
  const path = folder + entry.name;
  if (entry.isFile) {
    const file = await new Promise<File>((done, failed) => (entry as FileSystemFileEntry).file(done, failed));
    return [{ path, file }];
  }
  const reader = (entry as FileSystemDirectoryEntry).createReader();
  const found: Given[] = [];
  // A folder is told of in pieces; an empty one is its end.
  for (;;) {
    const some = await new Promise<FileSystemEntry[]>((done, failed) => reader.readEntries(done, failed));
    if (some.length === 0) return found;
    for (const one of some) found.push(...(await filesIn(one, `${path}/`)));
  }
}

/** What was pasted, as files: a page, and a style sheet that it asks for. */
export function pasted(html: string, css: string): Given[] {
  const sheet = css.trim() === '' ? '' : '<link rel="stylesheet" href="pasted.css">';
  const isWhole = /<(?:!doctype|html|head|body)[\s>]/i.test(html);
  const head = `<meta charset="utf-8">\n<title>Pasted page</title>\n${sheet}`;
  const text = !isWhole
    ? `<!doctype html>\n<html>\n<head>\n${head}\n</head>\n<body>\n${html}\n</body>\n</html>\n`
    : sheet && /<\/head>/i.test(html)
      ? html.replace(/<\/head>/i, (end) => `${sheet}\n${end}`)
      : sheet + html;
  // Marked, since whatever it declares, here it is UTF-8.
  const page: Given = {
    path: 'index.html',
    file: new Blob(['\ufeff', isWhole && sheet && !/<\/head>/i.test(html) ? afterDoctype(html, sheet) : text]),
  };
  return sheet ? [page, { path: 'pasted.css', file: new Blob([css]) }] : [page];
}

/** Before the document type a tag would make the page one without. */
const afterDoctype = (html: string, tag: string): string =>
  html.replace(/^\s*(<!doctype[^>]*>)?/i, (doctype) => `${doctype}${tag}`);

/** The package that is sent: the only ZIP that was given as it is, all else packed. */
export async function packed(given: readonly Given[]): Promise<Blob> {
  const [only] = given;
  if (given.length === 1 && only && /\.zip$/i.test(only.path)) return only.file;
  const files = await Promise.all(given.map(async ({ path, file }) => [path, new Uint8Array(await file.arrayBuffer())] as const));
  // Nothing is gained by making it smaller on the way to this machine.
  const bytes = await new Promise<Uint8Array>((done, failed) =>
    zip(Object.fromEntries(files), { level: 0 }, (error, made) => (error ? failed(error) : done(made))),
  );
  return new Blob([bytes as BlobPart]);
}
