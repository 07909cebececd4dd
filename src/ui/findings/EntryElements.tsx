import { useState } from 'react';
import type { Finding } from '@/core/audit';
import type { Entry } from '@/core/remedy';
import { describeInterval } from '@/core/breakpoints';
import { DrawnList } from '../drawn/DrawnList';
import { shownPage, useSession } from '../state/store';

/** More than so many are scrolled. */
const IN_SIGHT = 'max-h-36';
/** A row's height, px. */
const ROW = 22;

/** "320 to 496, 600 to 719 …" */
const inShort = ({ widths }: Finding) => `${widths.slice(0, 2).map(describeInterval).join(', ')}${widths.length > 2 ? ' …' : ''}`;

interface Props {
  readonly entry: Entry;
  readonly chosen: string | undefined;
  readonly onChoose: (finding: Finding) => void;
}

/** The elements that an entry is about, each with its own widths, to go from one to the next. */
export function EntryElements({ entry, chosen, onChoose }: Props) {
  const page = useSession(shownPage);
  const [scroller, setScroller] = useState<HTMLElement | null>(null);
  if (entry.findings.length < 2) return null;
  return (
    <div ref={setScroller} className={`overflow-auto py-1 pr-3 pl-8 ${IN_SIGHT}`}>
      <DrawnList
        label="Elements with this finding"
        items={entry.findings}
        keyOf={({ key }) => key}
        size={ROW}
        scroller={scroller}
        shown={chosen}
      >
        {(finding) => (
          <button
            type="button"
            aria-pressed={finding.key === chosen}
            className={`flex w-full items-baseline justify-between gap-2 border-0 px-1.5 py-0.5 text-left -outline-offset-2 ${finding.key === chosen ? 'bg-reed-tint font-semibold' : 'bg-transparent hover:bg-paper'}`}
            onClick={() => onChoose(finding)}
          >
            <span className="truncate">{page.elements[finding.element]?.name ?? 'a removed element'}</span>
            <span className="shrink-0 font-mono text-xs text-muted">{inShort(finding)}</span>
          </button>
        )}
      </DrawnList>
    </div>
  );
}
