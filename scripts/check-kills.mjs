import { runProgram } from './setup/with-stack.mjs';

// Kills server, database, browser and worker at random while people edit: --rounds 1000 --seed 1 --people 6 --audits
await runProgram('kills', 'scripts/check-kills.ts');
