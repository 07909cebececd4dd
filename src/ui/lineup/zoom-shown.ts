import { create } from 'zustand';

/** The zoom that the frames really have, for those that show it. */
export const zoomShown = create<{ readonly zoom: number }>(() => ({ zoom: 1 }));
