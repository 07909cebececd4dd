/**
 * For words that change many times while something goes on: screen readers say them once it has come to an end, and not all the numbers on the
 * way (WAI-ARIA 1.2, `aria-live` and `aria-busy`).
 */
export const spokenAtEnd = (running: boolean) =>
  ({ role: 'status', 'aria-live': running ? 'off' : 'polite', 'aria-busy': running }) as const;
