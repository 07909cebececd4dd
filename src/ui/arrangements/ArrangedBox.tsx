'use client';

import { useKeyHint } from '../input/key-choices';
import { arrangedOn } from '@/core/arrangements';
import { partNamed, topOf } from '@/core/document';
import { inItsTree } from '../arranging/in-part';
import { steadyPage, steadyProject, useSession } from '../state/store';
import { BUTTON } from '../theme/controls';
import { askArrangement, takeBack } from './arrangements';

/** How an element is arranged, and how it can be. */
export function ArrangedBox({ id }: { id: string }) {
  const hint = useKeyHint('arrange');
  const project = useSession(steadyProject);
  const page = useSession(steadyPage);
  const element = page.elements[id];
  if (!element) return null;
  const part = element.use && partNamed(project, element.use.part);
  const top = part && topOf(part);
  const arranged = [...arrangedOn(project, inItsTree(id)), ...(top ? arrangedOn(project, top.id) : [])];
  return (
    <div className="contents text-xs" role="group" aria-label="Arrangements">
      <button type="button" className={BUTTON} onClick={() => askArrangement(id)} title={`Common ways to lay it out${hint}`}>
        Ready arrangements …
      </button>
      {arranged.length > 0 && (
        <ul aria-label="Applied arrangements" className="m-0 basis-full list-none p-0 pt-1">
          {arranged.map((one) => (
            <li key={one.id} className="flex items-center gap-1.5 py-px">
              <span className="min-w-0 flex-1 truncate" title={one.name}>
                {one.name}
              </span>
              <button type="button" className={BUTTON} onClick={() => takeBack(one.id)} aria-label={`Take back ${one.name}`}>
                Take back …
              </button>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
