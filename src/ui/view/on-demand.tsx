'use client';

import dynamic from 'next/dynamic';
import type { ComponentType } from 'react';
import { useState } from 'react';
import type { Session } from '../state/store';
import { useSession } from '../state/store';

/*
 * What isn't needed to shape a page comes when it is asked for, so that a project opens sooner; and all of it when the window has been quiet for
 * a while, so that nothing is missing should the server go away.
 */

const loads: (() => Promise<unknown>)[] = [];
/** Quiet for so long, ms, the rest is loaded. */
const QUIET_MS = 8_000;

/** How soon what couldn't be loaded is tried again, ms. */
const AGAIN_MS = 2_000;

/** Until there is a connection it is being opened: what fails would take the whole window with it. */
const patiently =
  <T,>(load: () => Promise<T>): (() => Promise<T>) =>
  () =>
    load().catch(() => new Promise((done) => setTimeout(done, AGAIN_MS)).then(patiently(load)));

/** A view that is loaded when it is first shown. */
export function viewOnDemand<P extends object>(load: () => Promise<ComponentType<P>>): ComponentType<P> {
  loads.push(load);
  return dynamic(patiently(load), {
    ssr: false,
    loading: () => (
      <p role="status" className="m-0 flex-1 p-8 text-muted">
        Opening …
      </p>
    ),
  });
}

/** A dialog that is loaded when the session first asks for it, and stays from then on. */
export function dialogOnDemand(load: () => Promise<ComponentType>, asked: (session: Session) => boolean): ComponentType {
  loads.push(load);
  const Dialog = dynamic(patiently(load), { ssr: false });
  return function OnDemand() {
    const isAsked = useSession(asked);
    const [was, setWas] = useState(isAsked);
    if (isAsked && !was) setWas(true);
    return was ? <Dialog /> : null;
  };
}

/** Loads all that hasn't been asked for yet, one after the other, when there is nothing else to do. @returns stops it */
export function loadTheRest(): () => void {
  let stopped = false;
  const waiting = [...loads];
  const next = () => {
    const load = waiting.shift();
    if (stopped || !load) return;
    // Without a connection it is loaded when it is asked for, or not at all.
    void load()
      .catch(() => undefined)
      .then(() => requestIdleCallback(next));
  };
  const timer = setTimeout(() => requestIdleCallback(next), QUIET_MS);
  return () => {
    stopped = true;
    clearTimeout(timer);
  };
}
