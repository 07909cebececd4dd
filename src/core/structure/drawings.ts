import type { Picture } from '../document/project';

const icon = (what: string, path: string): Picture => ({
  id: `picon${what}`,
  fileName: `icon-${what}.svg`,
  svg: `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 24 24" width="24" height="24" fill="none" stroke="#1f2b29" stroke-width="2" stroke-linecap="round" stroke-linejoin="round"><path d="${path}"/></svg>`,
});

/** Small drawings that come with the program. */
export const ICONS: readonly Picture[] = [
  icon('menu', 'M4 7h16M4 12h16M4 17h16'),
  icon('close', 'M6 6l12 12M18 6L6 18'),
  icon('search', 'M16 10.5a5.5 5.5 0 1 1-11 0 5.5 5.5 0 0 1 11 0zM15 15l5 5'),
  icon('forward', 'M5 12h14M13 6l6 6-6 6'),
  icon('tick', 'M5 12.5l4.5 4.5L19 7.5'),
  icon('plus', 'M12 5v14M5 12h14'),
];

/** Stands where a picture will be. */
export const PLACEHOLDER: Picture = {
  id: 'pplaceholder',
  fileName: 'placeholder.svg',
  svg: '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 320 200" width="320" height="200"><rect width="320" height="200" fill="#e3e2d9"/><path d="M0 160q40-30 80 0t80 0 80 0 80 0v40H0z" fill="#c9c2b2"/><circle cx="244" cy="62" r="22" fill="#d8c9a0"/></svg>',
};
