'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useState } from 'react';
import { z } from 'zod';
import { requestJson } from '../requests/requests';
import { LooksMenu } from '../theme/LooksMenu';
import { Mark } from '../theme/Mark';
import { BringInDialog } from '../bring-in/BringInDialog';
import type { Given } from '../bring-in/gather';
import { dropped } from '../bring-in/gather';
import { wantTour } from '../tour/tour';
import { DeleteDialog } from './DeleteDialog';
import type { Beginning } from './NewProject';
import { NewProject } from './NewProject';
import { summarySchema } from './summary';
import type { ProjectSummary } from './summary';
import { plural } from '@/core/text';

const listSchema = z.object({ projects: z.array(summarySchema) });

const button = 'rounded-[4px] border border-line-strong bg-sheet px-2.5 py-1 font-semibold hover:bg-paper';

/** All projects: open, create, rename, delete and bring back. */
export function ProjectList() {
  const router = useRouter();
  const [projects, setProjects] = useState<ProjectSummary[]>();
  const [failure, setFailure] = useState<string>();
  const [renaming, setRenaming] = useState<{ id: string; name: string }>();
  const [deleting, setDeleting] = useState<ProjectSummary>();
  const [deleted, setDeleted] = useState<ProjectSummary>();
  const [duplicating, setDuplicating] = useState(false);
  const [given, setGiven] = useState<readonly Given[]>();

  const load = useCallback(async () => {
    try {
      setProjects(listSchema.parse(await requestJson('/api/projects')).projects);
    } catch (error) {
      setFailure(error instanceof Error ? error.message : String(error));
    }
  }, []);
  useEffect(() => {
    void load();
  }, [load]);

  const attempt = async (work: () => Promise<void>) => {
    setFailure(undefined);
    try {
      await work();
    } catch (error) {
      setFailure(error instanceof Error ? error.message : String(error));
    }
  };
  const create = (name: string, beginning: Beginning) =>
    attempt(async () => {
      const usual = beginning.from === 'demo' ? 'Tansy Street Tool Library' : name;
      const body = { name: name.trim() || usual, ...beginning };
      const answer = await requestJson('/api/projects', { method: 'POST', body });
      wantTour();
      router.push(`/projects/${(answer as { id: string }).id}`);
    });
  const duplicate = (project: ProjectSummary) => {
    setDuplicating(true);
    return attempt(async () => {
      const taken = new Set(projects?.map((one) => one.name));
      const copy = (n: number) => `${project.name.slice(0, 68)}, copy${n > 1 ? ` ${n}` : ''}`;
      let n = 1;
      while (taken.has(copy(n))) n++;
      await requestJson('/api/projects', { method: 'POST', body: { name: copy(n), from: 'copy', of: project.id } });
      await load();
    }).finally(() => setDuplicating(false));
  };
  const rename = (id: string, next: string) =>
    attempt(async () => {
      await requestJson(`/api/projects/${id}`, { method: 'PATCH', body: { name: next } });
      setRenaming(undefined);
      await load();
    });
  const remove = (project: ProjectSummary) =>
    attempt(async () => {
      setDeleting(undefined);
      await requestJson(`/api/projects/${project.id}`, { method: 'DELETE' });
      setDeleted(project);
      await load();
    });
  const restore = (project: ProjectSummary) =>
    attempt(async () => {
      await requestJson(`/api/projects/${project.id}/restore`, { method: 'POST' });
      setDeleted(undefined);
      await load();
    });

  return (
    <main
      className="mx-auto min-h-screen max-w-[860px] px-6 py-10"
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        void dropped(event.dataTransfer).then((files) => files.length > 0 && setGiven(files));
      }}
    >
      <div className="flex items-center justify-between gap-3">
        <h1 className="m-0 flex items-center gap-3 text-[26px] font-bold">
          <Mark /> Mill Pond
        </h1>
        <LooksMenu className={button} />
      </div>
      <p className="mt-1 text-[14px] text-muted">
        Decide at which widths a design must change, write what changes there, and see that it holds at every width.
      </p>

      {failure && (
        <p role="alert" className="rounded-[5px] border border-rust bg-rust-tint px-3 py-2">
          {failure}{' '}
          {!projects && (
            <button
              type="button"
              className={button}
              onClick={() => {
                setFailure(undefined);
                void load();
              }}
            >
              Try again
            </button>
          )}
        </p>
      )}
      {deleted && (
        <p
          role="status"
          className="flex items-center justify-between rounded-[5px] border border-line-strong bg-amber-tint px-3 py-2"
        >
          “{deleted.name}” is deleted.
          <button type="button" className={button} onClick={() => restore(deleted)}>
            Bring it back
          </button>
        </p>
      )}

      <section aria-label="Projects" className="mt-6">
        <h2 className="m-0 border-b border-line-strong pb-1 text-[15px] font-bold">Projects</h2>
        {!projects && !failure && <p className="text-muted">Loading …</p>}
        {projects?.length === 0 && (
          <p className="text-muted">
            There is no project yet. Begin one below: from breakpoints, from pages that are there, or from the demo to look
            around.
          </p>
        )}
        <ul className="m-0 list-none p-0">
          {projects?.map((project) => (
            <li
              key={project.id}
              className="flex min-h-12 flex-wrap items-center gap-3 border-b border-line py-1 min-[640px]:flex-nowrap"
            >
              {renaming?.id === project.id ? (
                <form
                  className="flex flex-1 gap-2"
                  onSubmit={(event) => {
                    event.preventDefault();
                    void rename(project.id, renaming.name);
                  }}
                >
                  <input
                    autoFocus
                    aria-label={`New name of ${project.name}`}
                    className="h-7 flex-1 rounded-[4px] border border-edge bg-well px-2"
                    value={renaming.name}
                    onChange={(event) => setRenaming({ id: project.id, name: event.target.value })}
                    onKeyDown={(event) => event.key === 'Escape' && setRenaming(undefined)}
                  />
                  <button type="submit" className={button}>
                    Save name
                  </button>
                </form>
              ) : (
                <>
                  <Link
                    href={`/projects/${project.id}`}
                    className="min-w-0 basis-full truncate py-2 text-[15px] font-semibold text-ink min-[640px]:flex-1 min-[640px]:basis-0"
                  >
                    {project.name}
                  </Link>
                  <span className="font-mono text-muted">
                    {plural(project.pages, 'page')} · {plural(project.breakpoints, 'breakpoint')}
                  </span>
                  <time className="text-right text-muted min-[640px]:w-32" dateTime={project.updatedAt}>
                    {new Date(project.updatedAt).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' })}
                  </time>
                  <button
                    type="button"
                    className={button}
                    aria-label={`Rename ${project.name}`}
                    onClick={() => setRenaming({ id: project.id, name: project.name })}
                  >
                    Rename
                  </button>
                  <button
                    type="button"
                    className={button}
                    aria-label={`Duplicate ${project.name}`}
                    disabled={duplicating}
                    onClick={() => duplicate(project)}
                  >
                    Duplicate
                  </button>
                  <button
                    type="button"
                    className={button}
                    aria-label={`Delete ${project.name}`}
                    onClick={() => setDeleting(project)}
                  >
                    Delete
                  </button>
                </>
              )}
            </li>
          ))}
        </ul>
      </section>

      <NewProject create={create} bringIn={() => setGiven([])} />
      <BringInDialog
        given={given}
        close={() => {
          setGiven(undefined);
          void load();
        }}
        opened={(id) => {
          wantTour();
          router.push(`/projects/${id}`);
        }}
      />
      <DeleteDialog project={deleting} cancel={() => setDeleting(undefined)} confirm={remove} />
    </main>
  );
}
