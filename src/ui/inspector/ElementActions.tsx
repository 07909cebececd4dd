'use client';

import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import type { At } from '@/core/breakpoints';
import { BASE } from '@/core/breakpoints';
import { kindOf } from '@/core/document';
import { describeTarget } from '@/core/edits';
import type { Receivers } from '@/core/plans';
import { planClear, planCopy, planEverywhere, planGive, planMakeBase } from '@/core/plans';
import { commitOrReport } from '../session/edits';
import { propose } from '../session/proposal';
import { steadyPage, steadyProject, useSession } from '../session/store';
import { placesOf } from './places';

const button = 'rounded-[4px] border border-line-strong bg-sheet px-2 py-0.5 hover:bg-paper disabled:opacity-50';
const items =
  'z-40 max-h-72 w-64 overflow-auto rounded-[4px] border border-line-strong bg-sheet p-1 text-sm focus:outline-none';
const item = 'block w-full rounded-[3px] border-0 bg-transparent px-2 py-1 text-left data-focus:bg-reed-tint';

/** What can be done with all own values that the selection has at the write target. */
export function ElementActions({ ids, target }: { ids: readonly string[]; target: At }) {
  const project = useSession(steadyProject);
  const page = useSession(steadyPage);
  const elements = ids.flatMap((id) => page.elements[id] ?? []);
  const count = elements.reduce((sum, { styles }) => sum + Object.keys(styles[target] ?? {}).length, 0);
  const one = elements.length === 1 ? elements[0] : undefined;
  const kind = one && kindOf(one);
  const where = target === BASE ? 'the base' : describeTarget(project, target);
  const give = (receivers: Receivers) => propose((now, slice) => planGive(now, slice, one!.id, target, receivers));
  return (
    <section aria-label="All values here" className="border-t border-line px-3.5 py-2">
      <p className="m-0 pb-1.5 text-muted">
        {count === 0 ? 'No' : count} own {count === 1 ? 'value' : 'values'} at {where}
      </p>
      <div className="flex flex-wrap gap-1.5">
        <button
          type="button"
          className={button}
          disabled={count === 0}
          onClick={() => propose((now, slice) => planClear(now, slice, ids, target))}
        >
          Clear all
        </button>
        <Menu>
          <MenuButton className={button} disabled={count === 0}>
            Copy to
          </MenuButton>
          <MenuItems anchor="top start" className={items}>
            {placesOf(project)
              .filter(({ at }) => at !== target)
              .map(({ at, words }) => (
                <MenuItem key={at}>
                  <button
                    type="button"
                    className={item}
                    onClick={() => propose((now, slice) => planCopy(now, slice, ids, target, at))}
                  >
                    {words}
                  </button>
                </MenuItem>
              ))}
          </MenuItems>
        </Menu>
        <button
          type="button"
          className={button}
          disabled={count === 0 || target === BASE}
          onClick={() => propose((now, slice) => planMakeBase(now, slice, ids, target))}
        >
          Make base
        </button>
        <button
          type="button"
          className={button}
          disabled={count === 0}
          onClick={() => propose((now, slice) => planEverywhere(now, slice, ids, target))}
        >
          At every band
        </button>
        {one && (
          <Menu>
            <MenuButton className={button} disabled={count === 0}>
              Give to
            </MenuButton>
            <MenuItems anchor="top start" className={items}>
              <MenuItem>
                <button type="button" className={item} onClick={() => give({ to: 'siblings' })}>
                  Its siblings
                </button>
              </MenuItem>
              {kind &&
                [false, true].map((everywhere) => (
                  <MenuItem key={String(everywhere)}>
                    <button type="button" className={item} onClick={() => give({ to: 'kind', everywhere })}>
                      All {kind.many} {everywhere ? 'in the project' : 'on this page'}
                    </button>
                  </MenuItem>
                ))}
              {project.shared
                .filter(({ id }) => one.shared.includes(id))
                .flatMap(({ id, name }) =>
                  [false, true].map((everywhere) => (
                    <MenuItem key={`${id} ${everywhere}`}>
                      <button
                        type="button"
                        className={item}
                        onClick={() => give({ to: 'shared', sharedId: id, everywhere })}
                      >
                        All that carry {name} {everywhere ? 'in the project' : 'on this page'}
                      </button>
                    </MenuItem>
                  )),
                )}
            </MenuItems>
          </Menu>
        )}
      </div>
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
