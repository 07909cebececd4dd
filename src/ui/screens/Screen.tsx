import type { ReactNode } from 'react';
import { Mark } from '../theme/Mark';

interface Props {
  readonly title: string;
  /** What is so, and what can be done next. */
  readonly children: ReactNode;
  /** The ways on, the likeliest first. */
  readonly ways?: ReactNode;
}

/** A whole window that has nothing else to show: what is so, and the ways on. */
export function Screen({ title, children, ways }: Props) {
  return (
    <main className="flex min-h-screen items-start justify-center bg-paper px-6 py-[12vh]">
      <div className="w-full max-w-[560px] rounded-[6px] border border-line-strong bg-sheet px-7 pt-5 pb-6">
        <p className="m-0 flex items-center gap-2.5 font-bold text-muted">
          <Mark /> Mill Pond
        </p>
        <h1 className="mt-4 mb-2 text-[20px] font-bold">{title}</h1>
        <div className="text-[14px] [&>p]:my-2">{children}</div>
        {ways && <div className="mt-5 flex flex-wrap items-center gap-x-4 gap-y-2">{ways}</div>}
      </div>
    </main>
  );
}
