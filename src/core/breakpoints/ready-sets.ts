import type { Condition } from './condition';

/** A set to begin with: general names, widths of our own. */
export interface ReadySet {
  readonly id: string;
  readonly name: string;
  /** For whom it is, in a sentence. */
  readonly use: string;
  readonly baseName: string;
  readonly breakpoints: readonly { readonly name: string; readonly condition: Condition }[];
}

const down = (name: string, last: number) => ({ name, condition: { below: last + 1 } });
const up = (name: string, from: number) => ({ name, condition: { from } });

export const READY_SETS: readonly ReadySet[] = [
  {
    id: 'wide-three',
    name: 'Wide first, three',
    use: 'Start from a page that is right on a wide screen and work down.',
    baseName: 'Wide',
    breakpoints: [down('Middle', 1050), down('Narrow', 690), down('Slim', 430)],
  },
  {
    id: 'wide-five',
    name: 'Wide first, five',
    use: 'Work down in smaller steps, with room for very wide screens.',
    baseName: 'Very wide',
    breakpoints: [down('Wide', 1500), down('Middle', 1110), down('Half', 830), down('Narrow', 610), down('Slim', 410)],
  },
  {
    id: 'narrow-three',
    name: 'Narrow first, three',
    use: 'Start from one column and add room upwards.',
    baseName: 'Narrow',
    breakpoints: [up('Middle', 540), up('Wide', 890), up('Very wide', 1340)],
  },
  {
    id: 'narrow-four',
    name: 'Narrow first, four',
    use: 'Start from one column, with a step between phone and tablet.',
    baseName: 'Slim',
    breakpoints: [up('Narrow', 430), up('Middle', 660), up('Wide', 990), up('Very wide', 1460)],
  },
  {
    id: 'mixed-four',
    name: 'From the middle, four',
    use: 'For apps planned both ways: the base in the middle, two steps down and two up.',
    baseName: 'Middle',
    breakpoints: [up('Wide', 1180), up('Very wide', 1640), down('Narrow', 780), down('Slim', 450)],
  },
];
