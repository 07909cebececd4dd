'use client';

import { useEffect, useRef, useState } from 'react';
import type { Page, Project } from '@/core/document';
import type { FrameParts } from '../requests/requests';
import { loadFrameParts } from '../requests/requests';
import { report } from '../editing/edits';
import { tellFrame } from '../preview/frame-port';
import { PreviewFrame } from '../preview/PreviewFrame';

const GAP = 12;
/** Px of a viewport that show: what is arranged is brought into sight. */
const HEIGHT = 580;
const NONE: readonly string[] = [];

interface Side {
  readonly project: Project;
  readonly page: Page;
}

interface Props {
  readonly before: Side;
  /** Undefined while there is nothing to show. */
  readonly after: Side | undefined;
  readonly widths: readonly number[];
  /** What is brought into sight. */
  readonly id: string;
  /** The room there is, px. */
  readonly room: number;
}

/** A page at three widths, as it is and as it would be. */
export function BeforeAfter({ before, after, widths, id, room }: Props) {
  const [parts, setParts] = useState<FrameParts>();
  useEffect(() => {
    loadFrameParts().then(setParts, (error: Error) => report(`The previews can't be shown: ${error.message}`));
  }, []);
  const zoom = (room - GAP * (widths.length - 1)) / widths.reduce((sum, width) => sum + width, 0);
  const rows: readonly (readonly [string, Side | undefined])[] = [
    ['As it is', before],
    ['As it would be', after],
  ];
  return (
    <div>
      {rows.map(([label, side]) => (
        <section key={label} aria-label={label} className="pb-1.5">
          <h3 className="m-0 pb-0.5 text-xs font-semibold text-muted">{label}</h3>
          <div className="flex" style={{ gap: GAP }}>
            {widths.map((width) => (
              <div key={width} style={{ width: width * zoom }}>
                <div
                  className={`relative overflow-clip outline outline-1 outline-line-strong ${side ? 'bg-white' : 'bg-paper'}`}
                  style={{ height: HEIGHT * zoom }}
                >
                  {parts && side && <OneFrame side={side} parts={parts} width={width} zoom={zoom} id={id} label={label} />}
                </div>
                <p className="m-0 font-mono text-[11px] text-muted">{width} px</p>
              </div>
            ))}
          </div>
        </section>
      ))}
    </div>
  );
}

interface FrameProps {
  readonly side: Side;
  readonly parts: FrameParts;
  readonly width: number;
  readonly zoom: number;
  readonly id: string;
  readonly label: string;
}

function OneFrame({ side, parts, width, zoom, id, label }: FrameProps) {
  const frame = useRef<HTMLIFrameElement | null>(null);
  const [ready, setReady] = useState(0);
  useEffect(() => {
    if (ready > 0) tellFrame(frame.current, { type: 'reveal', id });
  }, [ready, id, side]);
  return (
    <PreviewFrame
      project={side.project}
      page={side.page}
      parts={parts}
      standIn={{ pointer: width < 1000 ? 'finger' : 'mouse' }}
      selection={NONE}
      leads={false}
      label={`${side.page.name}, ${width} px wide, ${label.toLowerCase()}`}
      style={{ width, height: HEIGHT, transform: `scale(${zoom})` }}
      frame={frame}
      onMessage={(message) => {
        if (message.type === 'ready') setReady((count) => count + 1);
      }}
    />
  );
}
