/** Something that the workbench does, by a key or from the list of commands. */
export interface Command {
  readonly id: string;
  readonly title: string;
  readonly group: 'Width' | 'Breakpoints' | 'Edit' | 'Shape' | 'Line-up' | 'View' | 'Audit';
  /** As `KeyboardEvent.key` gives it, with "Ctrl+", "Shift+" and "Alt+" before it in this order. */
  readonly keys: readonly string[];
  readonly run: () => void;
}
