/** Opens and closes the list of all commands; set by the dialog itself. */
export const dialog = { toggle: () => undefined as void };
/** Opens the dialog in which keys are changed; set by the dialog itself. */
export const keysDialog = { open: () => undefined as void };
