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
          <Message
            role="status"
            look="border-reed bg-reed-tint"
            text={news}
            close={() => useSession.setState({ news: undefined })}
          />
        )}
        {problems.map((problem) => (
          <Message
            key={problem}
            role="alert"
            look="border-rust bg-rust-tint"
            text={problem}
            close={() => dismissProblem(problem)}
          />
        ))}
      </div>
    </>
  );
}

function Message({ role, look, text, close }: { role: 'status' | 'alert'; look: string; text: string; close: () => void }) {
  return (
    <div role={role} className={`pointer-events-auto flex items-start gap-3 rounded-[5px] border px-3 py-2 ${look}`}>
      <span className="flex-1">{text}</span>
      <button type="button" className="rounded-[3px] border-0 bg-transparent px-1 underline" onClick={close}>
        Close
      </button>
    </div>
  );
}
