import { runWithStack } from './setup/with-stack.mjs';

// Many people at once, and large pages: --people 50 --projects 20 --minutes 10 --sizes 3000,4900
await runWithStack('load', 'scripts/load.ts');
