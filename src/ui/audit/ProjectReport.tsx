'use client';

import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { Line, LineChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import { CHECKS, findingsOn } from '@/core/audit';
import type { ReportForm } from '@/core/report';
import { countCauses, countOf, REPORT_FORMS, reportDevices } from '@/core/report';
import { showPage } from '../view/actions';
import { useSession, useAudit } from '../state/store';
import { BUTTON, MENU, MENU_ITEM, SELECT } from '../theme/controls';
import type { AuditRun } from './api';
import { askRuns, orderRun, stopRun } from './api';
import { spokenAtEnd } from '../view/spoken';

const COUNT = new Intl.NumberFormat('en');
const time = new Intl.DateTimeFormat('en', { dateStyle: 'medium', timeStyle: 'short' });
const finished = (run: AuditRun) => run.pages.every(({ state }) => state === 'done' || state === 'failed');

/** All pages by all devices, as the last audit of the project found them, and how that has gone over time. */
export function ProjectReport() {
  const project = useSession((session) => session.project);
  const projectId = useSession((session) => session.projectId);
  const revision = useSession((session) => session.revision);
  const [answer, setAnswer] = useState<{ runs: readonly AuditRun[]; total: number }>();
  const [problem, setProblem] = useState<string>();
  const [check, setCheck] = useState('');
  const [sort, setSort] = useState<{ column: number; down: boolean }>({ column: -1, down: false });
  const load = useCallback(
    () => askRuns().then(setAnswer, (error: unknown) => setProblem(error instanceof Error ? error.message : String(error))),
    [],
  );
  const running = answer?.runs.some((run) => !finished(run)) ?? false;
  useEffect(() => {
    void load();
    const timer = setInterval(() => void load(), running ? 700 : 5_000);
    return () => clearInterval(timer);
  }, [load, running]);
  const order = () =>
    orderRun().then(load, (error: unknown) => setProblem(error instanceof Error ? error.message : String(error)));
  const [current] = answer?.runs ?? [];
  const done = answer?.runs.find(finished);
  const shown = current && !finished(current) ? current : done;
  const devices = useMemo(() => reportDevices(project), [project]);
  const rows = useMemo(() => {
    const list = project.pages.map((page) => {
      const audited = shown?.pages.find((one) => one.page === page.id);
      const findings = (audited?.findings ?? []).filter((one) => !check || one.check === check);
      const counts = [
        ...devices.map((device) => countOf(findingsOn(findings, device, project.audit.range))),
        countOf(findings),
        countCauses(project, page, findings),
      ];
      return { page, audited, counts };
    });
    const weight = ({ counts }: (typeof list)[number]) => {
      const { broken = 0, poor = 0, note = 0 } = counts[sort.column] ?? {};
      return broken * 1e6 + poor * 1e3 + note;
    };
    if (sort.column >= 0) list.sort((a, b) => (weight(b) - weight(a)) * (sort.down ? 1 : -1));
    return list;
  }, [project, shown, devices, check, sort]);
  const trend = [...(answer?.runs ?? [])]
    .filter(finished)
    .reverse()
    .map((run, index) => {
      const counts = run.pages.map(({ findings }) => countOf(findings));
      const sum = (key: 'broken' | 'poor' | 'note') => counts.reduce((total, one) => total + one[key], 0);
      return {
        run: index + 1,
        at: time.format(new Date(run.createdAt)),
        broken: sum('broken'),
        poor: sum('poor'),
        note: sum('note'),
      };
    });
  const decided = current?.pages.reduce((sum, page) => sum + page.decided, 0) ?? 0;
  const total = (answer?.total ?? 0) * project.pages.length;
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-3 overflow-auto bg-sheet px-5 py-4">
      <div className="flex flex-wrap items-center gap-3">
        <h2 className="m-0 text-[15px] font-bold">All pages</h2>
        <span className="text-muted" {...spokenAtEnd(running)} data-testid="run-state" data-running={running}>
          {!answer
            ? 'Loading …'
            : running && current
              ? `${current.pages.filter(({ state }) => state === 'done').length} of ${current.pages.length} pages, ${COUNT.format(decided)} of ${COUNT.format(total)} widths decided`
              : done
                ? `Audited ${time.format(new Date(done.createdAt))}${done.revision === revision ? '' : ', changed since'}`
                : 'Not audited yet'}
        </span>
        {running && current && (
          <>
            <progress aria-label="Widths decided" className="h-1.5 w-32 accent-amber" max={total} value={decided} />
            <button type="button" className={BUTTON} onClick={() => void stopRun(current.id).then(load)}>
              Stop
            </button>
          </>
        )}
        <label className="ml-auto flex items-center gap-2 text-muted">
          Check
          <select className={SELECT} value={check} onChange={(event) => setCheck(event.target.value)}>
            <option value="">All</option>
            {CHECKS.map(({ id, title }) => (
              <option key={id} value={id}>
                {title}
              </option>
            ))}
          </select>
        </label>
        <Menu>
          <MenuButton className={BUTTON} disabled={!done}>
            Export report ▾
          </MenuButton>
          <MenuItems anchor="bottom end" className={MENU}>
            {(Object.keys(REPORT_FORMS) as ReportForm[]).map((form) => (
              <MenuItem key={form}>
                <a
                  className={`${MENU_ITEM} text-ink no-underline`}
                  href={`/api/projects/${projectId}/report?form=${form}`}
                  download
                >
                  {REPORT_FORMS[form].label}
                </a>
              </MenuItem>
            ))}
          </MenuItems>
        </Menu>
        <button
          type="button"
          className="rounded-[4px] bg-reed px-3 py-1 font-semibold text-on-reed disabled:opacity-50"
          disabled={running}
          onClick={() => void order()}
        >
          Audit all pages
        </button>
      </div>
      {problem && (
        <p role="alert" className="m-0 text-rust">
          {problem}
        </p>
      )}
      <div className="overflow-x-auto">
        <table className="w-full border-collapse text-right" data-testid="pages-by-devices">
          <caption className="pb-1 text-left text-muted">
            Findings by device, element by element: broken / poor. Last: of how many causes they are.
          </caption>
          <thead>
            <tr className="border-b border-line-strong">
              <th className="py-1 pr-3 text-left font-normal text-muted">Page</th>
              {[...devices, { name: 'Any', width: 0, height: 0 }, { name: 'Causes', width: 0, height: 0 }].map(
                ({ name, width, height }, column) => (
                  <th
                    key={`${name} ${width}`}
                    className="px-2 py-1 align-bottom font-normal"
                    aria-sort={sort.column === column ? (sort.down ? 'descending' : 'ascending') : undefined}
                  >
                    <button
                      type="button"
                      className="border-0 bg-transparent p-0 text-right text-muted hover:text-ink"
                      onClick={() => setSort({ column, down: sort.column === column ? !sort.down : true })}
                    >
                      {name} {sort.column === column ? (sort.down ? '▾' : '▴') : ''}
                      <span className="block font-mono text-xs">{width ? `${width} × ${height}` : 'width'}</span>
                    </button>
                  </th>
                ),
              )}
            </tr>
          </thead>
          <tbody>
            {rows.map(({ page, audited, counts }) => (
              <tr key={page.id} className="border-b border-line">
                <th className="py-1 pr-3 text-left font-normal">
                  <button
                    type="button"
                    className="border-0 bg-transparent p-0 text-reed underline"
                    onClick={() => {
                      showPage(page.id);
                      useAudit.setState({ tab: 'page' });
                    }}
                  >
                    {page.name}
                  </button>
                  {audited?.problem && <span className="block text-rust">{audited.problem}</span>}
                </th>
                {counts.map(({ broken, poor }, column) => (
                  <td
                    key={column}
                    className={`px-2 py-1 font-mono ${broken > 0 ? 'text-rust' : broken + poor === 0 ? 'text-muted' : ''}`}
                  >
                    {audited?.state === 'done' ? (broken + poor === 0 ? '0' : `${broken} / ${poor}`) : '…'}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {trend.length > 1 && (
        <figure className="m-0" data-testid="trend">
          <figcaption className="text-muted">Findings over the last {trend.length} audits</figcaption>
          <div className="h-36">
            <ResponsiveContainer width="100%" height="100%">
              <LineChart data={trend} margin={{ top: 8, right: 12, bottom: 0, left: -20 }}>
                <XAxis dataKey="run" tick={{ fontSize: 11, fill: 'var(--color-muted)' }} stroke="var(--color-line-strong)" />
                <YAxis
                  allowDecimals={false}
                  tick={{ fontSize: 11, fill: 'var(--color-muted)' }}
                  stroke="var(--color-line-strong)"
                />
                <Tooltip
                  isAnimationActive={false}
                  labelFormatter={(_, items) => (items[0]?.payload as { at?: string } | undefined)?.at ?? ''}
                />
                <Line dataKey="broken" stroke="var(--color-rust)" isAnimationActive={false} />
                <Line dataKey="poor" stroke="var(--color-amber)" isAnimationActive={false} />
                <Line dataKey="note" stroke="var(--color-muted)" strokeDasharray="3 3" isAnimationActive={false} />
              </LineChart>
            </ResponsiveContainer>
          </div>
        </figure>
      )}
    </div>
  );
}
