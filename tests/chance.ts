import fc from '../node_modules/fast-check/lib/cjs/fast-check';

// Every run of the suite asks the same questions, so that it fails by what was changed and never by chance. `SEED=any` or
// `SEED=4711` asks others, as the bulk checks (`npm run check:…`) do.
const wish = process.env.SEED ?? '20260';
if (wish !== 'any') fc.configureGlobal({ seed: Number(wish) });

export default fc;
