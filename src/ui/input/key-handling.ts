import { createContext } from 'react';

/** A key as the page in a frame or the workbench itself was given it. */
export interface Key {
  readonly key: string;
  readonly ctrl: boolean;
  readonly shift: boolean;
  readonly alt: boolean;
}

/** What is done with keys that were pressed inside a frame: the same as with those pressed around it. */
export interface KeyHandling {
  readonly run: (key: Key) => boolean;
  readonly release: (key: string) => void;
}

export const KeyHandlingContext = createContext<KeyHandling>({ run: () => false, release: () => undefined });
