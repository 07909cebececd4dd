import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';

/*
 * The imports of the sources as a graph: between files, and between rooms (the folders of `src`, and inside `core`,
 * `server` and `ui` their folders). Types count too: what imports only a type still can't be understood without it.
 */

const SPECIFIER = /(?:^|\n)\s*(?:import|export)\s(?:[^'";]*?\sfrom\s)?['"]([^'"]+)['"]|\bimport\(\s*['"]([^'"]+)['"]\s*\)/g;
const ENDINGS = ['', '.ts', '.tsx', '/index.ts', '/index.tsx'];
const DIVIDED = new Set(['core', 'server', 'ui']);

export const isSource = (file) => /\.tsx?$/.test(file) && !/\.test\.tsx?$|-for-tests\.ts$|\.d\.ts$/.test(file);

function* filesIn(folder) {
  for (const name of readdirSync(folder).sort()) {
    const path = join(folder, name);
    if (statSync(path).isDirectory()) yield* filesIn(path);
    else if (isSource(path)) yield path;
  }
}

/** The file that an import means, or undefined where it is a package. */
export function resolveImport(root, from, specifier) {
  const base = specifier.startsWith('@/')
    ? join(root, 'src', specifier.slice(2))
    : specifier.startsWith('.')
      ? resolve(dirname(from), specifier)
      : undefined;
  if (base === undefined) return undefined;
  const path = ENDINGS.map((ending) => base + ending).find((one) => existsSync(one) && statSync(one).isFile());
  return path;
}

/** `core/document` for a file in it, `probe` for one in `src/probe`. */
export function roomOf(root, file) {
  const [first, second] = relative(join(root, 'src'), file).split('/');
  return DIVIDED.has(first) ? `${first}/${second}` : first;
}

/** Each source file with the source files that it imports. */
export function importGraph(root) {
  const graph = new Map();
  for (const file of filesIn(join(root, 'src'))) {
    const imports = new Set();
    for (const [, from, dynamic] of readFileSync(file, 'utf8').matchAll(SPECIFIER)) {
      const path = resolveImport(root, file, from ?? dynamic);
      if (path && path !== file && isSource(path)) imports.add(path);
    }
    graph.set(file, imports);
  }
  return graph;
}

/** The same between rooms; each arrow with the files that draw it. */
export function roomGraph(root, graph) {
  const rooms = new Map();
  for (const [file, imports] of graph) {
    const from = roomOf(root, file);
    const arrows = rooms.get(from) ?? new Map();
    rooms.set(from, arrows);
    for (const one of imports) {
      const to = roomOf(root, one);
      if (to !== from) arrows.set(to, [...(arrows.get(to) ?? []), file]);
    }
  }
  return rooms;
}

/** Groups of nodes that reach each other (Tarjan), without those that stand alone. */
export function circles(nodes, next) {
  const index = new Map();
  const low = new Map();
  const stack = [];
  const found = [];
  const visit = (node) => {
    index.set(node, index.size);
    low.set(node, index.get(node));
    stack.push(node);
    for (const one of next(node)) {
      if (!index.has(one)) {
        visit(one);
        low.set(node, Math.min(low.get(node), low.get(one)));
      } else if (stack.includes(one)) low.set(node, Math.min(low.get(node), index.get(one)));
    }
    if (low.get(node) !== index.get(node)) return;
    const group = stack.splice(stack.indexOf(node));
    if (group.length > 1) found.push(group);
  };
  for (const node of nodes) if (!index.has(node)) visit(node);
  return found;
}
