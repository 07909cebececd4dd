'use client';

import { memo } from 'react';
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import type { Page } from '@/core/document';
import { shownPage, useSession } from '../state/store';
import { openPart } from '../parts/part-actions';
import { showPage } from '../view/actions';

type Named = Pick<Page, 'id' | 'name' | 'slug'>;

interface Props {
  readonly pages: readonly Named[];
  readonly parts: readonly Named[];
  readonly current: Named;
}

const isNamedSame = (a: Named, b: Named) => a.id === b.id && a.name === b.name && a.slug === b.slug;

const areNamedSame = (a: readonly Named[], b: readonly Named[]) =>
  a.length === b.length && a.every((one, i) => isNamedSame(one, b[i]!));

/** Which page is worked on. */
export function PageMenu() {
  const pages = useSession((session) => session.project.pages);
  const parts = useSession((session) => session.project.parts);
  return <Pages pages={pages} parts={parts} current={useSession(shownPage)} />;
}

/** Edits inside of pages don't concern it. */
const Pages = memo(
  function Pages({ pages, parts, current }: Props) {
    return (
      <Menu>
        <MenuButton
          className="flex max-w-[260px] shrink-0 items-center gap-1 rounded-[4px] border-0 bg-transparent px-1 py-0.5 font-bold hover:bg-paper"
          aria-label={`Page: ${current.name}. Change`}
        >
          <span className="truncate">{current.name}</span> <span aria-hidden>▾</span>
        </MenuButton>
        <MenuItems
          anchor="bottom start"
          className="z-40 min-w-44 rounded-[4px] border border-line-strong bg-sheet p-1 text-sm focus:outline-none"
        >
          {pages.map((one) => (
            <MenuItem key={one.id}>
              <button
                type="button"
                className={`flex w-full justify-between gap-6 rounded-[3px] border-0 bg-transparent px-2 py-1 text-left data-focus:bg-reed-tint ${one.id === current.id ? 'font-bold' : ''}`}
                onClick={() => showPage(one.id)}
              >
                {one.name} <span className="font-mono font-normal text-muted">{one.slug}.html</span>
              </button>
            </MenuItem>
          ))}
          {parts.length > 0 && (
            <p className="m-0 mt-1 border-t border-line px-2 pt-1 text-xs text-muted">Parts, each by itself</p>
          )}
          {parts.map((one) => (
            <MenuItem key={one.id}>
              <button
                type="button"
                className={`block w-full rounded-[3px] border-0 bg-transparent px-2 py-1 text-left data-focus:bg-reed-tint ${one.id === current.id ? 'font-bold' : ''}`}
                onClick={() => openPart(one.id)}
              >
                {one.name}
              </button>
            </MenuItem>
          ))}
        </MenuItems>
      </Menu>
    );
  },
  (before, after) =>
    isNamedSame(before.current, after.current) &&
    areNamedSame(before.pages, after.pages) &&
    areNamedSame(before.parts, after.parts),
);
