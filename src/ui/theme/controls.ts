/** How the smaller controls look, wherever they stand. */
export const BUTTON = 'rounded-[4px] border border-line-strong bg-sheet px-2 py-0.5 hover:bg-paper disabled:opacity-50';
/** A button that is only a sign. */
export const SIGN_BUTTON =
  'flex size-5 shrink-0 items-center justify-center rounded-[3px] border-0 bg-transparent text-muted hover:bg-paper hover:text-ink disabled:opacity-30';
export const MENU =
  'z-40 max-h-80 w-64 overflow-auto rounded-[4px] border border-line-strong bg-sheet p-1 text-sm focus:outline-none';
export const MENU_ITEM = 'block w-full rounded-[3px] border-0 bg-transparent px-2 py-1 text-left data-focus:bg-reed-tint';
export const DANGER_BUTTON = 'rounded-[4px] border border-rust bg-rust-tint px-3 py-1 font-semibold text-rust';
/** A panel that opens under a button and holds more than a list. */
export const PANEL = 'z-40 w-64 rounded-[4px] border border-line-strong bg-sheet p-3 text-sm focus:outline-none';
export const SELECT = 'rounded-[4px] border border-line-strong bg-sheet px-1 py-0.5 text-ink';

/** What is most likely wanted. */
export const YES_BUTTON = 'rounded-[4px] border-0 bg-reed px-3 py-1 font-semibold text-on-reed disabled:opacity-50';

/** A button of the bar at the top. */
export const BAR_BUTTON =
  'rounded-[4px] border border-line-strong bg-sheet px-2.5 py-1 font-semibold hover:bg-paper disabled:text-muted disabled:opacity-60';
