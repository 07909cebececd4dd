import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './places.mjs';

const SCRIPTS = { 'in-page': 'src/server/browser/in-page.ts', frame: 'src/probe/frame.ts' };

export const hasPageScripts = () => Object.keys(SCRIPTS).every((name) => existsSync(join(root, 'generated', `${name}.js`)));

/** Bundles the scripts that run inside pages into `generated/`. */
export async function bundlePageScripts() {
  const { build } = await import('esbuild');
  await build({
    entryPoints: Object.fromEntries(Object.entries(SCRIPTS).map(([name, file]) => [name, join(root, file)])),
    outdir: join(root, 'generated'),
    bundle: true,
    minify: !process.env.MP_PLAIN,
    format: 'iife',
    target: 'chrome110',
    tsconfig: join(root, 'tsconfig.json'),
    logLevel: 'warning',
  });
}
