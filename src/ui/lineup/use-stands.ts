import { useMemo } from 'react';
import { shownProject, useSession, WIDTH_MAX, WIDTH_MIN } from '../session/store';
import type { Stands } from './lineup';
import { standsOf, useLineup } from './lineup';

const clamp = (width: number) => Math.min(WIDTH_MAX, Math.max(WIDTH_MIN, width));

/**
 * The devices of the line-up. The one in hand follows the cursor while that is moved away from the device's own width;
 * the others too, in the same measure, where that is asked for.
 */
export function useStands(): readonly Stands[] {
  const devices = useSession((session) => shownProject(session).devices);
  const places = useLineup((lineup) => lineup.places);
  const reader = useLineup((lineup) => lineup.reader);
  const active = useLineup((lineup) => lineup.active);
  const flow = useLineup((lineup) => lineup.flow);
  const still = useMemo(() => standsOf({ devices }, { places, reader }), [devices, places, reader]);
  const inHand = still.find(({ key }) => key === active)?.viewport.width;
  // Only then does the cursor matter: nothing is drawn anew otherwise while it moves.
  const factor = useSession(({ width }) => (inHand === undefined || clamp(inHand) === width ? 1 : width / inHand));
  return useMemo(
    () =>
      factor === 1
        ? still
        : still.map((one) => {
            if (!flow && one.key !== active) return one;
            const width = Math.max(1, Math.round(one.viewport.width * factor));
            return { ...one, viewport: { ...one.viewport, width } };
          }),
    [still, factor, flow, active],
  );
}
