'use client';

import { useEffect, useRef } from 'react';
import { createPortal } from 'react-dom';
import type { At } from '@/core/breakpoints';
import { BASE, bandsOf } from '@/core/breakpoints';
import type { Candidate } from '@/core/cascade';
import { heldWidths, isWrittenHere } from '@/core/cascade';
import { pageOf, splitPseudo } from '@/core/document';
import { describeTarget } from '@/core/edits';
import { planClearStronger, planStop } from '@/core/plans';
import { choosePseudo, chooseTarget, clearValues, select, setWidth } from '../view/actions';
import { propose } from '../editing/proposal';
import { takeInline, takeOver } from '../view/take-over';
import { ownerNow, shownPage, shownProject, shownPseudo, useSession, writtenOn } from '../state/store';
import { describeCandidate, describeOrigin } from './field-value';
import type { FieldValue } from './field-value';

const WIDTH = 320;
const ROOM = 260;

interface Props {
  readonly label: string;
  readonly properties: readonly string[];
  readonly field: FieldValue;
  readonly target: At;
  readonly anchor: HTMLElement;
  readonly close: () => void;
}

/** Goes to where a declaration is written: the element, a width at which it holds, the list of styles. */
function goTo(candidate: Candidate, element: string | undefined): void {
  const { project, slice, width, pageId } = useSession.getState();
  if (candidate.layer === 'shared' || candidate.layer === 'kind' || candidate.layer === 'imported')
    return useSession.setState({ panel: 'styles' });
  choosePseudo(candidate.pseudo ?? '');
  if (element && element in (pageOf(project, pageId)?.elements ?? {})) select([element]);
  useSession.setState({ chosenWritten: candidate.layer === 'part' ? 'part' : 'here' });
  if (candidate.at === BASE) return chooseTarget(BASE);
  const held = heldWidths(candidate, slice);
  if (!held.some(({ from, below }) => from <= width && width < below)) {
    const band = bandsOf(project, slice).find(({ home }) => home === candidate.at) ?? held[0];
    if (band) setWidth(band.below === Infinity ? Math.ceil(band.from) : Math.ceil(band.below) - 1);
  }
  chooseTarget(candidate.at);
}

/** The whole story of one value: what holds, who set it, who was beaten, in order; each a way there. */
export function StoryPanel({ label, properties, field, target, anchor, close }: Props) {
  const project = useSession(shownProject);
  const page = useSession(shownPage);
  const selection = useSession((session) => session.selection);
  const panel = useRef<HTMLDivElement>(null);
  const { resolution, carriage } = field;
  const at = anchor.getBoundingClientRect();

  useEffect(() => {
    panel.current?.focus();
    const outside = (event: Event) => {
      const target = event.target as Node;
      if (!panel.current?.contains(target) && !anchor.contains(target)) close();
    };
    document.addEventListener('pointerdown', outside);
    // The panel stands still while what it belongs to would scroll away.
    document.addEventListener('wheel', outside, { passive: true });
    return () => {
      document.removeEventListener('pointerdown', outside);
      document.removeEventListener('wheel', outside);
    };
  }, [anchor, close]);

  const leave = () => {
    close();
    anchor.focus();
  };
  const { origin } = resolution;
  const ancestor = origin.kind === 'inherited' ? page.elements[splitPseudo(origin.element).id] : undefined;
  const winner = origin.kind === 'initial' ? undefined : origin.candidate;
  const pseudo = useSession(shownPseudo);
  const owner = useSession((session) => session.selection[0] && ownerNow(session, session.selection[0]));
  const inPart = owner === selection[0] ? undefined : owner;
  const isOwn = origin.kind === 'declared' && winner && isWrittenHere(winner, inPart) && (winner.pseudo ?? '') === pseudo;
  const stop = (direction: 'narrower' | 'wider') => {
    close();
    propose((now, slice) =>
      planStop(now, slice, writtenOn(useSession.getState())[0]!, properties[0]!, useSession.getState().width, direction),
    );
  };
  const link = 'border-0 bg-transparent p-0 text-left text-reed underline';
  const button = 'rounded-[4px] border border-line-strong px-2 py-0.5 hover:bg-paper';
  return createPortal(
    <div
      ref={panel}
      role="dialog"
      aria-label={`${label}: the whole story`}
      tabIndex={-1}
      className="fixed z-40 max-h-[70vh] overflow-auto rounded-[4px] border border-line-strong bg-sheet p-3 text-sm outline-none"
      style={{
        width: WIDTH,
        left: Math.max(8, at.right - WIDTH),
        ...(at.bottom + ROOM < innerHeight ? { top: at.bottom + 2 } : { bottom: innerHeight - at.top + 2 }),
      }}
      onKeyDown={(event) => {
        if (event.key !== 'Escape') return;
        event.stopPropagation();
        leave();
      }}
      onBlur={(event) => {
        if (event.relatedTarget && !event.currentTarget.contains(event.relatedTarget)) close();
      }}
    >
      <h3 className="m-0 pb-1 font-semibold text-muted">{label}: the whole story</h3>
      {properties.length > 1 && (
        <p className="m-0 pb-1 text-xs text-muted">
          Of <code className="font-mono">{field.property}</code>. Each of its parts has a story of its own beneath the triangle.
        </p>
      )}
      <ol className="m-0 list-none p-0">
        <li className="flex gap-2 py-0.5">
          <span className={`mt-0.5 block size-3 shrink-0 border pattern-${carriage}`} />
          <span>
            <b className="font-mono break-all">{resolution.value}</b>{' '}
            {ancestor ? (
              <>
                inherited from{' '}
                <button
                  type="button"
                  className={link}
                  onClick={() => {
                    select([ancestor.id]);
                    close();
                  }}
                >
                  {ancestor.name}
                </button>
                {winner && ': '}
              </>
            ) : null}
            {winner && winner.layer !== 'browser' && winner.layer !== 'foundation' ? (
              <button
                type="button"
                className={link}
                onClick={() => {
                  goTo(winner, ancestor?.id);
                  close();
                }}
              >
                {describeCandidate(project, winner)}
              </button>
            ) : (
              !ancestor && describeOrigin(project, page, resolution)
            )}
          </span>
        </li>
        {resolution.beaten.map((candidate, i) => (
          <li key={i} className="flex gap-2 py-0.5">
            <span className="mt-0.5 block size-3 shrink-0 bg-line-strong" />
            <span>
              <s className="font-mono break-all">{candidate.value}</s>{' '}
              {candidate.layer === 'browser' || candidate.layer === 'foundation' ? (
                describeCandidate(project, candidate)
              ) : (
                <button
                  type="button"
                  className={link}
                  onClick={() => {
                    goTo(candidate, undefined);
                    close();
                  }}
                >
                  {describeCandidate(project, candidate)}
                </button>
              )}
            </span>
          </li>
        ))}
      </ol>
      {resolution.doubts.length > 0 && (
        <div className="pt-1" data-testid="doubts">
          <p className="m-0 text-amber-ink">May hold instead; only the browser can tell:</p>
          <ul className="m-0 list-none p-0">
            {resolution.doubts.map((candidate, i) => (
              <li key={i} className="text-muted">
                {candidate.value && <span className="font-mono break-all">{candidate.value} </span>}
                {describeCandidate(project, candidate)}
              </li>
            ))}
          </ul>
        </div>
      )}
      <div className="flex flex-wrap gap-1.5 pt-2 empty:hidden">
        {field.ownHere && (
          <button
            type="button"
            className={button}
            onClick={() => {
              clearValues(properties, target);
              leave();
            }}
          >
            Clear at {describeTarget(project, target)}
          </button>
        )}
        {page.brought && winner && !winner.important && (winner.rule ?? winner.layer === 'inline') && (
          <button
            type="button"
            className={button}
            onClick={() => {
              close();
              if (winner.rule) takeOver({ sheet: winner.owner!, rule: winner.rule });
              else takeInline([origin.kind === 'initial' ? selection[0]! : splitPseudo(origin.element).id]);
            }}
          >
            {winner.rule ? 'Take over this rule' : 'Make its style attribute own values'}
          </button>
        )}
        {isOwn && selection.length === 1 && properties.length === 1 && (
          <>
            <button type="button" className={button} onClick={() => stop('narrower')}>
              Stop for narrower
            </button>
            <button type="button" className={button} onClick={() => stop('wider')}>
              Stop for wider
            </button>
          </>
        )}
        {field.ownHere && (
          <button
            type="button"
            className={button}
            onClick={() => {
              close();
              propose((now, slice) => planClearStronger(now, slice, writtenOn(useSession.getState()), target, properties));
            }}
          >
            Clear what is stronger
          </button>
        )}
      </div>
    </div>,
    document.body,
  );
}
