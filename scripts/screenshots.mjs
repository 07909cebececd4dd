import { join } from 'node:path';
import { root } from './setup/places.mjs';
import { requirePackages } from './setup/packages.mjs';
import { requirePrerequisites } from './setup/prerequisites.mjs';

// Takes the pictures of docs/screenshots from the demo project.
process.env.MILLPOND_HOME ??= join(root, '.millpond/screenshots');
await requirePrerequisites();
await requirePackages();
const { requireBuild } = await import('./setup/build.mjs');
const { startStack } = await import('./setup/stack.mjs');
const { runTypeScript } = await import('./setup/typescript.mjs');
await requireBuild();
const stack = await startStack();
const code = await runTypeScript('scripts/screenshots.ts', [], { MILLPOND_URL: stack.address });
await stack.stop();
process.exit(code);
