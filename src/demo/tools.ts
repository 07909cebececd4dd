import type { Table } from '@/core/document';
import { samplesOf } from '@/core/tables';

/** Forty tools, each with the place where it hangs. */
const TOOLS: readonly (readonly [name: string, place: string])[] = [
  ['Claw hammer', 'Wall A, peg 4'],
  ['Cordless drill, 18 volt', 'Wall C, shelf 2'],
  ['Six-step ladder', 'Yard, hook 1'],
  ['Panel saw', 'Wall A, peg 9'],
  ['Spirit level', 'Wall B, peg 11'],
  ['Orbital sander', 'Wall C, shelf 5'],
  ['Block plane', 'Wall A, peg 12'],
  ['Wood chisels, set of five', 'Wall A, drawer 1'],
  ['Carpenter’s square', 'Wall B, peg 5'],
  ['Marking gauge', 'Wall B, drawer 2'],
  ['Bar clamps, pair', 'Wall A, rail'],
  ['Mitre box', 'Wall A, shelf 3'],
  ['Jigsaw', 'Wall C, shelf 2'],
  ['Router', 'Wall C, shelf 3'],
  ['Heat gun', 'Wall C, shelf 4'],
  ['Soldering iron', 'Bench, drawer 1'],
  ['Multimeter', 'Bench, drawer 1'],
  ['Cable finder', 'Bench, drawer 2'],
  ['Pipe wrench', 'Wall B, peg 14'],
  ['Basin wrench', 'Wall B, peg 15'],
  ['Drain snake', 'Yard, bin 2'],
  ['Tile cutter', 'Wall C, floor'],
  ['Grout float', 'Wall B, drawer 4'],
  ['Plastering trowel', 'Wall B, peg 18'],
  ['Paint sprayer', 'Wall C, floor'],
  ['Wallpaper steamer', 'Wall C, floor'],
  ['Sewing machine', 'Back room, table 1'],
  ['Overlock machine', 'Back room, table 2'],
  ['Leather punch', 'Back room, drawer 1'],
  ['Spade', 'Yard, rail'],
  ['Garden fork', 'Yard, rail'],
  ['Loppers', 'Yard, hook 6'],
  ['Hedge trimmer', 'Yard, shelf 1'],
  ['Wheelbarrow', 'Yard, by the gate'],
  ['Post-hole digger', 'Yard, corner'],
  ['Bicycle stand', 'Yard, shed'],
  ['Chain tool', 'Yard, shed drawer'],
  ['Spoke wrench', 'Yard, shed drawer'],
  ['Torque wrench', 'Bench, hook 3'],
  ['Awl', 'Wall A, drawer 2'],
];

/** Tools that are drawn, by their files. */
const DRAWN = new Set(['claw-hammer', 'cordless-drill', 'six-step-ladder', 'panel-saw', 'spirit-level', 'orbital-sander']);
/** Tools that are out until then. */
const OUT = new Set(['Cordless drill, 18 volt', 'Orbital sander']);

const fileOf = (name: string) => {
  const file = name.replace(/,.*/, '').toLowerCase().replaceAll(' ', '-');
  return DRAWN.has(file) ? `${file}.svg` : '';
};

/** What the catalogue and the list of all tools are fed from. */
export const TOOL_TABLE: Table = {
  id: 'dtools',
  name: 'Tools',
  fields: [
    { id: 'fname', name: 'Tool' },
    { id: 'fplace', name: 'Place' },
    { id: 'fway', name: 'Leads to' },
    { id: 'fpicture', name: 'Picture' },
    { id: 'fbutton', name: 'Button' },
  ],
  sets: samplesOf(
    TOOLS.map(([name, place]) => [name, place, 'page:gtool', fileOf(name), OUT.has(name) ? 'Reserve for Saturday' : 'Reserve']),
    [true, true, false, false, true],
  )
    .filter(({ name }) => ['Usual', 'Long', 'None'].includes(name))
    .map((set, i) => ({ id: `r${i + 1}`, ...set })),
};
