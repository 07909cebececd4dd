import { parseArgs } from 'node:util';
import { kills } from '../tests/kills/kills';

const { values } = parseArgs({
  options: {
    rounds: { type: 'string', default: '100' },
    seed: { type: 'string', default: '1' },
    people: { type: 'string', default: '6' },
    /** Whether to wait at the end for an audit of each project as well, which takes minutes. */
    audits: { type: 'boolean', default: false },
  },
});
const [rounds, seed, people] = [values.rounds, values.seed, values.people].map(Number) as [number, number, number];
const begun = performance.now();
const report = await kills({ rounds, seed, people, audits: values.audits, told: console.log });
console.log(JSON.stringify({ ...report, minutes: Math.round((performance.now() - begun) / 6000) / 10 }, undefined, 1));
process.exit(report.lost.length + report.doubled.length + report.odd.length + report.hung.length > 0 ? 1 : 0);
