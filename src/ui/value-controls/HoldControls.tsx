'use client';

import type { Hold, Pin } from '@/core/styles';
import { HOLD_ACROSS, HOLD_DOWN, holdDeclarations, pinDeclarations, PLACED_BY, readHold, readPin } from '@/core/styles';
import { parentOf } from '@/core/document';
import { specifiedValue } from '@/core/cascade';
import { commitOrReport } from '../editing/edits';
import { shownPage, useSession } from '../state/store';
import { BUTTON } from '../theme/controls';
import { CheckedField } from './CheckedField';
import type { Shaped } from './shape';
import { shape, shapeEdit, valueOf } from './shape';
import { Source } from './Source';

const NAMES = [...PLACED_BY, 'margin-top', 'margin-right', 'margin-bottom', 'margin-left'];

/** Holding an element at one of nine places of its parent, or pinning it to the screen's top or bottom. */
export function HoldControls({ shaped }: { shaped: Shaped }) {
  const values = Object.fromEntries(NAMES.map((name) => [name, valueOf(shaped, name)]));
  const hold = readHold(values);
  const { edge: pinned, over } = readPin(values) ?? { edge: undefined, over: false };

  const holdAt = (next: Hold): string | undefined => {
    const auto = { width: valueOf(shaped, 'width') === 'auto', height: valueOf(shaped, 'height') === 'auto' };
    const declarations = holdDeclarations(next, auto);
    const edit = shapeEdit(shaped, `Hold at the ${next.down} ${next.across}`, declarations);
    if (typeof edit === 'string') return edit;
    // What is held needs something to hold on to: its parent, unless that is positioned already.
    const session = useSession.getState();
    const page = shownPage(session);
    const parents = new Set(shaped.ids.flatMap((id) => parentOf(page, id)?.id ?? []));
    const anchors = [...parents].filter(
      (id) =>
        specifiedValue(session.project, page, id, 'position', { ...session.slice, width: session.width }) === 'static' &&
        id !== page.root,
    );
    const changes = anchors.map((owner) => ({ owner, at: shaped.target, property: 'position', value: 'relative' }));
    commitOrReport(edit.type === 'restyle' ? { ...edit, changes: [...edit.changes, ...changes] } : edit);
    return undefined;
  };
  const pin = (edge: Pin['edge'], over: boolean) =>
    shape(shaped, edge === 'none' ? 'Let go of the screen' : `Pin to the ${edge}`, pinDeclarations(edge, over));

  return (
    <>
      <div role="group" aria-label="Hold at" data-stands-for="inset" className="flex items-start gap-0.5 py-1 pr-1.5 pl-3.5">
        <span className="w-[88px] shrink-0 pt-0.5">Hold at</span>
        <div className="grid grid-cols-3 rounded-[3px] border border-line-strong bg-well">
          {HOLD_DOWN.map((down) =>
            HOLD_ACROSS.map((across) => {
              const here = hold?.across === across && hold.down === down;
              return (
                <button
                  key={`${down} ${across}`}
                  type="button"
                  aria-pressed={here}
                  aria-label={`${down} ${across}`}
                  title={`${down} ${across} of its parent`}
                  className="flex size-[19px] items-center justify-center border-0 bg-transparent hover:bg-paper"
                  onClick={() => holdAt({ x: '0px', y: '0px', ...hold, across, down })}
                >
                  <span className={`block rounded-[1px] ${here ? 'size-2.5 bg-reed' : 'size-1 bg-edge'}`} />
                </button>
              );
            }),
          )}
        </div>
        {hold && (
          <span className="ml-1 flex min-w-0 flex-1 flex-col gap-0.5">
            <CheckedField label="Offset across" value={hold.x} write={(x) => holdAt({ ...hold, x })} />
            <CheckedField label="Offset down" value={hold.y} write={(y) => holdAt({ ...hold, y })} />
            <button type="button" className={BUTTON} onClick={() => pin('none', false)}>
              Let go
            </button>
          </span>
        )}
      </div>
      <div role="group" aria-label="Pin to the screen" data-stands-for="position" className="py-px pr-1.5 pl-3.5">
        <div className="flex items-center gap-1">
          <span className="w-[87px] shrink-0">Pin to screen</span>
          {(['none', 'top', 'bottom'] as const).map((edge) => (
            <button
              key={edge}
              type="button"
              aria-pressed={pinned === edge}
              className={`${BUTTON} !px-1.5 ${pinned === edge ? 'border-reed bg-reed-tint' : ''}`}
              onClick={() => pin(edge, over)}
            >
              {edge}
            </button>
          ))}
          <Source shaped={shaped} label="Place" properties={PLACED_BY} />
        </div>
        {pinned && pinned !== 'none' && (
          <label className="ml-[91px] flex min-h-6 items-center gap-1 text-xs">
            <input
              type="checkbox"
              className="accent-reed"
              checked={over}
              onChange={(event) => pin(pinned, event.target.checked)}
            />
            lies over the page
          </label>
        )}
      </div>
    </>
  );
}
