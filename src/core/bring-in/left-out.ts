/** Why something isn't as it was in the files that were brought in. */
export const REASONS = {
  script: 'Scripts don’t run here.',
  event: 'What events would run is left out.',
  address: 'Nothing is fetched from elsewhere.',
  missing: 'The file isn’t in the package. It can be added later.',
  form: 'Forms send nothing from here.',
  element: 'It can’t be kept.',
  attribute: 'It can’t be kept.',
  drawing: 'Parts of a drawing that run, fetch or aren’t known are left out.',
  reading: 'It was read as browsers read it.',
  file: 'It isn’t a page, a style sheet, a picture or a font that the pages use.',
} as const;
export type Reason = keyof typeof REASONS;

/** One thing that was left out, or that came in otherwise. */
export interface LeftOut {
  readonly reason: Reason;
  /** The file that asked for it, and the line there. */
  readonly file: string;
  readonly line?: number | undefined;
  /** What it is: "logo.png", "onclick of <button>". */
  readonly what: string;
}
