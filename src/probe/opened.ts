import { find } from './nodes';

/** The panels that the editor wants to see open. */
let wanted: readonly string[] = [];

const isPanelHere = (panel: HTMLElement) => getComputedStyle(panel).getPropertyValue('--panel').trim() === '1';

function show(panel: HTMLElement | null, open: boolean): void {
  if (panel?.localName === 'details') panel.toggleAttribute('open', open);
  else if (panel && panel.popover !== null && open !== panel.matches(':popover-open')) {
    if (open) panel.showPopover();
    else panel.hidePopover();
  }
}

/** Shows panels open, in place of those from before, wherever they are panels. */
export function openPanels(ids: readonly string[]): void {
  for (const id of wanted) if (!ids.includes(id)) show(find(id), false);
  wanted = ids;
  openAgain();
}

/** Once more, after elements have been put in anew or the width has changed. A press beside it isn't to close it here. */
export function openAgain(): void {
  for (const id of wanted) {
    const panel = find(id);
    if (!panel) continue;
    if (!isPanelHere(panel)) {
      show(panel, false);
      continue;
    }
    if (panel.popover !== null && panel.popover !== 'manual') panel.popover = 'manual';
    // Whoever edits it wants to see where it stands, not how it gets there.
    panel.style.setProperty('transition', 'none', 'important');
    show(panel, true);
  }
}

/** What pages do by themselves when a panel opens is for those who use them: whoever edits gets at all of the page. */
export function keepReachable(isUsed: () => boolean): void {
  for (const name of ['beforetoggle', 'toggle'])
    addEventListener(name, (event) => isUsed() || event.stopImmediatePropagation(), true);
}
