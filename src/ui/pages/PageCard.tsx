'use client';

import type { CSSProperties } from 'react';
import { useRef } from 'react';
import type { Page, Project } from '@/core/document';
import { useNear } from '../lineup/use-near';
import { PreviewFrame } from '../preview/PreviewFrame';
import type { FrameParts } from '../requests/requests';
import type { SweepState } from '../state/store';
import { showPage } from '../view/actions';

/** How large a picture is drawn, CSS px; it is as wide as a page is shown in it. */
const DRAWN = { width: 217.6, height: 136 } as const;
const NOTHING: readonly string[] = [];
const unheard = () => undefined;

/** "3", "5, was 3", "62%": what was found, and what the last edit that reached the page did to it. */
function countWords(sweep: SweepState | undefined, wrong: number): string {
  if (sweep?.reached && sweep.decided < sweep.total) return `${Math.floor((sweep.decided / sweep.total) * 100)}%`;
  if (sweep?.before !== undefined && sweep.before !== wrong) return `${wrong}, was ${sweep.before}`;
  return wrong > 0 ? String(wrong) : '';
}

export interface CardProps {
  readonly project: Project;
  readonly page: Page;
  /** Its file, or who uses it. */
  readonly file: string;
  readonly open: (id: string) => void;
  /** The viewport that is drawn, px. */
  readonly width: number;
  readonly parts: FrameParts | undefined;
  readonly scroller: HTMLElement | null;
  readonly current: boolean;
  readonly wrong: number;
  /** What is known of its measuring; undefined where it was never measured. */
  readonly sweep: SweepState | undefined;
  readonly keyDown: (event: React.KeyboardEvent) => void;
  /** Begins to drag the card; undefined where it has no place of its own. */
  readonly press?: ((event: React.PointerEvent<HTMLElement>) => void) | undefined;
  readonly dragged?: boolean | undefined;
  /** Where what is dragged would come to stand beside it. */
  readonly drop?: 'before' | 'behind' | undefined;
  /** Where it stands among many; undefined where it stands by itself. */
  readonly place: CSSProperties | undefined;
}

/** One page: what it looks like, its name and file, and what is wrong with it. */
export function PageCard(props: CardProps) {
  const { project, page, file, open, width, parts, scroller, current, wrong, sweep, keyDown, press, dragged, drop, place } =
    props;
  const card = useRef<HTMLLIElement>(null);
  const frame = useRef<HTMLIFrameElement>(null);
  const { near, met } = useNear(card, scroller);
  const scale = DRAWN.width / width;
  const height = Math.round(DRAWN.height / scale);
  return (
    <li ref={card} className={`relative list-none ${dragged ? 'opacity-60' : ''}`} style={place}>
      {drop && (
        <span
          aria-hidden
          className={`absolute inset-y-0 w-[3px] rounded bg-reed ${drop === 'before' ? '-left-[9.5px]' : '-right-[9.5px]'}`}
        />
      )}
      <button
        type="button"
        data-page={page.id}
        aria-current={current ? 'page' : undefined}
        aria-label={`${page.name}, ${file}${wrong > 0 ? `, ${wrong} ${wrong === 1 ? 'finding' : 'findings'}` : ''}`}
        tabIndex={current ? 0 : -1}
        className={`block rounded-[4px] border bg-sheet p-1.5 text-left ${current ? 'border-reed shadow-[inset_0_0_0_1px_var(--reed)]' : 'border-line-strong hover:border-reed'}`}
        onClick={() => showPage(page.id)}
        onDoubleClick={() => open(page.id)}
        onKeyDown={keyDown}
        onPointerDown={press}
      >
        <span
          inert
          className="pointer-events-none relative block overflow-hidden bg-well outline outline-1 outline-line"
          style={DRAWN}
        >
          {met && parts && (
            <PreviewFrame
              project={project}
              page={page}
              parts={parts}
              standIn={{ pointer: 'mouse' }}
              suspended={!near}
              selection={NOTHING}
              leads={false}
              label={`Picture of ${page.name}`}
              style={{ width, height, transform: `scale(${scale})` }}
              frame={frame}
              onMessage={unheard}
            />
          )}
        </span>
        <span className="flex items-baseline gap-2 pt-1.5" style={{ width: DRAWN.width }}>
          <span className="truncate font-semibold">{page.name}</span>
          <span className="ml-auto max-w-[55%] shrink-0 truncate font-mono text-[11px] text-muted">{file}</span>
          <span className={`shrink-0 font-mono text-[11px] ${wrong > 0 ? 'text-rust' : 'text-muted'}`}>
            {countWords(sweep, wrong)}
          </span>
        </span>
      </button>
    </li>
  );
}
