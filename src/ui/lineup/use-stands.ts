import { useEffect, useMemo, useState } from 'react';
import type { Viewport } from '@/core/breakpoints';
import { shownProject, useSession, WIDTH_MAX, WIDTH_MIN, useLineup } from '../state/store';
import type { Stands } from '../devices/line-up';
import { standsOf } from '../devices/line-up';

const clamp = (width: number) => Math.min(WIDTH_MAX, Math.max(WIDTH_MIN, width));

const atWidth = (one: Stands, width: number): Stands =>
  one.viewport.width === width ? one : { ...one, viewport: { ...one.viewport, width } };

/**
 * The devices of the line-up. The one in hand follows the cursor while that is moved away from the device's own width;
 * the others too, in the same measure, where that is asked for.
 */
export function useStands(): { readonly stands: readonly Stands[]; readonly others: readonly Viewport[] } {
  const devices = useSession((session) => shownProject(session).devices);
  const places = useLineup((lineup) => lineup.places);
  const reader = useLineup((lineup) => lineup.reader);
  const active = useLineup((lineup) => lineup.active);
  const flow = useLineup((lineup) => lineup.flow);
  const still = useMemo(() => standsOf({ devices }, { places, reader }), [devices, places, reader]);
  const others = useMemo(() => still.map(({ viewport }) => viewport), [still]);
  const inHand = still.find(({ key }) => key === active)?.viewport.width;
  // Only then does the cursor matter: nothing is drawn anew otherwise while it moves.
  const factor = useSession(({ width }) => (inHand === undefined || clamp(inHand) === width ? 1 : width / inHand));
  const wanted = useMemo(
    () =>
      still.map((one) => {
        if (!flow && one.key !== active) return one;
        return atWidth(one, Math.max(1, Math.round(one.viewport.width * factor)));
      }),
    [still, factor, flow, active],
  );
  return { stands: useInTurn(wanted, active), others };
}

const apartFromWidth = ({ viewport }: Stands) => JSON.stringify({ ...viewport, width: 0 });

/**
 * The one in hand at once, one of the others with each picture: the frame that is looked at keeps up with the pointer,
 * however many follow it, and all have arrived a moment after it rests.
 */
function useInTurn(wanted: readonly Stands[], active: number | undefined): readonly Stands[] {
  const [shown, setShown] = useState(wanted);
  const [last, setLast] = useState(0);
  const known = new Map(shown.map((one) => [one.key, one]));
  const now = wanted.map((one) => {
    const was = known.get(one.key);
    if (!was || one.key === active) return one;
    // Only widths lag behind; a device that is turned or another one is shown at once.
    return was.device === one.device && apartFromWidth(was) === apartFromWidth(one) ? was : one;
  });
  const late = now.flatMap((one, i) => (one.viewport.width === wanted[i]!.viewport.width ? [] : [i]));
  const next = late.find((i) => i > last) ?? late[0];
  useEffect(() => {
    if (next === undefined) return undefined;
    const frame = requestAnimationFrame(() => {
      setShown(now.map((one, i) => (i === next ? wanted[i]! : one)));
      setLast(next);
    });
    return () => cancelAnimationFrame(frame);
  });
  return now;
}
