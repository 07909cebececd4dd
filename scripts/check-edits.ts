import { newCounts, runSequence } from '../tests/edits/sequences';
import { Draw } from '../tests/edits/draw';

// Sequences of random edits through the code of the server, as many as are wanted. Each line of trouble names its seed.

function option(name: string, usual: number): number {
  const at = process.argv.indexOf(`--${name}`);
  return at < 0 ? usual : Number(process.argv[at + 1]);
}

const sequences = option('sequences', 1_000);
const first = option('seed', 1);
const counts = newCounts();
let wrong = 0;
for (let at = 0; at < sequences; at++) {
  const draw = new Draw(first + at);
  const seeds = Array.from({ length: 4 + draw.below(26) }, () => draw.below(2 ** 31));
  try {
    runSequence(seeds, counts);
  } catch (error) {
    wrong++;
    console.log(`Sequence ${first + at}: ${(error as Error).message}`);
  }
  if ((at + 1) % 1_000 === 0) console.log(`${at + 1} sequences, ${wrong} with a fault`);
}
const sum = (map: ReadonlyMap<string, number>) => [...map.values()].reduce((a, b) => a + b, 0);
console.log(
  `${sequences} sequences from seed ${first}: ${sum(counts.taken)} edits taken, ${sum(counts.refused)} refused, ${wrong} sequences with a fault.`,
);
process.exit(wrong > 0 ? 1 : 0);
