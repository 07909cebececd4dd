'use client';

import { Area, AreaChart, ReferenceLine, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import type { Finding } from '@/core/audit';
import { bandsOf } from '@/core/breakpoints';
import type { WidthRange } from '@/core/document';
import { useSession } from '../state/store';
import { stepsOf } from './widths';

const TICKS = [400, 480, 600, 720, 900, 1200, 1600, 2000];

/** Both ends, and round widths between them that don't stand too close. */
const ticksOf = ({ first, last }: WidthRange) => [
  first,
  ...TICKS.filter((tick) => tick > first * 1.12 && tick < last / 1.12),
  last,
];

/** How many findings there are at each width, by severity, with the breakpoints. */
export function FindingsChart({ findings }: { findings: readonly Finding[] }) {
  const project = useSession((session) => session.project);
  const slice = useSession((session) => session.slice);
  const { range } = project.audit;
  const steps = stepsOf(findings, range);
  const edges = bandsOf(project, slice)
    .map(({ from }) => from)
    .filter((from) => from > range.first && from < range.last);
  const most = Math.max(1, ...steps.map(({ broken, poor, note }) => broken + poor + note));
  return (
    <figure className="m-0 px-4 pt-2" data-testid="findings-chart">
      <figcaption className="flex justify-between text-muted">
        <span>Findings at each width</span>
        <span className="font-mono text-xs">most at once: {most}</span>
      </figcaption>
      <div className="h-[104px]" aria-hidden>
        <ResponsiveContainer width="100%" height="100%">
          <AreaChart data={steps} margin={{ top: 6, right: 18, bottom: 0, left: 14 }}>
            <XAxis
              dataKey="width"
              type="number"
              scale="log"
              domain={[range.first, range.last + 1]}
              ticks={ticksOf(range)}
              interval={0}
              tick={{ fontSize: 11, fontFamily: 'var(--font-mono)', fill: 'var(--color-muted)' }}
              stroke="var(--color-line-strong)"
            />
            <YAxis hide domain={[0, most]} />
            <Tooltip
              isAnimationActive={false}
              contentStyle={{ background: 'var(--color-sheet)', border: '1px solid var(--color-line-strong)', fontSize: 12 }}
              labelFormatter={(width) => `from ${String(width)} px`}
            />
            {edges.map((edge) => (
              <ReferenceLine key={edge} x={edge} stroke="var(--color-ink)" strokeDasharray="2 3" />
            ))}
            {(['broken', 'poor', 'note'] as const).map((severity) => (
              <Area
                key={severity}
                type="stepAfter"
                dataKey={severity}
                stackId="all"
                isAnimationActive={false}
                stroke="none"
                fill={severity === 'broken' ? 'var(--color-rust)' : 'var(--color-amber)'}
                fillOpacity={severity === 'note' ? 0.45 : 1}
              />
            ))}
          </AreaChart>
        </ResponsiveContainer>
      </div>
    </figure>
  );
}
