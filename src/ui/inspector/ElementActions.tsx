'use client';

import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { memo } from 'react';
import type { At } from '@/core/breakpoints';
import { BASE } from '@/core/breakpoints';
import type { Pseudo, SharedStyle } from '@/core/document';
import { kindOf, pseudoWords } from '@/core/document';
import { describeTarget, ownerOf, stylesOf } from '@/core/edits';
import type { Receivers } from '@/core/plans';
import { planClear, planCopy, planEverywhere, planGive, planMakeBase } from '@/core/plans';
import { commitOrReport } from '../editing/edits';
import { propose } from '../editing/proposal';
import { shownSet } from '../state/shown-set';
import { steadyPage, steadyProject, useSession, writtenTo } from '../state/store';
import { BUTTON, MENU, MENU_ITEM } from '../theme/controls';
import { placesOf } from '../breakpoints/places';
import { useSame } from './use-same';

interface Props {
  readonly ids: readonly string[];
  readonly target: At;
  readonly pseudo: Pseudo;
}

/** What can be done with all own values that the selection has at the write target. */
export function ElementActions({ ids, target, pseudo }: Props) {
  const project = useSession(steadyProject);
  const page = useSession(steadyPage);
  const elements = ids.flatMap((id) => page.elements[id] ?? []);
  const written = useSession(writtenTo);
  const owners = useSame(elements.map((element) => ownerOf(element, written) + pseudo));
  const count = owners.reduce((sum, owner) => sum + Object.keys(stylesOf(project, owner)?.[target] ?? {}).length, 0);
  const one = elements.length === 1 ? elements[0] : undefined;
  const kind = one && kindOf(one);
  const carried = useSame(project.shared.filter(({ id }) => one?.shared.includes(id)));
  const where = target === BASE ? 'the base' : describeTarget(project, target);
  return (
    <section aria-label="All values here" className="border-t border-line px-3.5 py-2">
      <p className="m-0 pb-1.5 text-muted">
        {count === 0 ? 'No' : count} own {count === 1 ? 'value' : 'values'} at {where}
        {pseudo && `, ${pseudoWords(pseudo)}`}
      </p>
      {one && one.id !== page.root && (
        <label className="flex items-center gap-2 pb-1.5">
          <input
            type="checkbox"
            className="accent-reed"
            checked={one.first === true}
            onChange={(event) => commitOrReport({ type: 'setFirst', node: one.id, first: event.target.checked })}
          />
          Must be seen first
        </label>
      )}
      <WithAll owners={owners} target={target} none={count === 0} kind={kind} carried={one ? carried : undefined} />
      {one && (
        <label className="flex items-center gap-2 pt-2 text-muted">
          Kind
          <select
            className="rounded-[3px] border border-line-strong bg-well px-1 py-0.5 text-ink"
            value={one.kind ?? ''}
            onChange={(event) =>
              commitOrReport({
                type: 'setKind',
                node: one.id,
                kind: event.target.value === '' ? null : (event.target.value as 'krow' | 'kgrid'),
              })
            }
          >
            <option value="">{kindOf({ tag: one.tag })?.one ?? `none for <${one.tag}>`}</option>
            <option value="krow">row</option>
            <option value="kgrid">grid</option>
          </select>
        </label>
      )}
    </section>
  );
}

interface WithAllProps {
  readonly owners: readonly string[];
  readonly target: At;
  readonly none: boolean;
  readonly kind: ReturnType<typeof kindOf>;
  /** Shared styles that the one element that is selected carries. */
  readonly carried: readonly SharedStyle[] | undefined;
}

/** It isn't drawn again while values change, since menus are dear. */
const WithAll = memo(function WithAll({ owners, target, none, kind, carried }: WithAllProps) {
  const set = useSession(shownSet);
  const place = { ids: [...new Set(owners)], at: target };
  const give = (receivers: Receivers) => propose((now, slice) => planGive(now, slice, owners[0]!, target, receivers));
  return (
    <div className="flex flex-wrap gap-1.5">
      <button
        type="button"
        className={BUTTON}
        disabled={none}
        onClick={() => propose((now, slice) => planClear(now, slice, place))}
      >
        Clear all
      </button>
      <Menu>
        <MenuButton className={BUTTON} disabled={none}>
          Copy to
        </MenuButton>
        <MenuItems anchor="top start" className={MENU}>
          {placesOf(set)
            .filter(({ at }) => at !== target)
            .map(({ at, words }) => (
              <MenuItem key={at}>
                <button
                  type="button"
                  className={MENU_ITEM}
                  onClick={() => propose((now, slice) => planCopy(now, slice, place, at))}
                >
                  {words}
                </button>
              </MenuItem>
            ))}
        </MenuItems>
      </Menu>
      <button
        type="button"
        className={BUTTON}
        disabled={none || target === BASE}
        onClick={() => propose((now, slice) => planMakeBase(now, slice, place))}
      >
        Make base
      </button>
      <button
        type="button"
        className={BUTTON}
        disabled={none}
        onClick={() => propose((now, slice) => planEverywhere(now, slice, place))}
      >
        At every band
      </button>
      {carried && (
        <Menu>
          <MenuButton className={BUTTON} disabled={none}>
            Give to
          </MenuButton>
          <MenuItems anchor="top start" className={MENU}>
            <MenuItem>
              <button type="button" className={MENU_ITEM} onClick={() => give({ to: 'siblings' })}>
                Its siblings
              </button>
            </MenuItem>
            {kind &&
              [false, true].map((everywhere) => (
                <MenuItem key={String(everywhere)}>
                  <button type="button" className={MENU_ITEM} onClick={() => give({ to: 'kind', everywhere })}>
                    All {kind.many} {everywhere ? 'in the project' : 'on this page'}
                  </button>
                </MenuItem>
              ))}
            {carried.flatMap(({ id, name }) =>
              [false, true].map((everywhere) => (
                <MenuItem key={`${id} ${everywhere}`}>
                  <button type="button" className={MENU_ITEM} onClick={() => give({ to: 'shared', sharedId: id, everywhere })}>
                    All that carry {name} {everywhere ? 'in the project' : 'on this page'}
                  </button>
                </MenuItem>
              )),
            )}
          </MenuItems>
        </Menu>
      )}
    </div>
  );
});
