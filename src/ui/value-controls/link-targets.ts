import type { Page, Project } from '@/core/document';
import { carried, htmlIdsOn } from '@/core/document';

const PLACES_MOST = 200;

// Asked at each edit while a link is selected.
const idsAmong = carried(
  (elements) => [...htmlIdsOn({ elements })],
  (before, after) => before?.attributes.id !== after?.attributes.id,
);

/** Where a link can lead, each with its words: pages, places on this page and on others, nowhere yet. */
export function linkTargets(project: Project, page: Page): { value: string; word: string }[] {
  const places = [page, ...project.pages.filter((one) => one !== page)].flatMap((one) =>
    idsAmong(one.elements).map((id) =>
      one === page
        ? { value: `#${id}`, word: 'a place on this page' }
        : { value: `${calledIn(project, one)}#${id}`, word: `a place on ${one.name}` },
    ),
  );
  return [
    ...project.pages.map((one) => ({ value: calledIn(project, one), word: `${one.name}, a page of this project` })),
    ...places.slice(0, PLACES_MOST),
    { value: '#', word: 'nowhere yet' },
  ];
}

type Pages = Pick<Project, 'pages'>;

/** A page as a link names it: by its name, where that is the page's alone. */
function calledIn({ pages }: Pages, { id, name }: Pick<Page, 'id' | 'name'>): string {
  const same = name.trim().toLowerCase();
  const isOwn = !name.includes('#') && pages.every((one) => one.id === id || one.name.trim().toLowerCase() !== same);
  return isOwn ? name : `page:${id}`;
}

/** A link as people say it: pages by their names. */
export function linkInWords(project: Pages, link: string): string {
  const found = /^page:([^#]*)(#.*)?$/.exec(link);
  const page = found && project.pages.find(({ id }) => id === found[1]);
  return page ? calledIn(project, page) + (found[2] ?? '') : link;
}

/** The link that is meant by words; whatever is no page's name is taken as it is. */
export function linkMeant({ pages }: Pages, words: string): string {
  const at = words.indexOf('#');
  const [name, place] = at < 0 ? [words, ''] : [words.slice(0, at), words.slice(at)];
  const meant = name.trim().toLowerCase();
  const [page, another] = pages.filter((one) => one.name.trim().toLowerCase() === meant);
  return page && !another ? `page:${page.id}${place}` : words;
}
