import { z } from 'zod';
import type { At, Breakpoint } from '../breakpoints/breakpoint';
import { atSchema, BASE } from '../breakpoints/breakpoint';
import type { Choice } from '../breakpoints/choice';
import { choiceAt } from '../breakpoints/choice';
import type { Viewport } from '../breakpoints/viewport';
import { picturesShown } from './html';
import { pictureIdSchema } from './picture';

/**
 * The pictures that an image shows at breakpoints in place of the one that its `src` names (HTML, 4.8.4.4, art direction). What stands at
 * breakpoints that are gone is kept and doesn't count.
 */
export const picturesSchema = z
  .record(atSchema, pictureIdSchema)
  .refine((pictures) => !(BASE in pictures), 'What an image shows at the base is said by its src.')
  .refine(
    (pictures) => Object.keys(pictures).length > 0,
    'An image that shows one picture everywhere says none for breakpoints.',
  );

interface Shows {
  readonly tag: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly pictures?: Readonly<Record<string, string>> | undefined;
}

/** Why an element can't show other pictures at breakpoints; undefined where it can. */
export function whyNoPictures({ tag, attributes }: Shows): string | undefined {
  if (tag !== 'img') return `<${tag}> shows no pictures of its own; an <img> does.`;
  return picturesShown(attributes).has('src') ? undefined : 'It must show one of the project’s pictures at the base first.';
}

/** What an image shows, by place, as far as it can; undefined for what shows no picture of the project. */
export function pictureChoice(element: Shows): Choice<string> | undefined {
  const base = element.tag === 'img' ? picturesShown(element.attributes).get('src') : undefined;
  return base === undefined ? undefined : new Map<At, string>([[BASE, base], ...Object.entries(element.pictures ?? {})]);
}

/** The picture that an image shows at a viewport; undefined for none of the project's. */
export function pictureAt(breakpoints: readonly Breakpoint[], element: Shows, viewport: Viewport): string | undefined {
  const choice = pictureChoice(element);
  return choice && choiceAt(breakpoints, choice, choice.get(BASE)!, viewport);
}

/** All pictures of the project that an element shows by its attributes or at breakpoints. */
export const picturesNamed = ({ attributes, pictures = {} }: Omit<Shows, 'tag'>): readonly string[] => [
  ...picturesShown(attributes).values(),
  ...Object.values(pictures),
];

/**
 * Whether an image says how large it is. One that doesn't is laid out by the size of the file that a browser chose, so there is only one
 * file to choose: what is laid out must not depend on the screen's density.
 */
export const saysSize = ({ attributes }: Pick<Shows, 'attributes'>): boolean =>
  Number(attributes.width) > 0 && Number(attributes.height) > 0;

/** The same element, showing pictures by place: at the base by its `src`, at breakpoints by what it says there. */
export function withPictures<T extends Shows>(element: T, words: Readonly<Record<string, string>>): T {
  const { [BASE]: base, ...at } = words;
  const { pictures: _, ...rest } = element;
  const attributes = base === undefined ? element.attributes : { ...element.attributes, src: `picture:${base}` };
  return { ...rest, attributes, ...(Object.keys(at).length > 0 && { pictures: at }) } as T;
}
