'use client';

import { useRef } from 'react';
import type { Page, Project } from '@/core/document';
import { useNear } from '../lineup/use-near';
import { PreviewFrame } from '../preview/PreviewFrame';
import type { FrameParts } from '../requests/requests';
import { showPage } from '../view/actions';

/** What a picture shows of its page, CSS px, and how large it is drawn. */
const PICTURE = { width: 1280, height: 800, scale: 0.17 } as const;
const NOTHING: readonly string[] = [];
const unheard = () => undefined;

interface Props {
  readonly project: Project;
  readonly page: Page;
  /** Its file, or who uses it. */
  readonly file: string;
  readonly open: (id: string) => void;
  readonly parts: FrameParts | undefined;
  readonly scroller: HTMLElement | null;
  readonly current: boolean;
  readonly wrong: number;
  readonly keyDown: (event: React.KeyboardEvent) => void;
}

/** One page: what it looks like, its name and file, and what is wrong with it. */
export function PageCard({ project, page, file, open, parts, scroller, current, wrong, keyDown }: Props) {
  const card = useRef<HTMLLIElement>(null);
  const frame = useRef<HTMLIFrameElement>(null);
  const { near, met } = useNear(card, scroller);
  const { width, height, scale } = PICTURE;
  return (
    <li ref={card} className="list-none">
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
      >
        <span
          inert
          className="pointer-events-none relative block overflow-hidden bg-well outline outline-1 outline-line"
          style={{ width: width * scale, height: height * scale }}
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
        <span className="flex items-baseline gap-2 pt-1.5" style={{ width: width * scale }}>
          <span className="truncate font-semibold">{page.name}</span>
          <span className="ml-auto max-w-[55%] shrink-0 truncate font-mono text-[11px] text-muted">{file}</span>
          {wrong > 0 && <span className="shrink-0 font-mono text-[11px] text-rust">{wrong}</span>}
        </span>
      </button>
    </li>
  );
}
