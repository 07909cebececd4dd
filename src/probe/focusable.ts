/** Elements at which the Tab key stops. */
export const TAB_STOPS =
  'a[href], button:not([disabled]), input:not([disabled]):not([type=hidden]), select:not([disabled]), textarea:not([disabled]), summary, [tabindex]:not([tabindex^="-"])';

/** All that can have the focus, which a script may give to some where the Tab key doesn't stop. */
export const FOCUSABLE = `${TAB_STOPS}, [tabindex], area[href], :is(audio, video)[controls], iframe, [contenteditable]:not([contenteditable="false"])`;
