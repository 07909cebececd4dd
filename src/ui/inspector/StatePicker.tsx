'use client';

import type { Viewport } from '@/core/breakpoints';
import { heldIn, lookOf, specifiedValue } from '@/core/cascade';
import type { Box, Page, PageElement, Project, Pseudo, State } from '@/core/document';
import { BOXES, boxWord, canBe, canHave, pseudoOf, readPseudo, STATES, stateWord, styleSetsOf } from '@/core/document';
import { choosePseudo, writeValue } from '../view/actions';
import { shownPseudo, steadyBandStart, steadyPage, steadyProject, useSession, writeTarget } from '../state/store';

const SELECT = 'min-w-0 flex-1 rounded-[3px] border border-line-strong bg-well px-1 py-0.5 text-ink';

/** How many own values there are for states or boxes of which something is true. */
const valuesOf = (elements: readonly PageElement[], wanted: (parts: { state?: State; box?: Box }) => boolean) =>
  elements.reduce(
    (sum, element) =>
      sum +
      styleSetsOf(element)
        .filter(([pseudo]) => wanted(readPseudo(pseudo)))
        .flatMap(([, styles]) => Object.values(styles))
        .reduce((all, declarations) => all + Object.keys(declarations).length, 0),
    0,
  );

const withCount = (word: string, count: number) => (count > 0 ? `${word} (${count})` : word);

/** Which state of what is selected, and which of its boxes, is looked at, held on the page and written to. */
export function StatePicker({ ids }: { ids: readonly string[] }) {
  const project = useSession(steadyProject);
  const page = useSession(steadyPage);
  const width = useSession(steadyBandStart);
  const slice = useSession((session) => session.slice);
  const pseudo = useSession(shownPseudo);
  const { state, box } = readPseudo(pseudo);
  const elements = ids.flatMap((id) => page.elements[id] ?? []);
  const states = STATES.filter((one) => elements.every((element) => canBe(element, one)));
  const boxes = BOXES.filter((one) => elements.every((element) => canHave(element, one)));
  const choose = (next: { state?: State | undefined; box?: Box | undefined }) =>
    choosePseudo(pseudoOf({ ...(next.state && { state: next.state }), ...(next.box && { box: next.box }) }));
  const last = ids[ids.length - 1];
  const missing = last === undefined ? undefined : whyNotThere(project, page, last, pseudo, { ...slice, width });
  return (
    <>
      <div role="group" aria-label="State and box" className="flex items-center gap-1.5 px-3.5 pb-2" data-testid="state-picker">
        <select
          aria-label="State"
          className={`${SELECT} ${state ? 'border-reed font-semibold' : ''}`}
          value={state ?? ''}
          onChange={(event) => choose({ box, state: (event.target.value || undefined) as State | undefined })}
        >
          <option value="">At rest</option>
          {states.map((one) => (
            <option key={one} value={one}>
              {withCount(
                capital(stateWord(one)),
                valuesOf(elements, (parts) => parts.state === one && parts.box === box),
              )}
            </option>
          ))}
        </select>
        {boxes.length > 0 && (
          <select
            aria-label="Box"
            className={`${SELECT} ${box ? 'border-reed font-semibold' : ''}`}
            value={box ?? ''}
            onChange={(event) => choose({ state, box: (event.target.value || undefined) as Box | undefined })}
          >
            <option value="">Its own box</option>
            {boxes.map((one) => (
              <option key={one} value={one}>
                {withCount(
                  capital(boxWord(one)),
                  valuesOf(elements, (parts) => parts.box === one && parts.state === state),
                )}
              </option>
            ))}
          </select>
        )}
      </div>
      {missing && (
        <p className="m-0 px-3.5 pb-2 text-xs text-muted">
          It isn’t there: {missing}.{' '}
          {missing === NO_CONTENT && (
            <button
              type="button"
              className="border-0 bg-transparent p-0 text-reed underline"
              onClick={() => writeValue('content', '""', writeTarget(useSession.getState()))}
            >
              Give it an empty one
            </button>
          )}
        </p>
      )}
    </>
  );
}

const NO_CONTENT = 'it has no content';

/** Why browsers make no such box (CSS Generated Content 3, 2; CSS Lists 3, 3); undefined where they do. */
function whyNotThere(project: Project, page: Page, id: string, pseudo: Pseudo, viewport: Viewport): string | undefined {
  const { box } = readPseudo(pseudo);
  const look = lookOf(project, page, id, pseudo);
  const value = (node: string, property: string) =>
    specifiedValue(look.project, look.page, node, property, heldIn(look, viewport));
  if (box === 'marker') return value(id, 'display') === 'list-item' ? undefined : 'only list items have a marker';
  if (box === 'placeholder') return 'placeholder' in page.elements[id]!.attributes ? undefined : 'the field says no placeholder';
  return box && /^(none|normal)$/.test(value(look.node, 'content')) ? NO_CONTENT : undefined;
}

const capital = (word: string) => word[0]!.toUpperCase() + word.slice(1);
