'use client';

import { specifiedValue } from '@/core/cascade';
import { droppable } from '@/core/plans';
import { steadyPage, steadyProject, useSession } from '../state/store';
import { BUTTON } from '../theme/controls';
import { askDrops, dropsShown, fitAgain, noDrops } from './drops';

/** Of a row: what drops out of it where, or how it comes to that. */
export function DropBox({ id }: { id: string }) {
  const project = useSession(steadyProject);
  const page = useSession(steadyPage);
  const element = page.elements[id];
  if (!element || id === page.root || page.brought) return null;
  const drops = dropsShown(project, page, id);
  if (!drops) {
    const display = specifiedValue(project, page, id, 'display', { width: 1_200, height: 800, pointer: 'mouse' });
    if (element.use || !/flex$/.test(display) || droppable(project, page, id).length < 2) return null;
    return (
      <div className="contents text-xs">
        <button type="button" className={BUTTON} onClick={() => askDrops(id)} title="One after the other, as room runs out">
          Let items drop …
        </button>
      </div>
    );
  }
  return (
    <section aria-label="What drops" className="min-w-0 basis-full rounded-[4px] border border-line-strong px-2.5 py-1.5">
      <p className="m-0 pb-1 text-muted">Drops as room runs out{drops.more ? ', into a menu' : ''}</p>
      <ol className="m-0 list-none p-0">
        {drops.items.map(({ item, at }) => (
          <li key={item} className="flex gap-2 py-px">
            <span className="min-w-0 flex-1 truncate">{page.elements[item]?.name}</span>
            <span className="font-mono text-xs text-muted">
              below {project.breakpoints.find((one) => one.id === at)?.condition.below}
            </span>
          </li>
        ))}
      </ol>
      <div className="flex flex-wrap gap-1 pt-1 text-xs">
        <button type="button" className={BUTTON} onClick={() => void fitAgain(id)}>
          Fit again
        </button>
        <button type="button" className={BUTTON} onClick={() => noDrops(id)}>
          Let all stay …
        </button>
      </div>
    </section>
  );
}
