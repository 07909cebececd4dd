import { requirePackages } from './setup/packages.mjs';
import { requirePrerequisites } from './setup/prerequisites.mjs';
import { main } from './setup/process.mjs';

// Compares exact sweeps with measuring every width: --pages 200 --seed 1 --stretch 160, --texts 60, or any HTML files by name, or those in a folder.
await main(async () => {
  await requirePrerequisites();
  await requirePackages();
  const { bundlePageScripts } = await import('./setup/bundle.mjs');
  await bundlePageScripts();
  const { runTypeScript } = await import('./setup/typescript.mjs');
  return runTypeScript('scripts/check-sweep.ts', process.argv.slice(2));
});
