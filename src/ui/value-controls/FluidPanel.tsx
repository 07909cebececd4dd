'use client';

import { useState } from 'react';
import { CartesianGrid, Line, LineChart, ReferenceLine, XAxis, YAxis } from 'recharts';
import { rootPx } from '@/core/document';
import { fluidAt, fluidValue, reachesDouble, readFluid } from '@/core/styles';
import { useSession } from '../state/store';
import { BUTTON } from '../theme/controls';

interface Props {
  readonly property: string;
  readonly label: string;
  readonly value: string;
  /** What is measured at the cursor now, px. */
  readonly measured: number | undefined;
  readonly write: (value: string) => string | undefined;
  readonly close: () => void;
}

const INPUT = 'h-[22px] w-14 rounded-[3px] border border-line-strong bg-well px-1 text-right font-mono';

/** A value that grows evenly between two widths: two widths and two values make a `clamp()`. */
export function FluidPanel({ property, label, value, measured, write, close }: Props) {
  const width = useSession((session) => session.width);
  const rem = useSession((session) => rootPx(session.project));
  const known = readFluid(value, rem);
  const round = (px: number) => String(Math.round(px * 100) / 100);
  const [fields, setFields] = useState(() => ({
    fromWidth: round(known?.from.width ?? 360),
    fromPx: round(known?.from.px ?? measured ?? 16),
    toWidth: round(known?.to.width ?? 1280),
    toPx: round(known?.to.px ?? (measured ?? 16) * 1.5),
  }));
  const [problem, setProblem] = useState<string>();
  const number = (text: string) => (text.trim() === '' ? NaN : Number(text));
  const fluid = {
    from: { width: number(fields.fromWidth), px: number(fields.fromPx) },
    to: { width: number(fields.toWidth), px: number(fields.toPx) },
  };
  const result = fluidValue(fluid, rem);
  const [first, last] = [fluid.from.width, fluid.to.width].sort((a, b) => a - b) as [number, number];
  const widths = [...new Set([240, first, last, Math.max(1920, last * 1.2), width])]
    .filter((one) => one > 0)
    .sort((a, b) => a - b);
  const points = result.ok ? widths.map((one) => ({ width: one, px: fluidAt(fluid, one) })) : [];
  const input = (name: keyof typeof fields, what: string) => (
    <input
      aria-label={what}
      inputMode="decimal"
      className={INPUT}
      value={fields[name]}
      onChange={(event) => {
        setFields({ ...fields, [name]: event.target.value });
        setProblem(undefined);
      }}
    />
  );
  return (
    <div
      role="group"
      aria-label={`${label} grows evenly`}
      data-testid="fluid"
      className="m-1.5 ml-3.5 rounded-[4px] border border-line-strong bg-paper p-2"
    >
      <p className="m-0 flex items-center gap-1">
        At {input('fromWidth', 'First width, px')} px wide {input('fromPx', 'Value at the first width, px')} px
      </p>
      <p className="m-0 flex items-center gap-1 pt-1">
        At {input('toWidth', 'Second width, px')} px wide {input('toPx', 'Value at the second width, px')} px
      </p>
      {result.ok ? (
        <>
          <LineChart
            width={230}
            height={92}
            data={points}
            margin={{ top: 8, right: 8, bottom: 0, left: -28 }}
            accessibilityLayer={false}
          >
            <CartesianGrid stroke="var(--line)" vertical={false} />
            <XAxis
              dataKey="width"
              type="number"
              domain={['dataMin', 'dataMax']}
              ticks={[first, last]}
              tick={{ fontSize: 10, fill: 'var(--muted)' }}
            />
            <YAxis tick={{ fontSize: 10, fill: 'var(--muted)' }} domain={['auto', 'auto']} />
            <ReferenceLine x={width} stroke="var(--reed)" />
            <Line dataKey="px" stroke="var(--ink)" dot={false} isAnimationActive={false} type="linear" />
          </LineChart>
          <code className="block pb-1 text-[11px] break-words">{result.value}</code>
          {property === 'font-size' && !reachesDouble(fluid) && (
            <p className="m-0 pb-1 text-xs text-rust">
              Zooming can't make this text twice as large at every width (WCAG 1.4.4): let it grow less.
            </p>
          )}
        </>
      ) : (
        <p role="alert" className="m-0 py-1 text-xs text-rust">
          {result.message}
        </p>
      )}
      {problem && (
        <p role="alert" className="m-0 pb-1 text-xs text-rust">
          {problem}
        </p>
      )}
      <span className="flex gap-1">
        <button
          type="button"
          className={BUTTON}
          disabled={!result.ok}
          onClick={() => {
            if (!result.ok) return;
            const wrong = write(result.value);
            setProblem(wrong);
            if (!wrong) close();
          }}
        >
          Write it
        </button>
        <button type="button" className={BUTTON} onClick={close}>
          Leave it
        </button>
      </span>
    </div>
  );
}
