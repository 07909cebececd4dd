import type { Child } from '../document/content';
import { childIds, gapTexts, renamedChildren } from '../document/content';
import type { PageElement } from '../document/element';
import { kept } from '../document/expand';
import { flatten } from '../document/flatten';
import { partNamed, partOwnersOf, topOf } from '../document/parts';
import type { Page, Project } from '../document/project';
import { splitPseudo } from '../document/pseudo';
import { pageHolding } from '../document/tree';
import { isInUse, splitShownId } from '../document/use';
import { sameJson } from '../text';
import type { Edit, SingleEdit } from './edit';
import { throughRow } from './through-row';
import { EditError } from './edit-error';

/** Where edits of what a use shows are written: to the part, for all of its uses, or to this use only. */
export type Written = 'part' | 'here';

/** The element of a part that says what an element shows, and below which what stands in it is kept; itself elsewhere. */
export function insideOf(project: Project, id: string): string {
  const element = pageHolding(project, id)?.elements[id];
  return (element && partOwnersOf(element)[0]) ?? id;
}

/** The element that is moved, named or taken away where somebody means one: of a part's use the use itself. */
const itself = (id: string): string => id.slice(id.lastIndexOf('.') + 1);

/**
 * The id that values of an element are written on: its own, or that of the element of a part that says them. What a use of
 * a part stands for is placed by what uses it: there it is the outermost part's word, elsewhere the innermost's.
 */
export function ownerOf({ id, use, layers = [] }: PageElement, written: Written): string {
  const layer = written === 'here' ? undefined : use ? layers[layers.length - 1] : layers[0];
  return layer?.owner ?? id;
}

/** An owner's id, with the state or box behind it, as the values that are written there are to be kept. */
export function ownerWritten(project: Project, owner: string, written: Written): string {
  const { id, pseudo } = splitPseudo(owner);
  const element = id.startsWith('e') ? pageHolding(project, id)?.elements[id] : undefined;
  return element ? ownerOf(element, written) + pseudo : owner;
}

/**
 * An edit as it was meant by somebody who sees what uses of parts show. Values, texts and attributes go to the part, or
 * to the use alone; what can't differ from use to use always goes to the part.
 * @param project with all that uses show
 * @throws EditError where it can't be meant
 */
export function throughParts(project: Project, edit: Edit, written: Written): Edit {
  if (project.parts.length === 0) return edit;
  if (edit.type === 'group') {
    const edits = edit.edits.map((one) => throughParts(project, one, written));
    return edits.every((one, i) => one === edit.edits[i]) ? edit : { ...edit, edits };
  }
  return single(project, edit, written);
}

function single(project: Project, edit: SingleEdit, written: Written): Edit {
  const inRow = throughRow(project, edit, written);
  if (inRow) return inRow;
  const inside = (id: string) => insideOf(project, id);
  switch (edit.type) {
    case 'setStyle':
    case 'clearStyle':
      return withFields(edit, { owner: ownerWritten(project, edit.owner, written) });
    case 'restyle': {
      const changes = edit.changes.map((change) => withFields(change, { owner: ownerWritten(project, change.owner, written) }));
      return changes.every((one, i) => one === edit.changes[i]) ? edit : { ...edit, changes };
    }
    case 'setText':
    case 'setAttribute':
      return written === 'here' ? edit : withFields(edit, { node: inside(edit.node) });
    case 'setContent':
      return contentWritten(project, edit, written);
    case 'removeElement':
      if (!isInUse(edit.node) || written === 'part') return withFields(edit, { node: itself(edit.node) });
      return { type: 'setHidden', node: edit.node, hidden: true };
    case 'renameElement':
    case 'setLocked':
    case 'setFirst':
      return withFields(edit, { node: itself(edit.node) });
    case 'setPanel':
    case 'setPictures':
    case 'setDrops':
    case 'setList':
    case 'setKind':
      return withFields(edit, { node: inside(edit.node) });
    case 'setAlternate': {
      // What a use shows is chosen in its part; which of several uses shows, where they stand.
      const { alternate } = edit;
      const set = alternate?.set.slice(alternate.set.lastIndexOf('.') + 1);
      return {
        ...edit,
        node: isInUse(edit.node) ? inside(edit.node) : edit.node,
        ...(alternate && { alternate: { ...alternate, set: set! } }),
      };
    }
    case 'duplicateElement':
      return { ...edit, node: itself(edit.node), ids: duplicated(project, edit.node, edit.ids) };
    case 'moveElement': {
      const [node, parent] = [itself(edit.node), inside(edit.parent)];
      const [from, to] = [keptHolding(project, node), keptHolding(project, parent)];
      if (from && to && from.id !== to.id)
        throw new EditError(
          "What stands in a part can't be moved out of it, nor anything into it: copy it, or take the use apart.",
        );
      return withFields(edit, { node, parent, ...neighbours(edit) });
    }
    case 'insertElement': {
      const parent = inside(edit.parent);
      if (parent !== edit.parent && written === 'here') throw new EditError(NOT_HERE);
      const page = keptHolding(project, parent)?.id ?? edit.page;
      // Copied of what a use shows, an element says itself what it looks like.
      const elements = edit.elements.some(({ layers }) => layers)
        ? edit.elements.map((one) => flatten(one).element)
        : edit.elements;
      return withFields(edit, { parent, page, elements, ...neighbours(edit) });
    }
    case 'addShared':
      if (!edit.carriers) return edit;
      return { ...edit, carriers: edit.carriers.map((carrier) => withFields(carrier, { node: inside(carrier.node) })) };
    default:
      return edit;
  }
}

const NOT_HERE =
  'What stands in a part is the same in all of its uses. Let edits go to the part to put something in, or take the use apart.';

const keptHolding = (project: Project, id: string): Page | undefined => pageHolding(kept(project), id);

/** The same object where nothing would be otherwise. */
function withFields<E extends object>(edit: E, fields: Partial<E>): E {
  return (Object.keys(fields) as (keyof E)[]).every((key) => fields[key] === edit[key]) ? edit : { ...edit, ...fields };
}

/** A place told by a neighbour that a use shows. */
const neighbours = ({ after }: { readonly after?: string | null | undefined }) => (after ? { after: itself(after) } : {});

/** Copies of a use are uses: only what is kept gets ids. */
function duplicated(project: Project, node: string, ids: Readonly<Record<string, string>>): Record<string, string> {
  const holder = keptHolding(project, itself(node));
  return Object.fromEntries(
    Object.entries(ids).flatMap(([id, fresh]) => (holder && itself(id) in holder.elements ? [[itself(id), fresh]] : [])),
  );
}

type SetContent = Extract<SingleEdit, { type: 'setContent' }>;

function contentWritten(project: Project, edit: SetContent, written: Written): Edit {
  const tree = pageHolding(project, edit.node);
  const element = tree?.elements[edit.node];
  if (!tree || !element?.layers) return edit;
  if (written === 'here') return textsOnly(project, tree, edit);
  const holder = keptHolding(project, insideOf(project, edit.node));
  const elements = edit.elements.map((one) => {
    const id = itself(one.id);
    return { ...(holder?.elements[id] ?? one), id, children: renamedChildren(one.children, itself) };
  });
  return { ...edit, node: insideOf(project, edit.node), children: renamedChildren(edit.children, itself), elements };
}

/** What was written in a use as other texts for it. @throws EditError when it has other elements in it than the part */
function textsOnly(project: Project, tree: Page, edit: SetContent): Edit {
  const put = [[edit.node, edit.children] as const, ...edit.elements.map(({ id, children }) => [id, children] as const)];
  const edits = put.flatMap(([id, children]): Edit[] => {
    const before = tree.elements[id];
    if (!before || !sameElements(before, children))
      throw new EditError('In one use of a part only its words can differ. Change the part, or take the use apart.');
    if (sameJson(before.children, children)) return [];
    return [{ type: 'sayTexts', node: id, texts: gapsOf(childrenInPart(project, tree, id), childIds(before), children) }];
  });
  const [only] = edits;
  if (only && edits.length === 1) return only;
  return { type: 'group', label: `Change the text of ${tree.elements[edit.node]!.name}, here only`, edits };
}

function sameElements(before: PageElement, children: readonly Child[]): boolean {
  const [was, is] = [childIds(before), childIds({ children })];
  return was.length === is.length && was.every((id, i) => id === is[i]);
}

/** The elements that the part has in an element, those that the use leaves out too, by the ids that the use shows. */
function childrenInPart(project: Project, tree: Page, id: string): readonly string[] {
  const { holder, path } = splitShownId(id);
  const part = partNamed(project, tree.elements[holder]!.use!.part)!;
  return childIds(path === '' ? topOf(part)! : part.elements[path]!).map((child) => `${holder}.${child}`);
}

/** One text for each gap between the elements of the part. What is left out has an empty one behind it. */
function gapsOf(all: readonly string[], shown: readonly string[], children: readonly Child[]): readonly string[] {
  const texts = gapTexts(children);
  let at = 0;
  return [texts[0]!, ...all.map((id) => (shown.includes(id) ? texts[++at]! : ''))];
}
