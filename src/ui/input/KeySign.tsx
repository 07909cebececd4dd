'use client';

import { useKeySign } from './key-choices';

/** The key that runs a command now, at the end of its line in a menu; nothing where there is none. */
export function KeySign({ command }: { command: string }) {
  const sign = useKeySign(command);
  return sign ? <span className="ml-auto shrink-0 font-mono text-muted">{sign}</span> : null;
}
