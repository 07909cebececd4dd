import { randomBytes, randomUUID } from 'node:crypto';
import type { BroughtIn } from '@/core/bring-in';
import { bringInEdit, bringInSteps, readZip, UnreadablePackage } from '@/core/bring-in';
import type { LeftOut, Project } from '@/core/document';
import { newProject } from '@/core/document';
import type { Edit } from '@/core/edits';
import { EditError, makeEdit } from '@/core/edits';
import { log } from '../logging/log';
import { database } from '../db/client';
import { BODY_MOST } from '../http/body';
import { insertProject, loadProject } from '../store/documents';
import { hashOf, putFiles } from '../store/files';
import { ownTurn } from '../store/own-turn';

/** One line of the answer. */
export type BringInLine =
  | { readonly type: 'read'; readonly done: number; readonly total: number }
  | { readonly type: 'report'; readonly report: BringInReport }
  | { readonly type: 'made'; readonly id: string }
  | { readonly type: 'edit'; readonly edit: Edit }
  | { readonly type: 'failed'; readonly message: string };

/** What came in and what didn't. */
export interface BringInReport {
  readonly pages: readonly {
    readonly name: string;
    readonly file: string;
    readonly elements: number;
    readonly leftOut: number;
  }[];
  readonly sheets: number;
  readonly files: number;
  readonly refused: BroughtIn['refused'];
  readonly leftOut: readonly LeftOut[];
}

const REPORTED_MOST = 1_000;
/** How long an edit may be as text, characters. */
const EDIT_MOST = 0.9 * BODY_MOST;

function reportOf({ pages, sheets, files, refused, leftOut }: BroughtIn, before: readonly LeftOut[]): BringInReport {
  return {
    pages: pages.map(({ name, elements, brought }) => ({
      ...{ name, file: brought!.file, elements: Object.keys(elements).length, leftOut: brought!.leftOut.length },
    })),
    ...{ sheets: sheets.length, files: files.length, refused },
    leftOut: [...before, ...leftOut].slice(0, REPORTED_MOST),
  };
}

/**
 * Reads a package into a project, or as one of its own. The files are kept first; then the open project gets the edit that brings all
 * of it in, to be made like any other, and a new one is there with it.
 * @param zip the package
 * @param into the project's id; a new project of a name without one
 */
export async function* bringInPackage(
  zip: Uint8Array,
  into: { readonly id: string } | { readonly name: string },
  signal: AbortSignal,
): AsyncGenerator<BringInLine> {
  try {
    const { files, leftOut } = readZip(zip);
    const isOpen = 'id' in into;
    const project = isOpen ? (await loadProject(database(), into.id)).project : emptied(newProject(randomUUID(), into.name));
    const key = randomBytes(4).readUInt32BE().toString(36);
    const steps = bringInSteps(files, { project, hash: hashOf, key });
    let step = steps.next();
    for (; !step.done; step = steps.next()) {
      if (signal.aborted) return;
      yield { type: 'read', ...step.value };
      await ownTurn();
    }
    const brought = step.value;
    if (brought.pages.length === 0) throw new UnreadablePackage(whyNothing(brought, files.length));
    const edit = bringInEdit(brought);
    // Whatever the document refuses is refused before anything is kept.
    const { document } = makeEdit(project, edit);
    // It is saved like any other edit, whose request has a limit.
    if (isOpen && JSON.stringify(edit).length > EDIT_MOST)
      throw new UnreadablePackage(
        'That is more than can be put into an open project at once: bring in fewer pages, or make it a project of its own.',
      );
    if (signal.aborted) return;
    await database().transaction(async (transaction) => {
      await putFiles(transaction, brought.bytes);
      if (!isOpen) await insertProject(transaction, named(document, into.name));
    });
    yield { type: 'report', report: reportOf(brought, leftOut) };
    yield isOpen ? { type: 'edit', edit } : { type: 'made', id: document.id };
  } catch (error) {
    if (error instanceof UnreadablePackage || error instanceof EditError) return yield { type: 'failed', message: error.message };
    log.error({ error }, 'a package could not be brought in');
    yield { type: 'failed', message: 'The package could not be brought in. Nothing was changed.' };
  }
}

/** A project to which its first page still comes. */
const emptied = (project: Project): Project => ({ ...project, pages: [] });

/** Without a name of its own a project is called like its first page. */
const named = (project: Project, name: string): Project => ({ ...project, name: name || project.pages[0]!.name });

function whyNothing({ refused }: BroughtIn, count: number): string {
  const [first] = refused;
  if (first) return `${first.file}: ${first.why}`;
  return count === 0
    ? 'There is no file in this package.'
    : 'There is no HTML file in this package, so there is no page to bring in.';
}
