import type { Photo, Picture } from '@/core/document';
import photos from './photos/photos.json';

const drawing = (ground: string, shapes: string) =>
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 320 200" width="320" height="200"><rect width="320" height="200" fill="${ground}"/><g fill="#26322f" stroke="none">${shapes}</g></svg>`;

const SAND = '#e9e2cf';
const REED = '#dbe5dd';
const CLAY = '#e9dad0';

/** Drawn for the demo: plain shapes of tools on quiet grounds, and the shop as it is and cut for narrow screens. */
export const PICTURES: readonly Picture[] = [
  {
    id: 'phammer',
    fileName: 'claw-hammer.svg',
    svg: drawing(
      SAND,
      '<rect x="150" y="72" width="20" height="92" rx="3"/><path d="M118 52h70l22-12v44l-22-12h-38v8h-16v-8h-16z"/>',
    ),
  },
  {
    id: 'pdrill',
    fileName: 'cordless-drill.svg',
    svg: drawing(
      REED,
      '<path d="M96 70h104v34H96z"/><path d="M200 78h18l26-12v42l-26-12h-18z"/><path d="M112 104h34l-8 52h-36z"/><rect x="94" y="150" width="54" height="16" rx="3"/>',
    ),
  },
  {
    id: 'pladder',
    fileName: 'six-step-ladder.svg',
    svg: drawing(
      CLAY,
      '<path d="M142 32h8l-28 136h-9zM170 32h8l29 136h-9z"/><path d="M140 56h40v6h-40zM135 80h50v6h-50zM130 104h60v6h-60zM125 128h70v6h-70z"/>',
    ),
  },
  {
    id: 'psaw',
    fileName: 'panel-saw.svg',
    svg: drawing(
      SAND,
      '<path d="M70 116l150-32v52l-6-8-6 10-6-10-6 10-6-10-6 10-6-10-6 10-6-10-6 10-6-10-6 10-6-10-6 10-6-10-6 10-6-10-6 8z"/><path d="M220 76h30q18 0 18 30t-18 38h-30z"/>',
    ),
  },
  {
    id: 'plevel',
    fileName: 'spirit-level.svg',
    svg: drawing(
      REED,
      '<rect x="54" y="84" width="212" height="36" rx="4"/><rect x="140" y="92" width="44" height="20" rx="10" fill="#d9a94a"/><circle cx="166" cy="102" r="6" fill="#fbf9f4"/>',
    ),
  },
  {
    id: 'psander',
    fileName: 'orbital-sander.svg',
    svg: drawing(
      CLAY,
      '<path d="M104 132h112v18H104z"/><path d="M116 124q4-64 60-62 34 2 34 30-20 2-24 32z"/><rect x="204" y="70" width="46" height="12" rx="6"/>',
    ),
  },
  {
    id: 'ptag',
    fileName: 'tool-tag.svg',
    svg: drawing(
      SAND,
      '<path d="M112 60h96l24 40-24 40h-96a12 12 0 0 1-12-12V72a12 12 0 0 1 12-12z"/><circle cx="204" cy="100" r="9" fill="#e9e2cf"/><rect x="120" y="84" width="56" height="7" fill="#e9e2cf"/><rect x="120" y="106" width="40" height="7" fill="#e9e2cf"/>',
    ),
  },
  ...(photos as readonly Photo[]),
];
