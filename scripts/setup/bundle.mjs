import { join } from 'node:path';
import { root } from './places.mjs';

/** Bundles the scripts that run inside pages into `generated/`. */
export async function bundlePageScripts() {
  const { build } = await import('esbuild');
  await build({
    entryPoints: { 'in-page': join(root, 'src/server/browser/in-page.ts'), frame: join(root, 'src/probe/frame.ts') },
    outdir: join(root, 'generated'),
    bundle: true,
    minify: true,
    format: 'iife',
    target: 'chrome110',
    tsconfig: join(root, 'tsconfig.json'),
    logLevel: 'warning',
  });
}
