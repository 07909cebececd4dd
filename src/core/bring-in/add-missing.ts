import { folderOf, pathOf } from '../document/addresses';
import type { Page, Project } from '../document/project';
import type { Edit } from '../edits';
import type { BroughtIn, PackageFile } from './bring-in';
import { bringIn } from './bring-in';

/** What files that came later complete. */
export interface Completed {
  readonly edit: Edit | undefined;
  /** The bytes to keep, by hash. */
  readonly bytes: BroughtIn['bytes'];
  /** The paths at which files now stand. */
  readonly found: readonly string[];
  /** Files that no page asks for. */
  readonly unasked: readonly string[];
}

export interface CompletingWish {
  readonly hash: (bytes: Uint8Array) => string;
  /** Small letters and digits that no id of the project begins with. */
  readonly key: string;
  /** The bytes of what came in before, by hash. */
  readonly kept: (hash: string) => Uint8Array | undefined;
}

const nameOf = (path: string) => path.replace(/^.*\//, '');

/** The paths at which something is missing. */
function missingPaths(pages: readonly Page[]): Set<string> {
  return new Set(
    pages.flatMap(({ brought }) =>
      (brought?.leftOut ?? []).flatMap(({ reason, file, what }) => {
        if (reason !== 'missing') return [];
        const path = pathOf(file === brought!.file ? brought!.base : folderOf(file), what);
        return path === undefined ? [] : [path];
      }),
    ),
  );
}

/**
 * Adds files that were missing when pages came in: pictures, fonts and style sheets. Each goes to where one of its path, or of its name
 * alone, is asked for; then the pages are read once more for what they ask, and get the sheets that they lacked in their places.
 */
export function addMissing(project: Project, given: readonly PackageFile[], wish: CompletingWish): Completed {
  const pages = project.pages.filter(({ brought }) => brought);
  const files = new Map<string, PackageFile>();
  const keep = (path: string, hash: string | undefined) => {
    const bytes = hash === undefined ? undefined : wish.kept(hash);
    if (bytes) files.set(path, { path, bytes });
  };
  for (const { brought } of pages) keep(brought!.file, brought!.source);
  for (const { file, source } of project.sheets) if (file !== undefined) keep(file, source);
  for (const { path, hash, font } of project.files) if (!font) keep(path, hash);
  const unasked = new Set(given.map(({ path }) => path));
  const found = new Set<string>();
  // A style sheet may ask for more that is there too.
  for (let asked = missingPaths(pages), size = -1; size !== found.size;) {
    size = found.size;
    for (const path of asked)
      for (const one of given) {
        if (found.has(path) || (path !== one.path && !path.endsWith(`/${one.path}`) && nameOf(path) !== nameOf(one.path)))
          continue;
        files.set(path, { path, bytes: one.bytes });
        found.add(path);
        unasked.delete(one.path);
      }
    asked = missingPaths(bringIn([...files.values()], { project: NOTHING, ...wish }).pages);
  }
  if (found.size === 0) return { edit: undefined, bytes: new Map(), found: [], unasked: [...unasked] };
  const read = bringIn([...files.values()], { project: NOTHING, ...wish });
  return { ...editOf(project, pages, read, found.size), bytes: read.bytes, found: [...found], unasked: [...unasked] };
}

const NOTHING = { pages: [], sheets: [], files: [] };

function editOf(project: Project, pages: readonly Page[], read: BroughtIn, count: number): { readonly edit: Edit | undefined } {
  const key = ({ file, line }: { readonly file?: string | undefined; readonly line?: number | undefined }) =>
    `${file} ${line ?? ''}`;
  const known = new Map(project.sheets.flatMap((sheet) => (sheet.file === undefined ? [] : [[key(sheet), sheet.id] as const])));
  const added = read.sheets.filter((sheet) => !known.has(key(sheet)));
  const idOf = new Map(read.sheets.map((sheet) => [sheet.id, known.get(key(sheet)) ?? sheet.id]));
  const paths = new Set(project.files.map(({ path }) => path));
  const files = read.files.filter(({ path }) => !paths.has(path));
  const completed = pages.flatMap((page): Edit[] => {
    const now = read.pages.find(({ brought }) => brought!.file === page.brought!.file)?.brought;
    if (!now) return [];
    const sheets = now.sheets.map((link) => ({ ...link, sheet: idOf.get(link.sheet)! }));
    return [{ type: 'completePage', page: page.id, sheets, leftOut: now.leftOut }];
  });
  return {
    edit: {
      type: 'group',
      label: count === 1 ? 'Add a missing file' : `Add ${count} missing files`,
      edits: [
        ...(files.length > 0 ? [{ type: 'addFiles', files } as const] : []),
        ...added.map((sheet): Edit => ({ type: 'addSheet', sheet })),
        ...completed,
      ],
    },
  };
}
