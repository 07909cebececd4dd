import { requirePackages } from './setup/packages.mjs';

// Sequences of random edits through the code of the server: --sequences 10000 --seed 1
await requirePackages();
const { runTypeScript } = await import('./setup/typescript.mjs');
process.exit(await runTypeScript('scripts/check-edits.ts', process.argv.slice(2)));
