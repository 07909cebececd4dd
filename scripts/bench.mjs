import { join } from 'node:path';
import { root } from './setup/places.mjs';
import { requirePackages } from './setup/packages.mjs';
import { requirePrerequisites } from './setup/prerequisites.mjs';

// Prints measured ratios. Both sides of each are measured in this one run, since machines and moments differ.
process.env.MILLPOND_HOME ??= join(root, '.millpond/bench');
await requirePrerequisites();
await requirePackages();
const { requireBuild } = await import('./setup/build.mjs');
const { bundlePageScripts } = await import('./setup/bundle.mjs');
const { startStack } = await import('./setup/stack.mjs');
const { runTypeScript } = await import('./setup/typescript.mjs');
await requireBuild();
await bundlePageScripts();
const stack = await startStack();
const code = await runTypeScript('scripts/bench.ts', process.argv.slice(2), { MILLPOND_URL: stack.address });
await stack.stop();
process.exit(code);
