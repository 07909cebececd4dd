'use client';

import { useCallback, useEffect, useMemo, useState } from 'react';
import { fitZoom, packFrames } from '@/core/lineup';
import { loadFrameParts } from '../requests/requests';
import type { FrameParts } from '../requests/requests';
import { report } from '../editing/edits';
import { shownPage, shownProject, useSession, useLineup } from '../state/store';
import { useSize } from '../stage/use-size';
import { useFetched, usePictureSizes } from '../pictures/use-fetched';
import { BUTTON } from '../theme/controls';
import { CAPTION_LEAST } from './DeviceCaption';
import { CAPTION, DeviceFrame, FOOT } from './DeviceFrame';

import { useStands } from './use-stands';

const GAP = 20;
const MARGIN = 16;

/** The frames, packed into the room there is. */
export function DevicesView() {
  const [bed, setBed] = useState<HTMLDivElement | null>(null);
  const [parts, setParts] = useState<FrameParts>();
  const [heights, setHeights] = useState<ReadonlyMap<number, number>>(new Map());
  const project = useSession(shownProject);
  const page = useSession(shownPage);
  const choice = useLineup((lineup) => lineup.zoom);
  const { stands, others } = useStands();
  const size = useSize(bed);
  const fetchedAt = useFetched(usePictureSizes());

  useEffect(() => {
    loadFrameParts().then(setParts, (error: Error) => report(`The previews can't be shown: ${error.message}`));
  }, []);
  const onHeight = useCallback((key: number, height: number) => {
    setHeights((known) => (known.get(key) === height ? known : new Map([...known, [key, height]])));
  }, []);

  const frames = useMemo(
    () => stands.map(({ key, viewport }) => ({ width: viewport.width, height: heights.get(key) ?? viewport.height })),
    [stands, heights],
  );
  const room = { width: Math.max(0, size.width - 2 * MARGIN), height: Math.max(0, size.height - 2 * MARGIN) };
  const around = CAPTION + FOOT;
  const fit = useMemo(
    () => fitZoom(frames, { width: room.width, height: room.height }, GAP, around),
    [frames, room.width, room.height, around],
  );
  const zoom = choice === 'fit' ? fit : choice;
  useEffect(() => useSession.setState({ zoomShown: zoom }), [zoom]);
  const packed = useMemo(
    () =>
      packFrames(
        frames.map(({ width, height }) => ({ width: Math.max(CAPTION_LEAST, width * zoom), height: height * zoom + around })),
        room.width,
        GAP,
      ),
    [frames, zoom, room.width, around],
  );

  return (
    <div
      ref={setBed}
      data-stage
      role="group"
      tabIndex={0}
      aria-label="Devices: comma and full stop go from one to the next, arrows nudge what is selected"
      className="relative isolate min-h-0 flex-1 overflow-auto -outline-offset-2 [contain:strict]"
    >
      {stands.length === 0 && (
        <div className="p-6">
          <p className="m-0 pb-2">No device is in the line-up.</p>
          <button type="button" className={BUTTON} onClick={() => useLineup.setState({ devicesOpen: true })}>
            Choose devices
          </button>
        </div>
      )}
      <div
        className="relative"
        style={{ margin: MARGIN, width: packed.width, height: packed.height, minWidth: packed.width }}
        data-testid="lineup-frames"
      >
        {parts &&
          bed &&
          stands.map((one, i) => (
            <DeviceFrame
              key={one.key}
              stands={one}
              project={project}
              page={page}
              parts={parts}
              zoom={zoom}
              left={packed.places[i]!.left}
              top={packed.places[i]!.top}
              others={others}
              fetchedAt={fetchedAt}
              scroller={bed}
              onHeight={onHeight}
            />
          ))}
      </div>
    </div>
  );
}
