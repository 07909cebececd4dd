'use client';

import { Menu, MenuButton, MenuItem, MenuItems, Radio, RadioGroup } from '@headlessui/react';
import { useMemo } from 'react';
import { isInUse, partNamed, rowPlace, splitShownId, usesOf } from '@/core/document';
import type { Written } from '@/core/edits';
import { usesInWords } from '@/core/plans';
import { report } from '../editing/edits';
import { useKeySign } from '../input/key-choices';
import { steadyPage, steadyProject, useSession, writtenTo } from '../state/store';
import { BUTTON, MENU, MENU_ITEM, SIGN_BUTTON } from '../theme/controls';
import { leaveOut, openPart, openUse, swapPart, takeApart, takeBack, shownThrough } from './part-actions';
import { saidBy } from './sayings';

const RADIO =
  'flex-1 cursor-pointer rounded-[3px] border border-line-strong bg-sheet px-2 py-0.5 data-checked:border-reed data-checked:bg-reed-tint data-checked:font-semibold';

/** Of which part something is, where its edits go, and what this use says otherwise. */
export function PartBox({ id }: { id: string }) {
  const project = useSession(steadyProject);
  const page = useSession(steadyPage);
  const written = useSession(writtenTo);
  const otherKey = useKeySign('part-here');
  const element = page.elements[id];
  const around = useMemo(() => shownThrough(page, id), [page, id]);
  const part = around?.use && partNamed(project, around.use.part);
  const others = useMemo(() => (part ? usesOf(project, part.id) : []), [project, part]);
  if (!element?.layers || !around || !part) return null;
  const row = rowPlace(page, around.id);
  if (row)
    return (
      <section
        aria-label="Part"
        className="mx-3.5 mb-2 flex items-baseline gap-1.5 rounded-[4px] border border-line-strong px-2.5 py-1.5"
      >
        <span className="shrink-0 text-muted">Edits go to</span>
        <b className="min-w-0 truncate">{part.name}</b>
        <button type="button" className={`${BUTTON} ml-auto shrink-0 text-xs`} onClick={() => openPart(part.id)}>
          Open it
        </button>
      </section>
    );
  const holder = page.elements[splitShownId(around.id).holder]!;
  const said = saidBy(project, holder);
  const otherWords = `Values, texts and attributes${otherKey && `; ${otherKey} goes to the other`}`;
  const choose = (to: Written) => useSession.setState({ chosenWritten: to, marked: [] });
  return (
    <section aria-label="Part" className="mx-3.5 mb-2 rounded-[4px] border border-line-strong px-2.5 py-1.5">
      <p className="m-0 flex items-baseline gap-1.5 pb-1">
        <span className="text-muted">{element.use ? 'Use of' : 'In'}</span>
        <b className="min-w-0 truncate">{part.name}</b>
        <button type="button" className={`${BUTTON} ml-auto text-xs`} onClick={() => openPart(part.id)}>
          Open the part
        </button>
      </p>
      <RadioGroup value={written} onChange={choose} aria-label="Edits go to" className="flex gap-1 text-xs">
        <Radio value="part" className={RADIO} title={otherWords}>
          The part
          <span className="block font-normal text-muted">{usesInWords(project, part.id)}</span>
        </Radio>
        <Radio value="here" className={RADIO} title={otherWords}>
          This use only
          <span className="block font-normal text-muted">
            {said.length === 0 ? 'says nothing yet' : `${said.length} said here`}
          </span>
        </Radio>
      </RadioGroup>
      <div className="flex flex-wrap gap-1 pt-1.5 text-xs">
        {isInUse(id) && (
          <button type="button" className={BUTTON} onClick={leaveOut}>
            Leave out here
          </button>
        )}
        <button type="button" className={BUTTON} onClick={takeApart}>
          Take apart
        </button>
        <Menu>
          <MenuButton className={BUTTON} disabled={project.parts.length < 2}>
            Swap
          </MenuButton>
          <MenuItems anchor="bottom start" className={MENU}>
            {project.parts
              .filter((one) => one !== part)
              .map((one) => (
                <MenuItem key={one.id}>
                  <button type="button" className={MENU_ITEM} onClick={() => swapPart(around.id, one.id)}>
                    {one.name}
                  </button>
                </MenuItem>
              ))}
          </MenuItems>
        </Menu>
        <Menu>
          <MenuButton className={BUTTON}>Who uses it</MenuButton>
          <MenuItems anchor="bottom start" className={MENU}>
            {others.map(({ tree, id: use }) => (
              <MenuItem key={use}>
                <button type="button" className={MENU_ITEM} onClick={() => openUse(tree.id, use)}>
                  {tree.elements[use]!.name}
                  <span className="block text-xs text-muted">
                    {project.pages.includes(tree) ? tree.name : `part ${tree.name}`}
                  </span>
                </button>
              </MenuItem>
            ))}
          </MenuItems>
        </Menu>
      </div>
      {said.length > 0 && (
        <details className="pt-1">
          <summary className="cursor-pointer text-muted">What {holder.name} says of its own</summary>
          <ul aria-label="Said here only" className="m-0 list-none p-0">
            {said.map((one) => (
              <li key={one.key} className="flex items-center gap-1 py-px">
                <span className="min-w-0 flex-1 truncate" title={`${one.of}: ${one.what}`}>
                  {one.of}: <span className="text-muted">{one.what}</span>
                  {!one.isShown && <span className="text-amber-ink"> (kept, not shown)</span>}
                </span>
                <button
                  type="button"
                  className={SIGN_BUTTON}
                  aria-label={`As the part has it: ${one.of}, ${one.what}`}
                  title="As the part has it"
                  onClick={() => {
                    const wrong = takeBack(one.back);
                    if (wrong) report(wrong);
                  }}
                >
                  ↺
                </button>
              </li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}
