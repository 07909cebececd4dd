import type { Finding } from '@/core/audit';
import { bandsOf } from '@/core/breakpoints';
import { useSession } from '../state/store';
import { inWords, shareOf } from './widths';

/** The stretches of findings on an axis over the widths of the audit, with the breakpoints as ticks. */
export function IntervalBar({ widths, severity }: Pick<Finding, 'widths' | 'severity'>) {
  const project = useSession((session) => session.project);
  const slice = useSession((session) => session.slice);
  const { range } = project.audit;
  const share = (width: number) => shareOf(range, width);
  const edges = bandsOf(project, slice)
    .map(({ from }) => from)
    .filter((from) => from > range.first && from < range.last);
  return (
    <span className="block w-[200px] shrink-0">
      <span className="block truncate text-right font-mono text-xs text-muted">{inWords(widths, 2)}</span>
      <svg width="200" height="12" aria-hidden className="block">
        <path d="M0 8.5H200" stroke="var(--color-line-strong)" />
        {edges.map((edge) => (
          <path key={edge} d={`M${share(edge) * 200} 4v9`} stroke="var(--color-ink)" />
        ))}
        {widths.map(({ from, below }) => (
          <rect
            key={from}
            x={share(from) * 200}
            y="3"
            width={Math.max(2, (share(below) - share(from)) * 200)}
            height="6"
            fill={severity === 'broken' ? 'var(--color-rust)' : 'var(--color-amber)'}
          />
        ))}
      </svg>
    </span>
  );
}
