import { PLAIN_PROFILE } from '../audit/profile';
import { CATALOGUE, DEVICE_SETS } from '../devices/catalogue';
import type { Project } from './project';
import { projectSchema, SCHEMA_VERSION } from './project';

type Step = (document: Record<string, unknown>) => Record<string, unknown>;

/**
 * One step a version: `STEPS[n]` leads a document of version n to version n + 1.
 * Version 0 is the form before releases: it had no name for the base band and no devices. Version 1 knew neither
 * kind defaults nor style sheets from elsewhere. Version 2 knew neither column grids nor blocks. Version 3 had six
 * devices with a name and a size, which nobody could change, and no sets of them.
 * Version 4 asked the same of every project's pages.
 */
const STEPS: readonly Step[] = [
  (document) => ({ baseName: 'Base', devices: [], ...document, schema: 1 }),
  (document) => ({ kinds: {}, sheets: [], ...document, schema: 2 }),
  (document) => ({ blocks: [], columns: {}, grids: [], ...document, schema: 3 }),
  (document) => ({ ...document, devices: CATALOGUE, deviceSets: DEVICE_SETS, schema: 4 }),
  (document) => ({ audit: PLAIN_PROFILE, ...document, schema: 5 }),
];

/**
 * A stored or given document as the current schema has it.
 * @throws Error with a sentence when the version is unknown or the document doesn't fit the schema.
 */
export function readProject(input: unknown): Project {
  if (typeof input !== 'object' || input === null) throw new Error("This isn't a project document.");
  let document = input as Record<string, unknown>;
  const version = document.schema ?? 0;
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 0)
    throw new Error('The project document has no readable schema version.');
  if (version > SCHEMA_VERSION)
    throw new Error(
      `The project was written by a newer Mill Pond (schema ${version}; this one reads up to ${SCHEMA_VERSION}).`,
    );
  for (let at = version; at < SCHEMA_VERSION; at++) document = STEPS[at]!(document);
  const result = projectSchema.safeParse(document);
  if (!result.success) {
    const issue = result.error.issues[0]!;
    throw new Error(`${issue.message}${issue.path.length ? ` (at ${issue.path.join('.')})` : ''}`);
  }
  return result.data as Project;
}
