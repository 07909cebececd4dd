import { runWithStack } from './setup/with-stack.mjs';

// Takes the pictures of docs/screenshots from the demo project.
await runWithStack('screenshots', 'scripts/screenshots.ts');
