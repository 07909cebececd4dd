/** What can be drawn over a page, on the stage and in the line-up alike, with the key that shows and hides it. */
export const MARKS = [
  { id: 'outlines', name: 'Element outlines', key: 'e' },
  { id: 'columns', name: 'Grid columns', key: 'c' },
  { id: 'screenful', name: 'First screenful', key: 'x' },
  { id: 'keepIn', name: 'Room that the whole band shares', key: 'u' },
  { id: 'findings', name: 'Findings', key: 'z' },
  { id: 'taps', name: 'Tap areas', key: 'Shift+e' },
] as const;
export type MarkId = (typeof MARKS)[number]['id'];

export const FIRST_MARKS: Readonly<Record<MarkId, boolean>> = {
  outlines: false,
  columns: false,
  screenful: true,
  keepIn: false,
  findings: false,
  taps: false,
};
