import { requirePackages } from './setup/packages.mjs';
import { main } from './setup/process.mjs';

// Sequences of random edits through the code of the server: --sequences 10000 --seed 1
await main(async () => {
  await requirePackages();
  const { runTypeScript } = await import('./setup/typescript.mjs');
  return runTypeScript('scripts/check-edits.ts', process.argv.slice(2));
});
