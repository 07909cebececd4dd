'use client';

import { useMemo } from 'react';
import { breakpointName, describeCondition } from '@/core/breakpoints';
import type { Project } from '@/core/document';
import type { FoundBreakpoint } from '@/core/cascade';
import { foundBreakpoints, foundContainers, nearMisses } from '@/core/cascade';
import type { Edit } from '@/core/edits';
import { commitOrReport } from '../editing/edits';
import { setWidth, key } from '../view/actions';
import { steadyPage, steadyProject, useSession } from '../state/store';
import { BUTTON } from '../theme/controls';
import { plural } from '@/core/text';

/** Each as a breakpoint, with names of their own. */
function addedAll(project: Project, found: readonly FoundBreakpoint[]): Edit[] {
  const { baseName, breakpoints } = project;
  const all = [...breakpoints];
  return found.map(({ condition }) => {
    const breakpoint = { id: `b${key()}`, name: breakpointName({ baseName, breakpoints: all }, condition), condition };
    all.push(breakpoint);
    return { type: 'addBreakpoint', breakpoint };
  });
}

/** The conditions that a page which was brought in asks of viewports already, each to be made a breakpoint of the project. */
export function FoundList() {
  const page = useSession(steadyPage);
  return page.brought ? <Found /> : null;
}

function Found() {
  const project = useSession(steadyProject);
  const page = useSession(steadyPage);
  const found = useMemo(() => foundBreakpoints(project, page), [project, page]);
  const containers = useMemo(() => foundContainers(project, page), [project, page]);
  const unused = found.filter(({ elements }) => elements === 0);
  const near = nearMisses(found);
  const missing = found.filter(({ id, elements }) => id === undefined && elements > 0);
  const takeAll = () =>
    commitOrReport({
      type: 'group',
      label: `Take over ${plural(missing.length, 'breakpoint')} of ${page.name}`,
      edits: addedAll(project, missing),
    });
  return (
    <section aria-label="In the page’s own sheets" className="mt-2 border-t border-line">
      <div className="flex items-center justify-between px-3.5 pt-2 pb-1 text-muted">
        <span>In the page’s own sheets</span>
        {missing.length > 1 && (
          <button type="button" className={`${BUTTON} text-xs`} onClick={takeAll}>
            Take all {missing.length}
          </button>
        )}
      </div>
      {found.length === 0 && <p className="m-0 px-3.5 py-1 text-muted">They ask nothing of viewports that is known here.</p>}
      {near.map(({ a, b }) => (
        <p key={a} className="m-0 border-y border-line bg-amber-tint px-3.5 py-1.5" data-testid="near-miss">
          Edges at {a} and at {b} px: one of them was probably meant for the other.
        </p>
      ))}
      <Conditions found={found.filter(({ elements }) => elements > 0)} />
      {unused.length > 0 && (
        <>
          <h4 className="m-0 px-3.5 pt-2 pb-1 font-normal text-muted">Unused: of no element of this page</h4>
          <Conditions found={unused} />
        </>
      )}
      {containers.length > 0 && (
        <>
          <h4 className="m-0 px-3.5 pt-2 pb-1 font-normal text-muted">
            Asked of a box around, whatever the viewport: these hold as they are
          </h4>
          <ul className="m-0 list-none p-0" data-testid="found-containers">
            {containers.map(({ query, rules, elements }) => (
              <li key={query} className="border-b border-line px-3.5 py-1">
                <code className="font-mono text-[12px] break-words">{query}</code>
                <span className="block text-xs text-muted">{carriedBy(rules, 0, elements)}</span>
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}

/** "3 rules and 1 picture, 5 elements". */
function carriedBy(rules: number, pictures: number, elements: number): string {
  const what = [
    rules > 0 && plural(rules, 'rule'),
    pictures > 0 && (pictures === 1 ? '1 source of a picture' : `${pictures} sources of pictures`),
  ].filter(Boolean);
  return `${what.join(' and ')}, ${elements === 0 ? 'of no element here' : plural(elements, 'element')}`;
}

function Conditions({ found }: { found: readonly FoundBreakpoint[] }) {
  return (
    <ul className="m-0 list-none p-0">
      {found.map((one) => (
        <li key={describeCondition(one.condition)} className="flex items-center gap-2 border-b border-line px-3.5 py-1">
          <button
            type="button"
            className="min-w-0 flex-1 truncate rounded-[3px] border-0 bg-transparent p-0 text-left hover:underline"
            onClick={() => setWidth((one.condition.below ?? 0) > 0 ? one.condition.below! - 1 : (one.condition.from ?? 0))}
          >
            {describeCondition(one.condition)}
            <span className="block text-xs text-muted">{carriedBy(one.rules, one.pictures, one.elements)}</span>
          </button>
          {one.id !== undefined ? (
            <span className="text-xs text-muted">in the set</span>
          ) : (
            <button
              type="button"
              className={`${BUTTON} text-xs`}
              onClick={() => commitOrReport(addedAll(steadyProject(useSession.getState()), [one])[0]!)}
            >
              Make it one
            </button>
          )}
        </li>
      ))}
    </ul>
  );
}
