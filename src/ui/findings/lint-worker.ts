import type { Project } from '@/core/document';
import { lintProject } from '@/core/lints';

// Runs beside the page, so that a large project never keeps it waiting.
addEventListener('message', (event: MessageEvent<{ ticket: number; project: Project }>) => {
  const { ticket, project } = event.data;
  postMessage({ ticket, findings: lintProject(project) });
});
