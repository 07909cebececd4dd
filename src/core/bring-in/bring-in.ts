import { folderOf, isOutside, pathOf } from '../document/addresses';
import type { Brought, ProjectFile } from '../document/brought';
import { LEFT_OUT_MOST } from '../document/brought';
import { slugOf } from '../document/class-names';
import { FETCHING } from '../document/html';
import { candidatesOf } from '../document/html/attributes';
import { LIMITS } from '../document/limits';
import type { ImportedSheet, Page, Project } from '../document/project';
import type { PageElement } from '../document/element';
import { isReservedFileName } from '../document/page-fields';
import { structureProblem } from '../document/tree-problems';
import type { Edit } from '../edits';
import { importsOf } from '../read/imports';
import { addressesIn } from '../read/references';
import { decodeCss, decodeHtml } from './decode';
import { fileType } from './file-type';
import type { LeftOut } from '../document/brought';
import { LEFT_OUT } from './kept-attributes';
import type { ReadHtml } from './read-html';
import { readHtml, UnreadablePage } from './read-html';

/** A file as it was given. */
export interface PackageFile {
  readonly path: string;
  readonly bytes: Uint8Array;
}

/** What files become in a project. */
export interface BroughtIn {
  readonly pages: readonly Page[];
  readonly sheets: readonly ImportedSheet[];
  /** Pictures and fonts that the pages use. */
  readonly files: readonly ProjectFile[];
  /** Files that must be kept beside the document, by hash: those above, and what the pages were read from. */
  readonly bytes: ReadonlyMap<string, { readonly type: string; readonly bytes: Uint8Array }>;
  /** Of all pages, and of files that none of them uses. */
  readonly leftOut: readonly LeftOut[];
  /** Pages that couldn't be read, and why. */
  readonly refused: readonly { readonly file: string; readonly why: string }[];
}

export interface BringInWish {
  /** Pages come after these, whose file names stay theirs. */
  readonly project: Pick<Project, 'pages' | 'sheets' | 'files'>;
  /** SHA-256 in hexadecimal. */
  readonly hash: (bytes: Uint8Array) => string;
  /** Small letters and digits that no id of the project begins with. */
  readonly key: string;
}

/** Reads a package of files as pages, with all that they ask for and that is in it. Fetches nothing. */
export function bringIn(files: readonly PackageFile[], wish: BringInWish): BroughtIn {
  const steps = bringInSteps(files, wish);
  for (;;) {
    const { value, done } = steps.next();
    if (done) return value;
  }
}

/** The same, page by page, so that whoever asks can do something else in between, or stop. */
export function bringInSteps(
  files: readonly PackageFile[],
  wish: BringInWish,
): Generator<{ readonly done: number; readonly total: number }, BroughtIn> {
  return new BringingIn(files, wish).work();
}

/** All of it as one edit. */
export function bringInEdit({ pages, sheets, files }: BroughtIn): Edit {
  const edits: Edit[] = [
    ...(files.length > 0 ? [{ type: 'addFiles', files } as const] : []),
    ...sheets.map((sheet): Edit => ({ type: 'addSheet', sheet })),
    ...pages.map((page): Edit => ({ type: 'addPage', page })),
  ];
  return { type: 'group', label: pages.length === 1 ? `Bring in ${pages[0]!.name}` : `Bring in ${pages.length} pages`, edits };
}

class BringingIn {
  readonly #byPath: ReadonlyMap<string, PackageFile>;
  readonly #sheets = new Map<string, ImportedSheet>();
  readonly #styles: ImportedSheet[] = [];
  readonly #files = new Map<string, ProjectFile>();
  readonly #bytes = new Map<string, { type: string; bytes: Uint8Array }>();
  readonly #leftOut: LeftOut[] = [];
  readonly #used = new Set<string>();
  readonly #slugs: Set<string>;

  constructor(
    files: readonly PackageFile[],
    private readonly wish: BringInWish,
  ) {
    const taken = pathsOf(wish.project);
    let folder = '';
    // A package of before has a file of the same path: this one gets a folder of its own.
    for (let n = 2; files.some(({ path }) => taken.has(folder + path)); n++) folder = `${n}/`;
    this.#byPath = new Map(files.map(({ path, bytes }) => [folder + path, { path: folder + path, bytes }]));
    this.#slugs = new Set(wish.project.pages.map(({ slug }) => slug));
  }

  *work(): Generator<{ readonly done: number; readonly total: number }, BroughtIn> {
    const documents = [...this.#byPath.values()].filter(({ path, bytes }) => fileType(path, bytes).role === 'page');
    const pages: Page[] = [];
    const refused: { file: string; why: string }[] = [];
    documents.sort((a, b) => order(a.path) - order(b.path) || (a.path < b.path ? -1 : 1));
    for (const [index, file] of documents.entries()) {
      this.#used.add(file.path);
      try {
        pages.push(this.#page(file, index));
      } catch (error) {
        if (!(error instanceof UnreadablePage)) throw error;
        refused.push({ file: file.path, why: error.message });
      }
      yield { done: index + 1, total: documents.length };
    }
    for (const { path } of this.#byPath.values())
      if (!this.#used.has(path)) this.#leftOut.push({ reason: 'file', file: path, what: path });
    return {
      ...{ pages, sheets: [...this.#sheets.values(), ...this.#styles], files: [...this.#files.values()] },
      ...{ bytes: this.#bytes, leftOut: this.#leftOut, refused },
    };
  }

  #page(file: PackageFile, index: number): Page {
    const { text, encoding } = decodeHtml(file.bytes);
    const read = readHtml(text, file.path, `${this.wish.key}${index.toString(36)}`);
    const count = Object.keys(read.elements).length;
    if (count > LIMITS.elements)
      throw new UnreadablePage(`It has ${count} elements; a page here has at most ${LIMITS.elements}.`);
    const leftBefore = this.#leftOut.length;
    this.#leftOut.push(...read.leftOut);
    const brought = this.#brought(file, read, encoding);
    for (const element of Object.values(read.elements)) this.#filesOf(element, read.base, file.path);
    const leftOut = this.#leftOut.slice(leftBefore, leftBefore + LEFT_OUT_MOST);
    const page: Page = {
      id: `g${this.wish.key}${index.toString(36)}`,
      name: (read.title || file.path.replace(/^.*\//, '')).slice(0, 80),
      slug: this.#slug(file.path),
      ...(read.title && { title: read.title.slice(0, 300) }),
      ...(read.description && { description: read.description.slice(0, 1_000) }),
      ...(read.language !== undefined && { language: read.language }),
      ...(read.direction !== undefined && { direction: read.direction }),
      root: read.root,
      elements: read.elements,
      brought: { ...brought, leftOut },
    };
    const problem = structureProblem(page);
    if (problem) {
      this.#leftOut.length = leftBefore;
      throw new UnreadablePage(problem.message);
    }
    return page;
  }

  #brought(file: PackageFile, read: ReadHtml, encoding: string): Omit<Brought, 'leftOut'> {
    const sheets = read.sheets.flatMap((named, n): Brought['sheets'] => {
      const media = named.media?.trim() ? { media: named.media.trim().slice(0, 500) } : {};
      if ('css' in named) {
        const id = `t${this.wish.key}i${this.#styles.length.toString(36)}`;
        const name = `${file.path.replace(/^.*\//, '')}, style ${n + 1}`.slice(-80);
        this.#styles.push({ id, name, css: named.css, file: file.path, line: named.line });
        this.#filesOfSheet(named.css, read.base, file.path, encoding);
        return [{ sheet: id, ...media }];
      }
      const sheet = this.#sheet(named.address, read.base, file.path, named.line, encoding);
      return sheet ? [{ sheet: sheet.id, ...media }] : [];
    });
    return {
      file: file.path,
      source: this.#keep(file.bytes, 'text/html'),
      mode: read.mode,
      base: read.base,
      html: read.html,
      sheets,
    };
  }

  /** The style sheet of an address, with all that it imports; undefined where the package hasn't got it. */
  #sheet(address: string, base: string, asker: string, line: number | undefined, encoding: string): ImportedSheet | undefined {
    const path = pathOf(base, address);
    const file = path === undefined ? undefined : this.#byPath.get(path);
    if (!file) {
      this.#lacks(address, asker, line);
      return undefined;
    }
    let sheet = this.#sheets.get(file.path);
    if (sheet) return sheet;
    this.#used.add(file.path);
    const { text } = decodeCss(file.bytes, encoding);
    if (text.length > LIMITS.sheetBytes) {
      this.#leftOut.push({
        reason: 'file',
        file: asker,
        line,
        what: `${file.path}, which has over ${LIMITS.sheetBytes} characters`,
      });
      return undefined;
    }
    const id = `t${this.wish.key}s${this.#sheets.size.toString(36)}`;
    sheet = { id, name: file.path.slice(-80), css: text, file: file.path, source: this.#keep(file.bytes, 'text/css') };
    this.#sheets.set(file.path, sheet);
    this.#filesOfSheet(text, folderOf(file.path), file.path, encoding);
    return sheet;
  }

  #filesOfSheet(css: string, base: string, asker: string, encoding: string): void {
    for (const { address } of importsOf(css)) this.#sheet(address, base, asker, undefined, encoding);
    for (const { address } of addressesIn(css)) this.#file(address, base, asker);
  }

  #filesOf({ attributes, tag }: PageElement, base: string, asker: string): void {
    for (const [name, value] of Object.entries(attributes)) {
      if (name === 'style') for (const { address } of addressesIn(value)) this.#file(address, base, asker);
      else if (name === 'srcset' && value !== LEFT_OUT)
        for (const { address } of candidatesOf(value)) this.#file(address, base, asker);
      else if (FETCHING.has(name) && value.trim() !== '' && value !== LEFT_OUT) this.#file(value, base, asker, `<${tag}>`);
    }
  }

  /** Takes a picture or font that something shows. */
  #file(address: string, base: string, asker: string, by?: string): void {
    if (/^\s*(#|data:|about:)/i.test(address) || address.trim() === '') return;
    const path = pathOf(base, address);
    const file = path === undefined ? undefined : this.#byPath.get(path);
    if (!file) return this.#lacks(address, asker, undefined);
    if (this.#files.has(file.path)) return;
    this.#used.add(file.path);
    const { role, type } = fileType(file.path, file.bytes);
    if (role !== 'picture' && role !== 'font')
      return void this.#leftOut.push({ reason: 'file', file: asker, what: by ? `${file.path} in ${by}` : file.path });
    this.#files.set(file.path, { path: file.path, type, hash: this.#keep(file.bytes, type), bytes: file.bytes.length });
  }

  readonly #lacking = new Set<string>();
  #lacks(address: string, asker: string, line: number | undefined): void {
    const key = `${asker} ${address}`;
    if (this.#lacking.has(key)) return;
    this.#lacking.add(key);
    this.#leftOut.push({ reason: isOutside(address) ? 'address' : 'missing', file: asker, line, what: address.slice(0, 200) });
  }

  #keep(bytes: Uint8Array, type: string): string {
    const hash = this.wish.hash(bytes);
    if (!this.#bytes.has(hash)) this.#bytes.set(hash, { type, bytes });
    return hash;
  }

  #slug(path: string): string {
    const stem = slugOf(path.replace(/^.*\//, '').replace(/\.[^.]*$/, ''));
    let slug = stem;
    for (let n = 2; this.#slugs.has(slug) || isReservedFileName(slug); n++) slug = `${stem}-${n}`;
    this.#slugs.add(slug);
    return slug;
  }
}

const pathsOf = ({ pages, sheets, files }: BringInWish['project']): ReadonlySet<string> =>
  new Set([
    ...pages.flatMap(({ brought }) => (brought ? [brought.file] : [])),
    ...sheets.flatMap(({ file }) => (file === undefined ? [] : [file])),
    ...files.map(({ path }) => path),
  ]);

/** The pages that a visitor meets first come first. */
const order = (path: string) => (path.split('/').length - 1) * 2 + (/(^|\/)(index|default|home)\.x?html?$/i.test(path) ? 0 : 1);
