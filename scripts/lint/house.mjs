import { relative } from 'node:path';
import { circles, importGraph, isSource, resolveImport, roomGraph, roomOf } from './imports.mjs';

/** The arrows of the house: which rooms a room may import from. What isn't named here is refused. */
const MAY = {
  app: ['app', 'ui', 'server', 'core', 'demo'],
  ui: ['ui', 'core'],
  server: ['server', 'core', 'demo', 'probe'],
  probe: ['probe', 'core'],
  demo: ['demo', 'core'],
  core: ['core'],
};
/** Packages that a room does without. */
const NOT = {
  core: /^(react|react-dom|next|node:.*|fs|path|drizzle-orm|pg|playwright-core)(\/|$)/,
  probe: /^(react|react-dom|next|node:.*|fs|path|drizzle-orm|pg|playwright-core)(\/|$)/,
  server: /^(react|react-dom)(\/|$)/,
  ui: /^(drizzle-orm|pg|playwright-core|node:.*|fs|path)(\/|$)/,
  demo: /^(react|react-dom|next|node:.*|drizzle-orm|pg)(\/|$)/,
};
/** The one file of values that the probe and the core share; all else it takes are types. */
const SHARED_WITH_PROBE = /^src\/core\/(audit\/codes|written\/\w+)\.ts$/;

let known;

/** Circles of files and of rooms, found once a run: each file in one with a sentence about it. */
function circlesOf(root) {
  if (known) return known;
  known = new Map();
  const graph = importGraph(root);
  const name = (file) => relative(root, file);
  for (const group of circles(graph.keys(), (file) => graph.get(file) ?? []))
    for (const file of group) known.set(file, `Imports go round in a circle: ${group.map(name).join(', ')}.`);
  const rooms = roomGraph(root, graph);
  for (const group of circles(rooms.keys(), (room) => rooms.get(room)?.keys() ?? []))
    for (const room of group)
      for (const [to, files] of rooms.get(room))
        if (group.includes(to))
          for (const file of files)
            known.set(file, `Folders import each other in a circle: ${group.join(', ')}. This one draws ${room} -> ${to}.`);
  return known;
}

const arrows = {
  meta: { type: 'problem', schema: [] },
  create(context) {
    const { cwd: root, filename } = context;
    const first = roomOf(root, filename).split('/')[0];
    const may = MAY[first];
    const check = (node) => {
      const specifier = node.source?.value;
      if (typeof specifier !== 'string' || !may || !isSource(filename)) return;
      const file = resolveImport(root, filename, specifier);
      if (!file) {
        if (NOT[first]?.test(specifier)) context.report({ node, message: `${first} does without ${specifier}.` });
        return;
      }
      const to = roomOf(root, file).split('/')[0];
      if (!may.includes(to))
        context.report({ node, message: `This import goes against the arrows of the house: ${first} -> ${to}.` });
      const onlyTypes = node.importKind === 'type' || node.exportKind === 'type';
      if (first === 'probe' && to === 'core' && !onlyTypes && !SHARED_WITH_PROBE.test(relative(root, file)))
        context.report({ node, message: 'The probe takes only types from the core.' });
    };
    return {
      ImportDeclaration: check,
      ExportNamedDeclaration: check,
      ExportAllDeclaration: check,
      'Program:exit'(node) {
        const message = circlesOf(root).get(filename);
        if (message) context.report({ node, loc: { line: 1, column: 0 }, message });
      },
    };
  },
};

export default { rules: { arrows } };
