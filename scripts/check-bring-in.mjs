import { requirePackages } from './setup/packages.mjs';
import { requirePrerequisites } from './setup/prerequisites.mjs';
import { main } from './setup/process.mjs';

// Compares pages as they are with the same pages brought in: HTML files by name, with --verbose what was left out of them.
await main(async () => {
  await requirePrerequisites();
  await requirePackages();
  const { runTypeScript } = await import('./setup/typescript.mjs');
  return runTypeScript('scripts/check-bring-in.ts', process.argv.slice(2));
});
