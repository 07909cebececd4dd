import type { DragEvent } from 'react';
import { useState } from 'react';

/** A place on which files are dropped: whether some are over it, and what it listens to. */
export function useFileDrop(take: (transfer: DataTransfer) => void) {
  const [over, setOver] = useState(false);
  return {
    over,
    handlers: {
      onDragOver: (event: DragEvent) => {
        event.preventDefault();
        setOver(true);
      },
      onDragLeave: (event: DragEvent) => {
        if (event.currentTarget === event.target) setOver(false);
      },
      onDrop: (event: DragEvent) => {
        event.preventDefault();
        setOver(false);
        take(event.dataTransfer);
      },
    },
  };
}
