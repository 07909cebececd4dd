import { runTypeScript } from './setup/typescript.mjs';

process.exit(await runTypeScript('scripts/check-cascade.ts', process.argv.slice(2)));
