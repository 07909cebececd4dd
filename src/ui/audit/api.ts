import type { Finding } from '@/core/audit';
import type { Edit } from '@/core/edits';
import type { FixLine } from '@/core/remedy';
import { postForAnswer, requestJson, streamLines } from '../requests/requests';
import { useSession } from '../state/store';
import { settled } from '../editing/sync';

export interface AuditRun {
  readonly id: string;
  readonly revision: number;
  readonly createdAt: string;
  readonly pages: readonly {
    readonly page: string;
    readonly state: 'waiting' | 'running' | 'done' | 'failed';
    readonly decided: number;
    readonly layouts: number;
    readonly findings: readonly Finding[];
    readonly problem: string | null;
  }[];
}

/** What the server needs of a finding; the rest is its own affair. */
const plain = ({ accepted: _, ...finding }: Finding) => finding;

/** What the server takes at once. */
const FINDINGS_MOST = 1_000;

export function streamFixes(findings: readonly Finding[], signal: AbortSignal): AsyncGenerator<FixLine> {
  const { projectId, pageId, revision } = useSession.getState();
  const body = { page: pageId, revision, findings: findings.slice(0, FINDINGS_MOST).map(plain) };
  return streamLines(`/api/projects/${projectId}/fixes`, body, signal) as AsyncGenerator<FixLine>;
}

export function streamMend(findings: readonly Finding[], signal: AbortSignal): AsyncGenerator<FixLine> {
  const { projectId, pageId, revision } = useSession.getState();
  const body = { page: pageId, revision, findings: findings.slice(0, FINDINGS_MOST).map(plain) };
  return streamLines(`/api/projects/${projectId}/mend`, body, signal) as AsyncGenerator<FixLine>;
}

/** A picture of a finding where it is worst, as an address for an `<img>`. */
export async function askPicture(finding: Finding, signal: AbortSignal): Promise<string> {
  await settled();
  const { projectId, pageId, revision } = useSession.getState();
  const body = { page: pageId, revision, finding: plain(finding) };
  const answer = await postForAnswer(`/api/projects/${projectId}/finding-picture`, body, signal);
  return URL.createObjectURL(await answer.blob());
}

/** What is pictured: the page at a width, around an element, as it is or as an edit would make it. */
export interface PictureWish {
  readonly width: number;
  readonly element?: string | undefined;
  readonly sample?: string | undefined;
  readonly edit?: Edit | undefined;
}

/** A picture of the page with an edit that isn't made, as an address for an `<img>`. */
export async function askEditPicture(wish: PictureWish, signal: AbortSignal): Promise<string> {
  await settled();
  const { projectId, pageId, revision } = useSession.getState();
  const body = { page: pageId, revision, ...wish };
  const answer = await postForAnswer(`/api/projects/${projectId}/edit-picture`, body, signal);
  return URL.createObjectURL(await answer.blob());
}

export async function askRuns(): Promise<{ runs: readonly AuditRun[]; total: number }> {
  const { projectId } = useSession.getState();
  return (await requestJson(`/api/projects/${projectId}/audits`)) as { runs: AuditRun[]; total: number };
}

export async function orderRun(): Promise<void> {
  await settled();
  const { projectId, revision } = useSession.getState();
  await requestJson(`/api/projects/${projectId}/audits`, { method: 'POST', body: { revision } });
}

export async function stopRun(run: string): Promise<void> {
  const { projectId } = useSession.getState();
  await requestJson(`/api/projects/${projectId}/audits/${run}`, { method: 'DELETE' });
}
