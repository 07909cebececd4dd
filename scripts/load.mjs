import { runWithStack } from './setup/with-stack.mjs';

// Many people at once, and large pages: --people 50 --projects 20 --minutes 10 --sizes 3000,5000
await runWithStack('load', 'scripts/load.ts');
