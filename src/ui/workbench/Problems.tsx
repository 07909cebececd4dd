'use client';

import { dismissProblem } from '../editing/edits';
import { useSession } from '../state/store';

/** What went wrong, until it's read; and what happened, spoken for those who don't see it. */
export function Problems() {
  const news = useSession((session) => session.news);
  const problems = useSession((session) => session.problems);
  const damaged = useSession((session) => session.damage !== undefined);
  const announcement = useSession((session) => session.announcement);
  return (
    <>
      <div role="status" className="sr-only top-0">
        {announcement}
      </div>
      <div
        className={`pointer-events-none fixed ${damaged ? 'top-24' : 'top-14'} left-1/2 z-50 flex w-[460px] -translate-x-1/2 flex-col gap-2`}
      >
        {news && (
          <div
            role="status"
            className="pointer-events-auto flex items-start gap-3 rounded-[5px] border border-reed bg-reed-tint px-3 py-2"
          >
            <span className="flex-1">{news}</span>
            <button
              type="button"
              className="rounded-[3px] border-0 bg-transparent px-1 underline"
              onClick={() => useSession.setState({ news: undefined })}
            >
              Close
            </button>
          </div>
        )}
        {problems.map((problem) => (
          <div
            key={problem}
            role="alert"
            className="pointer-events-auto flex items-start gap-3 rounded-[5px] border border-rust bg-rust-tint px-3 py-2"
          >
            <span className="flex-1">{problem}</span>
            <button
              type="button"
              className="rounded-[3px] border-0 bg-transparent px-1 underline"
              onClick={() => dismissProblem(problem)}
            >
              Close
            </button>
          </div>
        ))}
      </div>
    </>
  );
}
