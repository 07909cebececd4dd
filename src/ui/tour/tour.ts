import { create } from 'zustand';
import { useSession } from '../state/store';
import { showOnGauge } from '../view/gauge-view';

/** Where it is kept in this browser that the tour was seen, or wasn't wanted. */
const STORED = 'mill-pond-tour';
const SEEN = 'seen';

interface Stop {
  readonly title: string;
  readonly text: string;
  /** What it is about, the first that is there. */
  readonly about: readonly string[];
}

export const STOPS: readonly Stop[] = [
  {
    title: 'The scale is all widths',
    text: 'It goes from narrow to wide, in px. Drag along it, or press Alt and an arrow: the page follows, and the green number is the width that you look at.',
    about: ['[data-testid=axis]'],
  },
  {
    title: 'Bands lie between breakpoints',
    text: 'A post stands where a breakpoint begins or ends; drag it, or press it twice for its name and its number. “+ breakpoint” puts one at the width that you look at.',
    about: ['[data-tour=bands]'],
  },
  {
    title: 'Edits go where this says',
    text: 'What you change holds in the band that you look at. Press here for another breakpoint, for the base, or to keep one while you move along the scale.',
    about: ['[data-tour=target]', '[data-testid=axis]'],
  },
  {
    title: 'Bars are faults, as wide as they occur',
    text: 'Every whole width is measured while you work. Press a bar to see its fault where it is worst; N and M go from one end of a fault to the next.',
    about: ['[data-testid=findings-track]'],
  },
  {
    title: 'Lanes say which value holds where',
    text: 'Unfold them for what is selected: one lane a property, one square a value, as wide as it holds. Drag its end to another post.',
    about: ['[data-tour=below]'],
  },
];

interface Tour {
  /** The stop that is shown; undefined while nobody is on the tour. */
  readonly at: number | undefined;
  /** Whether it was seen, or wasn't wanted. */
  readonly seen: boolean;
}

export const useTour = create<Tour>(() => ({ at: undefined, seen: true }));

/** Whether the first project of this browser has just been made: the tour begins there by itself. */
let isWanted = false;

/** To be called where somebody makes a project by hand. */
export function wantTour(): void {
  isWanted = localStorage.getItem(STORED) !== SEEN;
}

/** To be called once a project is open. */
export function recallTour(): void {
  useTour.setState({ seen: localStorage.getItem(STORED) === SEEN });
  if (isWanted) beginTour();
}

export function beginTour(): void {
  isWanted = false;
  useSession.setState({ mode: 'shape' });
  showOnGauge('low');
  useTour.setState({ at: 0 });
}

/** Goes to a stop; behind the last one the tour ends. */
export function goTo(at: number): void {
  if (at >= STOPS.length) leaveTour();
  else useTour.setState({ at: Math.max(0, at) });
}

export function leaveTour(): void {
  localStorage.setItem(STORED, SEEN);
  useTour.setState({ at: undefined, seen: true });
}
