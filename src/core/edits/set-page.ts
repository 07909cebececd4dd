import { z } from 'zod';
import { ALL_WIDTHS } from '../breakpoints/interval';
import type { Page } from '../document/project';
import { pageIdSchema, pageSchema } from '../document/project';
import type { EditKind } from './edit';
import { EditError, laterWins, requirePage } from './edit';

const FIELDS = ['name', 'slug', 'title', 'description', 'language', 'direction'] as const;
export type PageField = (typeof FIELDS)[number];

const schema = z.strictObject({
  type: z.literal('setPage'),
  page: pageIdSchema,
  field: z.enum(FIELDS),
  /** Null where nothing is to be said. */
  value: z.string().max(20_000).nullable(),
});
type SetPage = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly setPage: SetPage;
  }
}

const WORDS: Readonly<Record<PageField, string>> = {
  name: 'Rename page',
  slug: 'File name of page',
  title: 'Title of page',
  description: 'Description of page',
  language: 'Language of page',
  direction: 'Direction of page',
};

/** What a page says of itself: its name, file name, title, description, language, direction. */
export const setPage: EditKind<SetPage> = {
  schema,
  apply(project, { page: id, field, value }) {
    const page = requirePage(project, id);
    const read = pageSchema.shape[field].safeParse(value ?? undefined);
    if (!read.success) throw new EditError(read.error.issues[0]!.message);
    if (field === 'slug' && project.pages.some((one) => one !== page && one.slug === value))
      throw new EditError(`Another page has the file name ${value}.html already.`);
    const { [field]: was, ...others } = page;
    const changed = (value === null ? others : { ...others, [field]: value }) as Page;
    return {
      document: { ...project, pages: project.pages.map((one) => (one === page ? changed : one)) },
      inverse: { type: 'setPage', page: id, field, value: was ?? null },
    };
  },
  footprint: (before, _, { page, field }) =>
    field === 'language' || field === 'direction'
      ? { [page]: { elements: [requirePage(before, page).root], properties: [], widths: ALL_WIDTHS, html: true } }
      : {},
  describe: (project, { page, field, value }) =>
    `${WORDS[field]} ${project.pages.find(({ id }) => id === page)?.name ?? ''}${field === 'name' ? ` to ${value}` : ''}`,
  merge: laterWins('page', 'field'),
};
