/** While the frame shows the whole page: the height of the viewport that it stands in for, CSS px. */
let screenful: number | undefined;

export function setWhole(height: number | undefined): void {
  screenful = height;
  holdFixed();
}

/** How high the content is, however high the frame. */
export function naturalHeight(): number {
  const { bottom } = document.body.getBoundingClientRect();
  const margin = parseFloat(getComputedStyle(document.body).marginBottom) || 0;
  return Math.ceil(Math.max(bottom + scrollY + margin, document.body.offsetTop + document.body.scrollHeight));
}

const held = new Set<HTMLElement>();

/**
 * What is pinned to the bottom of the screen stands at the bottom of the first screenful, not of the whole page: a
 * fixed box that holds on to the bottom edge is lifted by what the frame is higher.
 */
export function holdFixed(): void {
  for (const element of held) element.style.removeProperty('bottom');
  held.clear();
  if (screenful === undefined || innerHeight <= screenful) return;
  for (const element of document.querySelectorAll<HTMLElement>('[data-mp-node]')) {
    if (getComputedStyle(element).position !== 'fixed') continue;
    const bottom = String(element.computedStyleMap().get('bottom'));
    if (bottom === 'auto') continue;
    element.style.setProperty('bottom', `calc(${bottom} + ${innerHeight - screenful}px)`, 'important');
    held.add(element);
  }
}
