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
        : { value: `page:${one.id}#${id}`, word: `${id}, a place on ${one.name}` },
    ),
  );
  return [
    ...project.pages.map(({ id, name }) => ({ value: `page:${id}`, word: `${name}, a page of this project` })),
    ...places.slice(0, PLACES_MOST),
    { value: '#', word: 'nowhere yet' },
  ];
}
