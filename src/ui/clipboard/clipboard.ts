import type { Page, Shape } from '@/core/document';
import { childIds, htmlIdsOn, parentOf, shapeOf } from '@/core/document';
import type { Edit } from '@/core/edits';
import type { Clip, PaletteEntry, Spot } from '@/core/structure';
import { clipOf, fitClip, placeFor, readClip, sketched } from '@/core/structure';
import { newElementId, select } from '../view/actions';
import { announce, commitOrReport, report } from '../editing/edits';
import { shownPage, useSession } from '../state/store';
import { shownWithin } from '../arranging/in-part';
import { newBlockId, removeSelected, together, tops } from '../arranging/tree';

const KEY = 'mill-pond-clip';
/** What was copied last in this window, should the browser have no room to keep it for others. */
let held = '';

/** Copies what is selected, for this and any other page and project in this browser. */
export function copySelected(): boolean {
  const session = useSession.getState();
  const ids = tops();
  if (ids.length === 0) {
    report('Select something to copy.');
    return false;
  }
  held = JSON.stringify(clipOf(session.project, shownPage(session), ids));
  try {
    localStorage.setItem(KEY, held);
  } catch {
    localStorage.removeItem(KEY);
  }
  announce(`${ids.length === 1 ? 'One element' : `${ids.length} elements`} copied.`);
  return true;
}

export function cutSelected(): void {
  if (copySelected()) removeSelected();
}

/** Puts in what was copied: after it if it's still selected, else into what is selected, or as near as it may stand. */
export function paste(text = localStorage.getItem(KEY) ?? held): void {
  let clip: Clip | undefined;
  try {
    clip = readClip(text);
  } catch (error) {
    return report((error as Error).message);
  }
  if (!clip) return report('There is nothing to paste: copy elements first.');
  const session = useSession.getState();
  const page = shownPage(session);
  const last = session.selection[session.selection.length - 1] ?? page.root;
  const beside = clip.tops.includes(last) ? parentOf(page, last) : undefined;
  const shape = shapeOfFirst(clip);
  const spot = beside ? { parent: beside.id, index: childIds(beside).indexOf(last) + 1 } : placeFor(page, last, shape);
  if (!spot) return report(`There is no place for <${shape.tag}> around what is selected.`);
  putIn(clip, spot, `Paste ${clip.tops.length === 1 ? 'an element' : `${clip.tops.length} elements`}`);
}

/** Puts the trees of a clip or a block at a spot of the page on stage, as one step. */
function putIn(clip: Parameters<typeof fitClip>[1], spot: Spot, label: string): void {
  const { project, pageId } = useSession.getState();
  const page = shownPage(useSession.getState());
  const { trees, pictures, notes } = fitClip(project, clip, newElementId, htmlIdsOn(page));
  const edits: Edit[] = [
    ...pictures.map((picture): Edit => ({ type: 'addPicture', picture })),
    ...trees.map((elements, i): Edit => ({
      type: 'insertElement',
      page: pageId,
      parent: spot.parent,
      index: spot.index + i,
      elements,
    })),
  ];
  if (!commitOrReport(together(label, edits))) return;
  select(trees.map(([top]) => shownWithin(page, spot.parent, top!.id)));
  if (notes.length > 0) report(notes.join(' '));
}

const shapeOfFirst = ({ tops, elements }: Pick<Clip, 'tops' | 'elements'>): Shape =>
  shapeOf(Object.fromEntries(elements.map((one) => [one.id, one])), tops[0]!);

/** Where something new goes if nobody points at a place. */
function spotFor(page: Page, shape: Shape): Spot | undefined {
  const { selection } = useSession.getState();
  return placeFor(page, selection[selection.length - 1] ?? page.root, shape);
}

/** Puts a building block in. */
export function insertEntry({ sketch, label, picture }: PaletteEntry, at?: Spot): void {
  const spot = at ?? spotFor(shownPage(useSession.getState()), sketch);
  if (!spot) return report(`There is no place for ${label} around what is selected.`);
  const elements = sketched(sketch, newElementId);
  putIn({ tops: [elements[0]!.id], elements, pictures: picture ? [picture] : [] }, spot, `Insert ${label.toLowerCase()}`);
}

/** Puts a copy of a block of one's own in. */
export function insertBlock(id: string, at?: Spot): void {
  const block = useSession.getState().project.blocks.find((one) => one.id === id);
  if (!block) return;
  const clip = { tops: [block.elements[0]!.id], elements: block.elements };
  const spot = at ?? spotFor(shownPage(useSession.getState()), shapeOfFirst(clip));
  if (!spot) return report(`There is no place for ${block.name} around what is selected.`);
  putIn(clip, spot, `Insert ${block.name}`);
}

/** Keeps what is selected as a block, with its overrides. */
export function keepAsBlock(): void {
  const session = useSession.getState();
  const page = shownPage(session);
  const ids = tops();
  if (ids.length !== 1) return report('Select the one element to keep as a block.');
  const { elements } = clipOf(session.project, page, ids);
  const { name } = page.elements[ids[0]!]!;
  const block = { id: newBlockId(), name, elements };
  if (commitOrReport({ type: 'addBlock', block })) useSession.setState({ paletteOpen: true });
}
