import { z } from 'zod';
import { ALL_WIDTHS } from '../breakpoints/interval';
import { profileSchema } from '../document/profile';
import type { Project } from '../document/project';
import { projectSchema } from '../document/project';
import type { EditKind } from './edit';
import { EditError, laterWins } from './edit';
import { wholeFootprint } from './footprint';

interface Field {
  readonly schema: z.ZodType;
  readonly read: (project: Project) => unknown;
  readonly write: (project: Project, value: never) => Project;
  readonly label: string;
}

const ofProject = (name: 'language' | 'queries' | 'rootSize', label: string): Field => ({
  schema: projectSchema.shape[name],
  read: (project) => project[name],
  write: (project, value) => ({ ...project, [name]: value }),
  label,
});

const FIELDS = {
  language: ofProject('language', 'Language of the project'),
  queries: ofProject('queries', 'Syntax of media queries in the export'),
  rootSize: ofProject('rootSize', 'Root text size'),
  range: {
    schema: profileSchema.shape.range,
    read: ({ audit }) => audit.range,
    write: (project, range) => ({ ...project, audit: { ...project.audit, range } }),
    label: 'Widths of the audit',
  },
} satisfies Record<string, Field>;

const schema = z.strictObject({
  type: z.literal('setProject'),
  field: z.enum(Object.keys(FIELDS) as (keyof typeof FIELDS)[]),
  value: z.union([z.string().max(100), z.number(), z.strictObject({ first: z.number(), last: z.number() })]),
});
type SetProject = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly setProject: SetProject;
  }
}

/**
 * What holds for the whole project: the language of pages that say no other, the syntax of media queries in the export,
 * the root's text size in percent, the first and last width of the audit in px.
 */
export const setProject: EditKind<SetProject> = {
  schema,
  apply(project, { field, value }) {
    const { schema, read, write }: Field = FIELDS[field];
    const taken = schema.safeParse(value);
    if (!taken.success) throw new EditError(taken.error.issues[0]!.message);
    return {
      document: write(project, taken.data as never),
      inverse: { type: 'setProject', field, value: read(project) as SetProject['value'] },
    };
  },
  footprint(before, _, { field }) {
    if (field === 'rootSize') return wholeFootprint(before);
    if (field !== 'language') return {};
    const pages = before.pages.filter(({ language }) => language === undefined);
    return Object.fromEntries(
      pages.map(({ id, root }) => [id, { elements: [root], properties: [], widths: ALL_WIDTHS, html: true }]),
    );
  },
  describe: (_, { field, value }) => `${FIELDS[field].label}: ${inWords(field, value)}`,
  merge: laterWins('field'),
};

function inWords(field: SetProject['field'], value: SetProject['value']): string {
  if (typeof value === 'object') return `${value.first} to ${value.last} px`;
  if (field === 'rootSize') return `${value}%`;
  return field === 'queries' ? (value === 'range' ? 'ranges' : 'min and max') : String(value);
}
