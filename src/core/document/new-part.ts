import type { PageElement } from './element';
import type { Page } from './project';

/** What has to stand around a top that a body can't hold by itself (HTML, "The table element"), outermost first. */
const AROUND: Readonly<Record<string, readonly string[]>> = {
  ...{ tr: ['table', 'tbody'], td: ['table', 'tbody', 'tr'], th: ['table', 'tbody', 'tr'] },
  ...{ thead: ['table'], tbody: ['table'], tfoot: ['table'], caption: ['table'], colgroup: ['table'] },
};

/** The tags that stand around a part's top, so that it can be shown by itself; none where its body holds it. */
export const tagsAround = (tag: string): readonly string[] => AROUND[tag] ?? [];

/**
 * A part of elements of which the first is the top: in a body that is there to show it, and in what else it can't stand without.
 * @param newId gives the rest of ids, up to 24 small letters and digits
 */
export function newPart(id: string, name: string, elements: readonly PageElement[], newId: () => string): Page {
  const [top] = elements;
  const bare = { attributes: {}, shared: [], styles: {} };
  const tags = ['body', ...tagsAround(top!.tag)];
  const ids = tags.map(() => `e${newId()}`);
  const around = tags.map((tag, i): PageElement => ({
    ...bare,
    ...{ id: ids[i]!, tag, name: 'Around', children: [ids[i + 1] ?? top!.id] },
  }));
  return {
    ...{ id, name, slug: id, root: ids[0]! },
    ...(tags.length > 1 && { top: top!.id }),
    elements: Object.fromEntries([...around, ...elements].map((one) => [one.id, one])),
  };
}
