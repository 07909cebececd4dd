'use client';

import type { Page } from '@/core/document';
import type { Crossing, ElementChange } from '@/core/lineup';
import { changeInWords } from '@/core/lineup';
import { select } from '../view/actions';
import { useSession } from '../state/store';

interface Props {
  readonly crossing: Crossing | undefined;
  readonly page: Page;
  readonly widths: readonly [number, number];
}

/** What a crossing changes, element by element: written values first, then what only follows, then what stayed. */
export function CrossingList({ crossing, page, widths }: Props) {
  const name = (id: string) => page.elements[id]?.name ?? 'a removed element';
  if (!crossing)
    return (
      <aside className="w-72 shrink-0 border-l border-line bg-sheet p-3 text-muted" aria-label="What the crossing changes">
        Looking at both …
      </aside>
    );
  const written = crossing.changes.filter(({ values }) => values.length > 0);
  const following = crossing.changes.filter(({ values, id }) => values.length === 0 && !crossing.strayed.includes(id));
  const strayed = crossing.changes.filter(({ id }) => crossing.strayed.includes(id));
  return (
    <aside
      className="w-72 shrink-0 overflow-auto border-l border-line bg-sheet pb-4"
      aria-label="What the crossing changes"
      data-testid="crossing"
    >
      <p className="m-0 border-b border-line px-3 py-2 text-muted" role="status">
        {widths[0]} to {widths[1]}: {written.length} written, {following.length} follow, {crossing.stayed.length} stayed as
        expected{strayed.length > 0 && `, ${strayed.length} did not`}.
      </p>
      <Part title="Values change" changes={written} name={name} />
      <Part title="Expected to stay, but did not" changes={strayed} name={name} warn />
      <Part title="Follow what changes around them" changes={following} name={name} />
      {crossing.stayed.length > 0 && (
        <details className="px-3 pt-2">
          <summary className="cursor-pointer font-semibold text-muted">
            Stayed as expected <span className="font-mono">{crossing.stayed.length}</span>
          </summary>
          <p className="m-0 pt-1">{crossing.stayed.map(name).join(', ')}</p>
        </details>
      )}
      {crossing.changes.length === 0 && <p className="px-3">Nothing differs between these widths.</p>}
    </aside>
  );
}

interface PartProps {
  readonly title: string;
  readonly changes: readonly ElementChange[];
  readonly name: (id: string) => string;
  readonly warn?: boolean;
}

function Part({ title, changes, name, warn = false }: PartProps) {
  const selection = useSession((session) => session.selection);
  if (changes.length === 0) return null;
  return (
    <section aria-label={title}>
      <h3 className={`m-0 flex justify-between px-3 pt-2 pb-1 text-[12px] font-semibold ${warn ? 'text-rust' : 'text-muted'}`}>
        {title} <span className="font-mono">{changes.length}</span>
      </h3>
      <ul className="m-0 list-none p-0">
        {changes.map((change) => {
          const chosen = selection.includes(change.id);
          return (
            <li key={change.id}>
              <button
                type="button"
                aria-pressed={chosen}
                className={`block w-full border-0 border-l-[3px] px-2.5 py-1 text-left -outline-offset-2 ${chosen ? 'border-reed bg-reed-tint' : 'border-transparent bg-transparent hover:bg-paper'}`}
                onClick={() => select([change.id])}
              >
                <b className="font-semibold">{name(change.id)}</b>
                {change.values.map(({ property, before, after }) => (
                  <span key={property} className="block font-mono text-[11px] break-words">
                    <span className="text-muted">{property}</span> {before} → {after}
                  </span>
                ))}
                {changeInWords(change).map((line) => (
                  <span key={line} className="block text-[11.5px] text-muted">
                    {line}
                  </span>
                ))}
              </button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
