'use client';

import { whyNotLike } from '@/core/arrangements';
import { commitOrReport } from '../editing/edits';
import { keptIn } from '../arranging/tree';
import { steadyProject, useSession } from '../state/store';
import { BUTTON, SIGN_BUTTON } from '../theme/controls';
import { startRecording } from './recording';

interface Props {
  readonly id: string;
  readonly chosen: string | undefined;
  readonly onChoose: (id: string) => void;
}

/** One's own arrangements, and the way to another. */
export function OwnRecipes({ id, chosen, onChoose }: Props) {
  const project = useSession(steadyProject);
  const { tree, ids } = keptIn([id]);
  return (
    <fieldset className="m-0 border-0 p-0 pb-2">
      <legend className="p-0 text-xs font-semibold text-muted">Your own</legend>
      {project.recipes.map((recipe) => {
        const why = whyNotLike(tree, ids[0]!, recipe);
        return (
          <div key={recipe.id} className={`flex items-baseline rounded-[3px] px-1 ${chosen === recipe.id ? 'bg-reed-tint' : ''}`}>
            <label className={`flex min-w-0 flex-1 items-baseline gap-1.5 ${why ? 'text-muted' : ''}`} title={why}>
              <input
                type="radio"
                name="arrangement"
                className="accent-reed"
                checked={chosen === recipe.id}
                onChange={() => onChoose(recipe.id)}
              />
              <span className="truncate">{recipe.name}</span>
            </label>
            <button
              type="button"
              className={SIGN_BUTTON}
              aria-label={`Forget ${recipe.name}`}
              title="Forget it; what was arranged by it stays"
              onClick={() => commitOrReport({ type: 'removeRecipe', id: recipe.id })}
            >
              ×
            </button>
          </div>
        );
      })}
      <button
        type="button"
        className={`${BUTTON} mt-1 text-xs`}
        onClick={() => startRecording(id)}
        title="What you do to it from now on becomes an arrangement for others like it"
      >
        Record what I do to it …
      </button>
    </fieldset>
  );
}
