import { requirePackages } from './setup/packages.mjs';
import { requirePrerequisites } from './setup/prerequisites.mjs';
import { main } from './setup/process.mjs';

// Applies every safe fix and looks for what it should not do: --pages 20 --seed 1 --stretch 240 --no-demo, or of the demo only --page Catalogue --pages 0.
await main(async () => {
  await requirePrerequisites();
  await requirePackages();
  const { bundlePageScripts } = await import('./setup/bundle.mjs');
  await bundlePageScripts();
  const { runTypeScript } = await import('./setup/typescript.mjs');
  return runTypeScript('scripts/check-fixes.ts', process.argv.slice(2));
});
