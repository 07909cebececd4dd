import type { LeftOut } from '@/core/document';
import { REASONS } from '@/core/document';
import type { BringInReport } from './api';
import { plural } from '@/core/text';

/** What came in, and what didn't, with why. */
export function Report({ report }: { readonly report: BringInReport }) {
  const { pages, sheets, files, refused, leftOut } = report;
  return (
    <div data-testid="bring-in-report">
      <p role="status" className="m-0 pb-2 font-semibold">
        {plural(pages.length, 'page')}, {plural(sheets, 'style sheet')}, {plural(files, 'picture and font file')} came in.
      </p>
      <ul className="m-0 list-none p-0">
        {pages.map(({ name, file, elements }) => (
          <li key={file} className="flex gap-3 border-t border-line py-1">
            <span className="min-w-0 flex-1 truncate">{name}</span>
            <span className="truncate font-mono text-xs text-muted">{file}</span>
            <span className="font-mono text-xs text-muted">{plural(elements, 'element')}</span>
          </li>
        ))}
      </ul>
      {refused.map(({ file, why }) => (
        <p key={file} className="m-0 border-t border-line py-1 text-rust">
          {file} didn’t come in: {why}
        </p>
      ))}
      <LeftOutList leftOut={leftOut} />
    </div>
  );
}

/** What was left out, by why. */
export function LeftOutList({ leftOut }: { readonly leftOut: readonly LeftOut[] }) {
  if (leftOut.length === 0) return <p className="m-0 border-t border-line py-2 text-muted">Nothing was left out.</p>;
  const reasons = [...new Set(leftOut.map(({ reason }) => reason))];
  return (
    <div className="border-t border-line pt-2">
      {reasons.map((reason) => {
        const list = leftOut.filter((one) => one.reason === reason);
        return (
          <details key={reason} className="pb-1">
            <summary className="cursor-default">
              {REASONS[reason]} <span className="font-mono text-muted">{list.length}</span>
            </summary>
            <ul className="m-0 list-none py-1 pl-4">
              {list.map(({ file, line, what }, i) => (
                <li key={i} className="break-words text-muted">
                  <span className="text-ink">{what}</span>{' '}
                  <span className="font-mono text-xs">
                    {file}
                    {line === undefined ? '' : `, line ${line}`}
                  </span>
                </li>
              ))}
            </ul>
          </details>
        );
      })}
    </div>
  );
}
