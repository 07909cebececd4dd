import { requirePackages } from './setup/packages.mjs';
import { requirePrerequisites } from './setup/prerequisites.mjs';

// Compares the cascade with Chromium on random documents: --documents 5000 --seed 1
await requirePrerequisites();
await requirePackages();
const { runTypeScript } = await import('./setup/typescript.mjs');
process.exit(await runTypeScript('scripts/check-cascade.ts', process.argv.slice(2)));
