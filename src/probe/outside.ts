import { idOf, send } from './nodes';

/** How long things are to have been at rest, ms. */
const REST = 160;
/** How long the frame looks at a stretch, ms, before it does what else has come up. */
const STRETCH = 6;

let resting = 0;
let last = '';

/** Everything that was told is to be told again: others may listen from now on. */
export function forgetOutside(): void {
  last = '';
}

/** Elements that stand partly or wholly past the sides of the window are told when things have come to rest. */
export function lookOutside(): void {
  stopLooking();
  resting = window.setTimeout(() => {
    const partly: string[] = [];
    const wholly: string[] = [];
    const elements = document.body.querySelectorAll<HTMLElement>('[data-mp-node]');
    let at = 0;
    const look = () => {
      const until = performance.now() + STRETCH;
      for (; at < elements.length; at++) {
        if (at % 32 === 0 && performance.now() > until) return void (resting = window.setTimeout(look));
        const { left, right, width } = elements[at]!.getBoundingClientRect();
        if (width === 0) continue;
        if (right <= 0 || left >= innerWidth) wholly.push(idOf(elements[at])!);
        else if (left < -0.5 || right > innerWidth + 0.5) partly.push(idOf(elements[at])!);
      }
      const text = JSON.stringify({ partly, wholly });
      if (text !== last) send({ type: 'outside', partly, wholly });
      last = text;
    };
    look();
  }, REST);
}

export function stopLooking(): void {
  clearTimeout(resting);
}
