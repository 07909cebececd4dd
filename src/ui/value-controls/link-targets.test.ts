import { linkInWords, linkMeant } from './link-targets';

const project = {
  pages: [
    { id: 'gone', name: 'Front page' },
    { id: 'gtwo', name: 'Hours #2' },
    { id: 'gthree', name: 'Join' },
    { id: 'gfour', name: 'join ' },
  ],
} as unknown as Parameters<typeof linkInWords>[0];

test('links say pages by their names, and names are taken for pages', () => {
  expect(linkInWords(project, 'page:gone')).toBe('Front page');
  expect(linkInWords(project, 'page:gone#steps')).toBe('Front page#steps');
  expect(linkMeant(project, 'front page')).toBe('page:gone');
  expect(linkMeant(project, 'Front page#steps')).toBe('page:gone#steps');
});

test('a name that isn’t one page’s alone, or has a sign of places in it, is left as it is written', () => {
  for (const link of ['page:gthree', 'page:gfour', 'page:gtwo', 'page:none', 'https://example.org/#a', '#here', ''])
    expect(linkMeant(project, linkInWords(project, link))).toBe(link);
});
