import { ProjectList } from '@/ui/projects/ProjectList';

export default function Page() {
  return <ProjectList />;
}
