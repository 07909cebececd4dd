import type { Project } from '@/core/document';
import type { Session } from './store';
import { useSession } from './store';

/** The session as it is just after a project was opened, at its first page. */
export function openForTests(project: Project, otherwise: Partial<Session> = {}): void {
  const pageId = project.pages[0]!.id;
  useSession.setState({ ...useSession.getInitialState(), project, confirmed: project, pageId, ...otherwise }, true);
}
