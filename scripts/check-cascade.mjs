import { requirePackages } from './setup/packages.mjs';
import { requirePrerequisites } from './setup/prerequisites.mjs';
import { main } from './setup/process.mjs';

// Compares the cascade with Chromium on random documents: --documents 5000 --seed 1
await main(async () => {
  await requirePrerequisites();
  await requirePackages();
  const { runTypeScript } = await import('./setup/typescript.mjs');
  return runTypeScript('scripts/check-cascade.ts', process.argv.slice(2));
});
