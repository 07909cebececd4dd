import {
  bigserial,
  customType,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core';

/** A project: what it's called and how far its log has come. What it holds is in `project_parts` and `edits`. */
export const projects = pgTable('projects', {
  id: uuid('id').primaryKey(),
  name: text('name').notNull(),
  /** Raised by one with every edit. */
  revision: integer('revision').notNull().default(0),
  /** The revision of the newest whole document in `project_parts`; the edits after it lead to the present one. */
  snapshot: integer('snapshot').notNull().default(0),
  pageCount: integer('page_count').notNull().default(0),
  breakpointCount: integer('breakpoint_count').notNull().default(0),
  createdAt: timestamp('created_at', { withTimezone: true }).notNull().defaultNow(),
  updatedAt: timestamp('updated_at', { withTimezone: true }).notNull().defaultNow(),
  /** Set while the project lies deleted and can still be brought back. */
  deletedAt: timestamp('deleted_at', { withTimezone: true }),
});

/** Parts of documents: a page, the pictures, and so on, as they were from a snapshot on until the next one of the part. */
export const projectParts = pgTable(
  'project_parts',
  {
    projectId: uuid('project_id')
      .notNull()
      .references(() => projects.id, { onDelete: 'cascade' }),
    part: text('part').notNull(),
    revision: integer('revision').notNull(),
    document: jsonb('document').notNull(),
  },
  (table) => [primaryKey({ columns: [table.projectId, table.part, table.revision] })],
);

const bytes = customType<{ data: Buffer }>({ dataType: () => 'bytea' });

/** Small pictures of pages on devices, by a digest of all that decides what they show. */
export const pagePictures = pgTable(
  'page_pictures',
  {
    digest: text('digest').primaryKey(),
    png: bytes('png').notNull(),
    /** How many faults the page has at that viewport. */
    findings: integer('findings').notNull(),
    madeAt: timestamp('made_at', { withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [index('page_pictures_made').on(table.madeAt)],
);

/** Files that came in with pages, by the SHA-256 of their bytes: pictures, fonts, and what pages were read from. */
export const broughtFiles = pgTable('brought_files', {
  hash: text('hash').primaryKey(),
  type: text('type').notNull(),
  bytes: bytes('bytes').notNull(),
  madeAt: timestamp('made_at', { withTimezone: true }).notNull().defaultNow(),
});

/** Every edit ever made, in order. Only ever added to. */
export const edits = pgTable(
  'edits',
  {
    id: bigserial('id', { mode: 'number' }).primaryKey(),
    projectId: uuid('project_id')
      .notNull()
      .references(() => projects.id, { onDelete: 'cascade' }),
    /** The project's revision after this edit. */
    revision: integer('revision').notNull(),
    /** Given by the client, so that sending twice writes once. */
    editId: uuid('edit_id').notNull(),
    kind: text('kind', { enum: ['do', 'undo', 'redo', 'restart'] }).notNull(),
    /** For undo and redo: the edit that is taken back or made again. */
    ofEdit: uuid('of_edit'),
    edit: jsonb('edit').notNull(),
    inverse: jsonb('inverse').notNull(),
    createdAt: timestamp('created_at', { withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [
    uniqueIndex('edits_project_revision').on(table.projectId, table.revision),
    uniqueIndex('edits_project_edit').on(table.projectId, table.editId),
    index('edits_project').on(table.projectId),
  ],
);

/** Audits of whole projects: the project as it was, so that any machine can work on them. */
export const auditRuns = pgTable(
  'audit_runs',
  {
    id: uuid('id').primaryKey(),
    projectId: uuid('project_id')
      .notNull()
      .references(() => projects.id, { onDelete: 'cascade' }),
    revision: integer('revision').notNull(),
    document: jsonb('document').notNull(),
    createdAt: timestamp('created_at', { withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [index('audit_runs_project').on(table.projectId, table.createdAt)],
);

/** One page of an audit, worked on by one worker at a time. */
export const auditPages = pgTable(
  'audit_pages',
  {
    runId: uuid('run_id')
      .notNull()
      .references(() => auditRuns.id, { onDelete: 'cascade' }),
    pageId: text('page_id').notNull(),
    state: text('state', { enum: ['waiting', 'running', 'done', 'failed'] })
      .notNull()
      .default('waiting'),
    /** Names the worker's try; only that one may write. */
    attempt: uuid('attempt'),
    attempts: integer('attempts').notNull().default(0),
    /** When that worker was last heard of. */
    heardAt: timestamp('heard_at', { withTimezone: true }),
    /** Widths decided so far, in all views. */
    decided: integer('decided').notNull().default(0),
    layouts: integer('layouts').notNull().default(0),
    findings: jsonb('findings'),
    /** Why it failed, or what is to be known of it though it is done. */
    problem: text('problem'),
    finishedAt: timestamp('finished_at', { withTimezone: true }),
  },
  (table) => [primaryKey({ columns: [table.runId, table.pageId] }), index('audit_pages_state').on(table.state, table.heardAt)],
);
