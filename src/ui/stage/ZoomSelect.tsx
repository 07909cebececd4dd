'use client';

interface Props {
  readonly label: string;
  readonly zoom: 'fit' | number;
  readonly steps: readonly number[];
  /** What "fit" comes to now. */
  readonly shown: number;
  readonly onZoom: (zoom: 'fit' | number) => void;
}

/** How large pages are shown: as large as fits, or one of some steps. */
export function ZoomSelect({ label, zoom, steps, shown, onZoom }: Props) {
  return (
    <label className="flex items-center gap-1 text-muted">
      <span className="sr-only">{label}</span>
      <select
        className="rounded-[4px] border border-line-strong bg-sheet px-1 py-0.5 font-mono text-ink"
        value={String(zoom)}
        onChange={(event) => onZoom(event.target.value === 'fit' ? 'fit' : Number(event.target.value))}
      >
        <option value="fit">Fit · {Math.round(shown * 100)}%</option>
        {steps.map((step) => (
          <option key={step} value={step}>
            {step * 100}%
          </option>
        ))}
      </select>
    </label>
  );
}
