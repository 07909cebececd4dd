import { z } from 'zod';
import { withOwnSets } from '../document/alternates';
import { childIds, renamedChildren, withTextInside } from '../document/content';
import { elementSchema } from '../document/element';
import type { PageElement, StyleSet } from '../document/element';
import type { Page, Picture, Project } from '../document/project';
import { picturesShown } from '../document/html';
import { LIMITS } from '../document/limits';
import { pictureSchema } from '../document/project';
import type { Styled } from '../document/style-sets';
import { styleSetsOf, withStyleSet } from '../document/style-sets';
import { keptElements } from '../document/expand';
import { flatten } from '../document/flatten';
import type { Use } from '../document/use';
import { isInUse, withSaying } from '../document/use';
import { treesProblem } from '../document/trees';
import { freshHtmlIds, withHtmlIds } from '../document/html-ids';
import { listOf, MALFORMED, malformedAt } from '../text';
import { subtreeOf } from '../document/tree';
import { fitPictures, picturesIn, withPictures } from './clip-pictures';

const TOO_MANY = `At most ${LIMITS.elements} elements can be pasted.`;

/** Elements taken along: whole trees, and the names of what they refer to, so that another project can understand them. */
const clipSchema = z.strictObject({
  from: z.literal('mill-pond'),
  /** Tops in order. */
  tops: z.array(z.string().max(30)).min(1).max(LIMITS.elements, TOO_MANY),
  elements: listOf(z.preprocess(withTextInside, elementSchema), LIMITS.elements, TOO_MANY),
  plain: z
    .strictObject({ tops: z.array(z.string().max(30)).min(1), elements: listOf(elementSchema, LIMITS.elements, TOO_MANY) })
    .optional(),
  breakpoints: z.record(z.string().max(30), z.string().max(80)),
  shared: z.record(z.string().max(30), z.string().max(80)),
  pictures: z.array(pictureSchema).max(500),
});
export interface Clip {
  readonly from: 'mill-pond';
  readonly tops: readonly string[];
  readonly elements: readonly PageElement[];
  /** The same without uses of parts, for projects that haven't got them. */
  readonly plain?: Pick<Clip, 'tops' | 'elements'>;
  readonly breakpoints: Readonly<Record<string, string>>;
  readonly shared: Readonly<Record<string, string>>;
  readonly pictures: readonly Picture[];
}

/** Copies trees, with all overrides. `tops` are elements of the page, none inside another. */
export function clipOf(project: Project, page: Page, tops: readonly string[]): Clip {
  const elements = tops.flatMap((id) => (isInUse(id) ? [] : keptElements(subtreeOf(page, id))));
  const plain = independent(page, tops);
  const shown = new Set([...elements, ...plain.elements].flatMap(picturesIn));
  const asUses = !tops.some(isInUse);
  return {
    from: 'mill-pond',
    ...(asUses ? { tops, elements } : plain),
    ...(asUses && elements.some(({ use, list }) => use ?? list) && { plain }),
    breakpoints: Object.fromEntries(project.breakpoints.map(({ id, name }) => [id, name])),
    shared: Object.fromEntries(project.shared.map(({ id, name }) => [id, name])),
    pictures: project.pictures.filter(({ id }) => shown.has(id)),
  };
}

/** What is shown, uses of parts among it, as elements that follow no part. What parts and uses both say can't all be kept. */
function independent(page: Page, tops: readonly string[]): Pick<Clip, 'tops' | 'elements'> {
  const shown = tops.flatMap((id) => subtreeOf(page, id));
  const ids = new Map(shown.map(({ id }, i) => [id, `ec${i}`]));
  const elements = shown.map((one): PageElement => {
    const { element } = flatten(one);
    return { ...element, id: ids.get(one.id)!, children: renamedChildren(element.children, (id) => ids.get(id)!) };
  });
  return { tops: tops.map((id) => ids.get(id)!), elements };
}

/**
 * Reads what a clipboard holds. Undefined where it isn't a clip at all.
 * @throws Error with a sentence where it is one but can't be used
 */
export function readClip(text: string): Clip | undefined {
  if (!/^\s*\{\s*"from"\s*:\s*"mill-pond"/.test(text)) return undefined;
  let input: unknown;
  try {
    input = JSON.parse(text);
  } catch {
    throw new Error('What was copied is damaged; copy it again.');
  }
  if (malformedAt(input) !== undefined) throw new Error(`What was copied can't be used: ${MALFORMED}`);
  const result = clipSchema.safeParse(input);
  if (!result.success) throw new Error(`What was copied can't be used: ${result.error.issues[0]!.message}`);
  const clip = result.data as Clip;
  const problem = treesProblem(clip.elements, clip.tops) ?? (clip.plain && treesProblem(clip.plain.elements, clip.plain.tops));
  if (problem) throw new Error(`What was copied can't be used: ${problem}`);
  return clip;
}

export interface Fitted {
  readonly trees: readonly (readonly PageElement[])[];
  /** Pictures that the project hasn't got yet; to be added first. */
  readonly pictures: readonly Picture[];
  /** What could not be taken along, a sentence each. */
  readonly notes: readonly string[];
}

/** What a block names may have been removed since it was kept. */
const GONE = 'one that was removed';
const listed = (names: ReadonlySet<string>) => [...names].slice(0, 5).join(', ');

/**
 * The trees of a clip as a project can take them: with ids of their own; breakpoints and shared styles that the project
 * hasn't got are looked for by name, else left out and named.
 * @param taken HTML ids that are in use where they'll stand
 */
export function fitClip(
  project: Project,
  given: Pick<Clip, 'tops' | 'elements'> & Partial<Clip>,
  newId: () => string,
  taken: ReadonlySet<string> = new Set(),
): Fitted {
  const hasParts = given.elements.every(({ use, list }) => {
    const part = (use ?? list)?.part;
    return part === undefined || project.parts.some(({ id }) => id === part);
  });
  const clip = !hasParts && given.plain ? { ...given, ...given.plain } : given;
  const lost = { breakpoints: new Set<string>(), shared: new Set<string>() };
  const match = (list: readonly { id: string; name: string }[], names: Readonly<Record<string, string>> = {}) => {
    const ids = new Map(list.map(({ id }) => [id, id]));
    for (const [id, name] of Object.entries(names)) {
      const same = list.find((one) => one.name === name);
      if (!ids.has(id) && same) ids.set(id, same.id);
    }
    return ids;
  };
  const breakpoints = match(project.breakpoints, clip.breakpoints);
  const shared = match(project.shared, clip.shared);
  const pictures = fitPictures(project, clip.pictures ?? [], newId);

  const ids = new Map(clip.elements.map(({ id }) => [id, newId()]));
  const htmlIds = freshHtmlIds(clip.elements, taken);
  const missing = new Set<string>();
  const placeHere = (at: string) => (at === 'base' ? at : breakpoints.get(at));
  const refitStyles = (before: StyleSet): StyleSet => {
    const styles: Record<string, StyleSet[string]> = {};
    for (const [at, declarations] of Object.entries(before)) {
      const here = placeHere(at);
      if (here)
        styles[here] = {
          ...styles[here],
          ...Object.fromEntries(Object.entries(declarations).map(([name, value]) => [name, withPictures(value, pictures.ids)])),
        };
      else if (Object.keys(declarations).length > 0) lost.breakpoints.add(clip.breakpoints?.[at] ?? GONE);
    }
    return styles;
  };
  const refit = (element: PageElement): PageElement => {
    const styled = styleSetsOf(element).reduce(
      (one, [pseudo, styles]) => withStyleSet(one, pseudo, refitStyles(styles)),
      element,
    );
    for (const id of element.shared) if (!shared.has(id)) lost.shared.add(clip.shared?.[id] ?? GONE);
    const attributes = withHtmlIds(element.attributes, htmlIds);
    if (picturesIn(element).some((id) => !pictures.ids.has(id))) missing.add(element.name);
    for (const [name, shown] of picturesShown(attributes)) {
      const id = pictures.ids.get(shown);
      if (id) attributes[name] = `picture:${id}`;
      else delete attributes[name];
    }
    return {
      ...styled,
      id: ids.get(element.id)!,
      children: renamedChildren(element.children, (child) => ids.get(child)!),
      shared: [...new Set(element.shared.flatMap((id) => shared.get(id) ?? []))],
      attributes,
      ...(element.use && { use: refitUse(element.use) }),
      ...(element.alternate && {
        alternate: { ...element.alternate, at: element.alternate.at.flatMap((at) => placeHere(at) ?? []) },
      }),
      ...(element.pictures && { pictures: refitPictures(element.pictures) }),
      ...(element.panel && {
        panel: {
          ...element.panel,
          at: Object.fromEntries(
            Object.entries(element.panel.at).flatMap(([at, isPanel]) => {
              const here = placeHere(at);
              return here === undefined ? [] : [[here, isPanel]];
            }),
          ),
        },
      }),
    };
  };
  const refitPictures = (shown: Readonly<Record<string, string>>) =>
    Object.fromEntries(
      Object.entries(shown).flatMap(([at, picture]) => {
        const [here, id] = [placeHere(at), pictures.ids.get(picture)];
        return here === undefined || id === undefined ? [] : [[here, id]];
      }),
    );
  const refitUse = (use: Use): Use =>
    Object.entries(use.says).reduce((one, [path, saying]) => {
      const styled = styleSetsOf(saying).reduce<Styled>(
        (said, [pseudo, styles]) => withStyleSet(said, pseudo, refitStyles(styles)),
        saying,
      );
      return withSaying(one, path, styled);
    }, use);
  const byId = new Map(clip.elements.map((element) => [element.id, element]));
  const tree = (id: string): PageElement[] => {
    const element = byId.get(id)!;
    return [refit(element), ...childIds(element).flatMap(tree)];
  };
  const refitted = clip.tops.map(tree);
  const own = new Map(withOwnSets(refitted.flat()).map((element) => [element.id, element]));
  const trees = refitted.map((one) => one.map(({ id }) => own.get(id)!));
  const notes = [
    ...(lost.breakpoints.size > 0
      ? [`Values under ${listed(lost.breakpoints)} are left out: this project has no such breakpoint.`]
      : []),
    ...(lost.shared.size > 0 ? [`Shared styles that this project hasn't got are left out: ${listed(lost.shared)}.`] : []),
    ...(missing.size > 0 ? [`Pictures are missing in ${listed(missing)}.`] : []),
  ];
  return { trees, pictures: pictures.brought, notes };
}
