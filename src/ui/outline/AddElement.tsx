'use client';

import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { parentOf, suggestName, whyNotInside } from '@/core/document';
import type { Page, PageElement } from '@/core/document';
import { newElementId, select } from '../session/actions';
import { commitOrReport, report } from '../session/edits';
import { shownPage, useSession } from '../session/store';

const CHOICES: readonly {
  readonly label: string;
  readonly tag: string;
  readonly text?: string;
  readonly kind?: 'krow' | 'kgrid';
}[] = [
  { label: 'Section', tag: 'section' },
  { label: 'Group', tag: 'div' },
  { label: 'Row', tag: 'div', kind: 'krow' },
  { label: 'Grid', tag: 'div', kind: 'kgrid' },
  { label: 'Heading', tag: 'h2', text: 'New heading' },
  { label: 'Text', tag: 'p', text: 'New text' },
  { label: 'Link', tag: 'a', text: 'New link' },
  { label: 'Button', tag: 'button', text: 'New button' },
  { label: 'List', tag: 'ul' },
  { label: 'List item', tag: 'li', text: 'New item' },
];

/** Where a new element can go: into what is selected if it may, else right after it, else further out. */
function placeFor(page: Page, from: string, tag: string): { parent: string; index: number } | undefined {
  let id = from;
  let index: number | undefined;
  for (let at: PageElement | undefined = page.elements[id]; at; at = parentOf(page, at.id)) {
    if (!at.text && !whyNotInside(tag, at.tag)) return { parent: at.id, index: index ?? at.children.length };
    const parent = parentOf(page, at.id);
    index = parent && parent.children.indexOf(at.id) + 1;
    id = at.id;
  }
  return undefined;
}

function add(choice: (typeof CHOICES)[number]): void {
  const session = useSession.getState();
  const page = shownPage(session);
  const place = placeFor(page, session.selection[session.selection.length - 1] ?? page.root, choice.tag);
  if (!place) return report(`There is no place for a ${choice.label.toLowerCase()} around what is selected.`);
  const element = {
    id: newElementId(),
    tag: choice.tag,
    name: choice.kind ? choice.label : suggestName(choice.tag, choice.text),
    attributes: (choice.tag === 'a' ? { href: '#' } : {}) as Record<string, string>,
    ...(choice.text && { text: choice.text }),
    children: [],
    shared: [],
    styles: {},
    ...(choice.kind && { kind: choice.kind }),
  };
  if (commitOrReport({ type: 'insertElement', page: page.id, ...place, elements: [element] })) select([element.id]);
}

/** Puts a new element on the page, at all widths. */
export function AddElement() {
  return (
    <Menu as="div" className="ml-auto">
      <MenuButton className="rounded-[4px] border border-line-strong bg-sheet px-1.5 py-0.5 text-xs hover:bg-paper">
        Insert
      </MenuButton>
      <MenuItems
        anchor="bottom end"
        className="z-40 rounded-[4px] border border-line-strong bg-sheet p-1 text-sm focus:outline-none"
      >
        <p className="px-2 pb-1 text-xs text-muted">Stands there at all widths</p>
        {CHOICES.map((choice) => (
          <MenuItem key={choice.label}>
            <button
              type="button"
              className="flex w-full justify-between gap-6 rounded-[3px] px-2 py-1 text-left data-focus:bg-reed-tint"
              onClick={() => add(choice)}
            >
              {choice.label} <span className="font-mono text-muted">{choice.tag}</span>
            </button>
          </MenuItem>
        ))}
      </MenuItems>
    </Menu>
  );
}
