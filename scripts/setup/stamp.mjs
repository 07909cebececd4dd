import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { root } from './places.mjs';

/** A hash over files and folders of the project, by name and content. */
export function hashOf(paths) {
  const hash = createHash('sha256');
  const add = (path) => {
    const full = join(root, path);
    if (!existsSync(full)) return;
    if (statSync(full).isDirectory()) {
      for (const name of readdirSync(full).sort()) add(join(path, name));
    } else hash.update(path).update('\0').update(readFileSync(full));
  };
  paths.forEach(add);
  return hash.digest('hex');
}

export function hasStamp(file, value) {
  return existsSync(file) && readFileSync(file, 'utf8') === value;
}

export function writeStamp(file, value) {
  mkdirSync(dirname(file), { recursive: true });
  writeFileSync(file, value);
}
