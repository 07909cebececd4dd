import { runWithStack } from './setup/with-stack.mjs';

// Prints measured ratios. Both sides of each are measured in one run, since machines and moments differ.
await runWithStack('bench', 'scripts/bench.ts');
