import { readFile } from 'node:fs/promises';
import { join } from 'node:path';

const cache = new Map<string, Promise<string>>();

/** A bundled in-page script, made by `scripts/setup/bundle.mjs`. */
export function pageScript(name: 'in-page' | 'frame'): Promise<string> {
  let script = process.env.NODE_ENV === 'development' ? undefined : cache.get(name);
  if (!script) {
    script = readFile(join(process.cwd(), 'generated', `${name}.js`), 'utf8');
    cache.set(name, script);
    script.catch(() => cache.delete(name));
  }
  return script;
}
