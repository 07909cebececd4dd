import { setPriority } from 'node:os';
import { closeBrowser } from '@/server/browser/warm-browser';
import { pool } from '@/server/db/client';
import { queue } from '@/server/jobs/queue';
import { workOnAudits } from '@/server/jobs/audit-jobs';

// What somebody waits for in the application comes first, also on the same machine; Chromium inherits this.
setPriority(10);
await workOnAudits();
console.log('Working on audits. Ctrl-C stops after what is in hand.');

let stopping = 0;
for (const signal of ['SIGINT', 'SIGTERM'] as const)
  process.on(signal, () => {
    // The terminal and the program that started this one tell it at the same time.
    if (stopping && performance.now() - stopping > 1_500) process.exit(1);
    if (stopping) return;
    stopping = performance.now();
    void (async () => {
      await (await queue()).stop({ graceful: true, timeout: 200_000 });
      await closeBrowser();
      await pool().end();
      process.exit(0);
    })();
  });
