'use client';

import { useMemo } from 'react';
import { describeInterval } from '@/core/breakpoints';
import type { MatrixCell, MatrixRow, Orientation } from '@/core/plans';
import { beneathCell, matrixOf } from '@/core/plans';
import { commitOrReport } from '../editing/edits';
import { steadyProject, useSession, writeTarget } from '../state/store';
import { SIGN_BUTTON } from '../theme/controls';
import { chooseTarget, key, setSlice, setWidth } from '../view/actions';

const WORDS: Readonly<Record<Orientation, string>> = { portrait: 'upright', landscape: 'turned' };

/** Goes to a size as it is held; edits go to its own arrangement, where it has one. */
function goTo({ viewport, breakpoint }: MatrixCell): void {
  if (!viewport) return;
  setWidth(viewport.width);
  setSlice({ height: viewport.height });
  if (breakpoint) chooseTarget(breakpoint.id);
}

/** Gives a size as it is held an arrangement of its own: nothing looks otherwise until something is said there. */
function addTo(row: MatrixRow, cell: MatrixCell): void {
  const id = `b${key()}`;
  const name = `${row.name}, ${WORDS[cell.orientation]}`.slice(0, 40);
  if (!commitOrReport({ type: 'addBreakpoint', breakpoint: { id, name, condition: cell.condition } })) return;
  goTo(cell);
  chooseTarget(id);
}

/** An arrangement for each size, upright and turned: what is said where, and where it is as beneath. */
export function Matrix() {
  const project = useSession(steadyProject);
  const target = useSession((session) => writeTarget(session));
  const rows = useMemo(() => matrixOf(project), [project]);
  return (
    <section aria-label="Sizes, upright and turned" className="px-3.5 pb-3">
      <h3 className="m-0 pb-1 font-normal text-muted">Sizes, upright and turned</h3>
      <table className="w-full border-collapse text-left" data-testid="matrix">
        <thead>
          <tr className="border-b border-line-strong">
            <th className="py-0.5 font-semibold">Size</th>
            <th className="py-0.5 font-semibold">Upright</th>
            <th className="py-0.5 font-semibold">Turned</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.from} className="border-b border-line">
              <th className="max-w-20 truncate py-0.5 pr-1 font-normal" title={describeInterval(row)}>
                {row.name}
                <span className="block font-mono text-[11px] text-muted">{valuesInWords(row.values)}</span>
              </th>
              {row.cells.map((cell) => {
                const what = `${row.name}, ${WORDS[cell.orientation]}`;
                const isTarget = cell.breakpoint !== undefined && cell.breakpoint.id === target;
                return (
                  <td key={cell.orientation} className="py-0.5 pr-1 align-top">
                    <span className="flex items-start gap-0.5">
                      <button
                        type="button"
                        disabled={!cell.viewport}
                        aria-pressed={isTarget}
                        aria-label={`${what}: ${cell.breakpoint ? valuesInWords(cell.values) : `as ${beneathCell(project, row)}`}`}
                        title={
                          cell.viewport
                            ? `Look at ${what}, ${cell.viewport.width} by ${cell.viewport.height}`
                            : 'No viewport that can be looked at'
                        }
                        className={`min-w-0 flex-1 truncate rounded-[3px] border px-1 py-0.5 text-left text-xs disabled:opacity-40 ${isTarget ? 'border-reed bg-reed-tint' : cell.breakpoint ? 'border-ink bg-sheet' : 'border-line bg-well text-muted'}`}
                        onClick={() => goTo(cell)}
                      >
                        {cell.breakpoint ? valuesInWords(cell.values) : 'as beneath'}
                      </button>
                      {!cell.breakpoint && cell.viewport && (
                        <button
                          type="button"
                          className={SIGN_BUTTON}
                          aria-label={`An arrangement of its own for ${what}`}
                          onClick={() => addTo(row, cell)}
                        >
                          +
                        </button>
                      )}
                    </span>
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

const valuesInWords = (count: number) => (count === 0 ? 'nothing yet' : count === 1 ? '1 value' : `${count} values`);
