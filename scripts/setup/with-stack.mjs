import { join } from 'node:path';
import { root } from './places.mjs';
import { requirePackages } from './packages.mjs';
import { requirePrerequisites } from './prerequisites.mjs';
import { main } from './process.mjs';

/** Runs a TypeScript program beside the whole application, which has a fresh database in a home of its own; then ends. */
export const runWithStack = (name, file) => main(() => withStack(name, file));

async function withStack(name, file) {
  process.env.MILLPOND_HOME ??= join(root, '.millpond', name);
  await requirePrerequisites();
  await requirePackages();
  const { requireBuild } = await import('./build.mjs');
  const { bundlePageScripts } = await import('./bundle.mjs');
  const { startStack } = await import('./stack.mjs');
  const { runTypeScript } = await import('./typescript.mjs');
  await requireBuild();
  await bundlePageScripts();
  const stack = await startStack();
  const code = await runTypeScript(file, process.argv.slice(2), { MILLPOND_URL: stack.address });
  await stack.stop();
  return code;
}

/** Runs a TypeScript program that starts the application itself, in a home of its own. */
export const runProgram = (name, file) =>
  main(async () => {
    process.env.MILLPOND_HOME ??= join(root, '.millpond', name);
    await requirePrerequisites();
    await requirePackages();
    const { requireBuild } = await import('./build.mjs');
    const { runTypeScript } = await import('./typescript.mjs');
    await requireBuild();
    return runTypeScript(file, process.argv.slice(2));
  });
