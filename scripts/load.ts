import { parseArgs } from 'node:util';
import { largePage } from './load-pages';
import { people } from './load-people';

const { values } = parseArgs({
  options: {
    people: { type: 'string', default: '50' },
    projects: { type: 'string', default: '20' },
    minutes: { type: 'string', default: '10' },
    sizes: { type: 'string', default: '3000,5000' },
    /** How long the audit of each large page may take; 0 leaves it out. */
    audit: { type: 'string', default: '30' },
  },
});
const address = process.env.MILLPOND_URL!;
for (const size of values.sizes.split(',').filter(Boolean))
  console.log(JSON.stringify(await largePage(address, Number(size), Number(values.audit)), undefined, 1));
if (Number(values.people) > 0)
  console.log(
    JSON.stringify(await people(address, Number(values.people), Number(values.projects), Number(values.minutes)), undefined, 1),
  );
