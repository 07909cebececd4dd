import { requirePackages } from './setup/packages.mjs';
import { requirePrerequisites } from './setup/prerequisites.mjs';
import { main } from './setup/process.mjs';

// Damaged files through all that reads what comes in: HTML and CSS files by name, with --inputs and --seed.
await main(async () => {
  await requirePrerequisites();
  await requirePackages();
  const { runTypeScript } = await import('./setup/typescript.mjs');
  return runTypeScript('scripts/fuzz-bring-in.ts', process.argv.slice(2));
});
