'use client';

import { useMemo } from 'react';
import type { Page } from '@/core/document';
import { linksTo } from '@/core/document';
import type { PageField } from '@/core/edits';
import { freeFileName } from '@/core/plans';
import { commit, commitOrReport } from '../editing/edits';
import { steadyProject, useSession } from '../state/store';
import { BUTTON, SELECT } from '../theme/controls';
import { LeftOutList } from '../bring-in/Report';
import { CheckedField } from '../value-controls/CheckedField';
import { AddMissing } from './AddMissing';
import { LANGUAGES } from './languages';
import { isNewPage, movePage, openPage, removePage, renamed } from './page-actions';

interface Field {
  readonly field: Exclude<PageField, 'direction'>;
  readonly label: string;
  readonly hint: string;
}
const FIELDS: readonly Field[] = [
  { field: 'name', label: 'Name', hint: 'What it is called here' },
  { field: 'slug', label: 'File name', hint: 'Without ".html"' },
  { field: 'title', label: 'Title', hint: 'In the browser’s window; empty: the name' },
  { field: 'description', label: 'Description', hint: 'For search and sharing' },
  { field: 'language', label: 'Language', hint: 'Empty: the project’s' },
];

/** What the chosen page says of itself, and what can be done with it. */
export function PageForm({ page }: { page: Page }) {
  const project = useSession(steadyProject);
  const at = project.pages.findIndex(({ id }) => id === page.id);
  const last = project.pages.length - 1;
  const others = project.pages.filter((one) => one !== page);
  const write = (field: PageField, value: string) => {
    // A page that was only just put in isn't known by its file name yet.
    if (field === 'name' && value !== '' && isNewPage(page, others)) return commit(renamed(page, others, value));
    return commit({
      type: 'setPage',
      page: page.id,
      field,
      value: value === '' && field !== 'name' && field !== 'slug' ? null : value,
    });
  };
  const free = freeFileName(others, page.name);
  const links = useMemo(() => linksTo(project, page).length, [project, page]);
  return (
    <section aria-label={`About ${page.name}`} data-page-form className="px-3.5 py-2.5">
      <h2 className="m-0 pb-1.5 font-bold">{page.name}</h2>
      {FIELDS.filter(({ field }) => !page.brought || field !== 'slug').map(({ field, label, hint }) => (
        <label key={`${page.id} ${field}`} className="block pb-1.5">
          <span className="flex justify-between gap-2">
            {label} <span className="truncate text-xs text-muted">{hint}</span>
          </span>
          <CheckedField
            label={label}
            value={page[field] ?? ''}
            {...(field === 'language' && { list: LANGUAGES })}
            {...(field === 'slug' && free !== page.slug && { list: [{ value: free, word: 'made of the name' }] })}
            write={(value) => write(field, value)}
          />
        </label>
      ))}
      <label className="flex items-center gap-2 pb-2">
        Text runs
        <select
          className={SELECT}
          value={page.direction ?? ''}
          onChange={({ target }) =>
            commitOrReport({ type: 'setPage', page: page.id, field: 'direction', value: target.value || null })
          }
        >
          <option value="">as usual, from left to right</option>
          <option value="ltr">from left to right, said so</option>
          <option value="rtl">from right to left</option>
        </select>
      </label>
      <p className="m-0 pb-2 text-muted">
        {links === 0 ? 'No link' : links === 1 ? 'One link' : `${links} links`} of other pages {links > 1 ? 'lead' : 'leads'}{' '}
        here.
      </p>
      {page.brought && (
        <details className="pb-2">
          <summary className="cursor-default text-muted">
            Came from <span className="font-mono text-xs text-ink">{page.brought.file}</span>, {page.brought.leftOut.length} left
            out
          </summary>
          <LeftOutList leftOut={page.brought.leftOut} />
          <AddMissing isLacking={page.brought.leftOut.some(({ reason }) => reason === 'missing')} />
        </details>
      )}
      <div className="flex flex-wrap gap-1.5">
        <button type="button" className={BUTTON} onClick={() => openPage(page.id)}>
          Shape it
        </button>
        <button type="button" className={BUTTON} disabled={at <= 0} onClick={() => movePage(page.id, -1)}>
          Earlier
        </button>
        <button type="button" className={BUTTON} disabled={at === last} onClick={() => movePage(page.id, 1)}>
          Later
        </button>
        <button type="button" className={BUTTON} disabled={last === 0} onClick={() => removePage(page.id)}>
          Remove
        </button>
      </div>
    </section>
  );
}
