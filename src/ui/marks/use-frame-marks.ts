import { useEffect, useMemo } from 'react';
import type { RefObject } from 'react';
import { contains } from '@/core/breakpoints';
import type { Finding } from '@/core/audit';
import { findingsOn, isWrong } from '@/core/audit';
import { tellFrame } from '../preview/frame-port';
import { useSession, useMarks } from '../state/store';

const NONE: readonly Finding[] = [];

/** The findings of the page on screen at a width. */
function useFindingsAt(width: number): readonly Finding[] {
  const findings = useSession((session) => session.findings[session.pageId] ?? NONE);
  return useMemo(() => findings.filter((finding) => contains(finding.widths, width)), [findings, width]);
}

/** How much is wrong with the page on screen on a device, as its audit and its reports say. */
export function useWrongOn({ width, height }: { readonly width: number; readonly height: number }): number {
  const findings = useSession((session) => session.findings[session.pageId] ?? NONE);
  const range = useSession((session) => session.project.audit.range);
  return useMemo(() => findingsOn(findings, { width, height }, range).filter(isWrong).length, [findings, width, height, range]);
}

/** Keeps a frame told which marks it is to draw itself: those that stand where its elements stand. */
export function useFrameMarks(frame: RefObject<HTMLIFrameElement | null>, width: number, ready: boolean): void {
  const outlines = useMarks((marks) => marks.outlines);
  const taps = useMarks((marks) => marks.taps);
  const shown = useMarks((marks) => marks.findings);
  const found = useFindingsAt(width);
  const drawn = shown
    ? [...new Map(found.map(({ element, severity }) => [element, severity]))].map(([id, severity]) => `${id} ${severity}`)
    : [];
  const text = drawn.join(',');
  useEffect(() => {
    if (!ready) return;
    const findings = text.split(',').flatMap((one) => {
      const [id, severity] = one.split(' ');
      return id && severity ? [{ id, severity }] : [];
    });
    tellFrame(frame.current, { type: 'marks', marks: { outlines, taps, findings } });
  }, [frame, ready, outlines, taps, text]);
}
