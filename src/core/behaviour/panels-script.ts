/**
 * What panels need besides HTML's own `popover`: what is behind a locking one can't be reached while it is open, and the focus goes into
 * it (ARIA practices, "Dialog (modal)"); links in it close it where they are to; Escape closes those that a press outside doesn't; none
 * stays open where it is part of the page. It listens at the document, so it goes on working whatever is put into the page.
 */
export const PANELS_SCRIPT = `(() => {
  const says = (panel, word) => panel.dataset.panel !== undefined && panel.dataset.panel.split(' ').includes(word);
  const isPanelNow = (panel) => getComputedStyle(panel).getPropertyValue('--panel').trim() === '1';
  const open = () => [...document.querySelectorAll('[data-panel]:popover-open')];
  const behind = new Map();

  const hold = (panel) => {
    const away = [];
    for (let at = panel; at.parentElement && at !== document.body; at = at.parentElement)
      for (const other of at.parentElement.children)
        if (other !== at && other.inert === false) {
          other.inert = true;
          away.push(other);
        }
    behind.set(panel, { away, role: panel.getAttribute('role') });
    panel.setAttribute('role', 'dialog');
    panel.setAttribute('aria-modal', 'true');
    if (panel.contains(document.activeElement)) return;
    const first = panel.querySelector('a[href], button:not([disabled]), input:not([disabled], [type=hidden]), select, textarea, [tabindex]');
    if (!first) panel.tabIndex = -1;
    (first || panel).focus();
  };

  const release = (panel) => {
    const held = behind.get(panel);
    if (!held) return;
    for (const other of held.away) other.inert = false;
    if (held.role === null) panel.removeAttribute('role');
    else panel.setAttribute('role', held.role);
    panel.removeAttribute('aria-modal');
    behind.delete(panel);
  };

  document.addEventListener('beforetoggle', ({ target, newState }) => {
    if (newState === 'closed') release(target);
  }, true);
  document.addEventListener('toggle', ({ target, newState }) => {
    if (newState === 'open' && says(target, 'locks') && isPanelNow(target)) hold(target);
  }, true);
  document.addEventListener('click', ({ target }) => {
    const link = target.closest && target.closest('a[href]');
    if (link) for (const panel of open()) if (says(panel, 'links') && panel.contains(link)) panel.hidePopover();
  });
  document.addEventListener('keydown', (event) => {
    const last = open().pop();
    if (event.key === 'Escape' && !event.defaultPrevented && last && last.popover === 'manual') last.hidePopover();
  });
  addEventListener('resize', () => {
    for (const panel of open()) if (!isPanelNow(panel)) panel.hidePopover();
  });
})();
`;
