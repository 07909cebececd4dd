import { asksForRules } from '../cascade/foundation';
import { sameClassNames } from '../document/class-names';
import { childIds } from '../document/content';
import type { PageElement } from '../document/element';
import type { Page, Project } from '../document/project';
import { ancestorsOf, subtreeOf } from '../document/tree';
import { changedIds } from '../document/versions';
import { renderElement } from './markup';
import type { Preview, PreviewPatch } from './preview';
import { lazily, markupOptions } from './preview';
import type { ShownPreview } from './restyled';
import { onlyPageDiffers } from './restyled';

/** Whether neither the sheet nor any class speaks of an element. */
const saysNothing = ({ tag, styles, pseudo, shared, kind, attributes }: PageElement) =>
  pseudo === undefined &&
  tag !== 'img' &&
  !asksForRules(tag) &&
  kind === undefined &&
  shared.length === 0 &&
  attributes.class === undefined &&
  !Object.values(styles).some((one) => Object.keys(one).length > 0);

/** Whether two versions of an element differ at most in what stands in it. */
function onlyInsideDiffers(before: PageElement, after: PageElement): boolean {
  const { children: _, ...rest } = before;
  const { children: __, ...other } = after;
  for (const key of Object.keys({ ...rest, ...other }) as (keyof typeof rest)[]) if (rest[key] !== other[key]) return false;
  return true;
}

/**
 * The next preview and the way to it while somebody writes: texts, and marks without values that come and go. Undefined
 * for every other edit. Only the elements in which something else stands are written anew.
 */
export function rewrittenPreview(
  shown: ShownPreview,
  project: Project,
  page: Page,
): { readonly preview: Preview; readonly patch: PreviewPatch } | undefined {
  const { project: old, page: was, preview } = shown;
  // Rules of sheets from elsewhere may ask what stands in what.
  if (!onlyPageDiffers(shown, project, page) || project.sheets.length > 0) return undefined;
  const changed: PageElement[] = [];
  for (const id of changedIds(was.elements, page.elements)) {
    const [before, after] = [was.elements[id], page.elements[id]];
    if (!before || !after) {
      if (!saysNothing((before ?? after)!)) return undefined;
    } else if (onlyInsideDiffers(before, after)) changed.push(after);
    else return undefined;
  }
  if (changed.length === 0 || changed.length > MOST) return undefined;
  // Where elements with values change their order, so may the names of their classes.
  if (changed.some(({ id }) => !sameOrder(was, page, id))) return undefined;
  sameClassNames(old, project);
  const options = markupOptions(project, page);
  const tops = changed.filter(({ id }) => !ancestorsOf(page, id).some((one) => changed.includes(one)));
  const insides = tops.map(({ id }) => ({ id, html: renderElement(project, page, id, options) }));
  const body = lazily(() => renderElement(project, page, page.root, options));
  return { preview: { ...preview, body }, patch: { kind: 'insides', insides } };
}

const MOST = 20;

function sameOrder(was: Page, is: Page, id: string): boolean {
  const speaking = (page: Page) =>
    childIds(page.elements[id]!).filter((child) => subtreeOf(page, child).some((one) => !saysNothing(one)));
  const [a, b] = [speaking(was), speaking(is)];
  return a.length === b.length && a.every((one, i) => one === b[i]);
}
