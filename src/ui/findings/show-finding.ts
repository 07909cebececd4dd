import type { Finding } from '@/core/audit';
import { select, setWidth } from '../view/actions';
import { useSession } from '../state/store';

/** Goes to a finding: its element selected, the width where it is worst. */
export function showFinding(finding: Finding): void {
  select([finding.element]);
  setWidth(finding.worst.width);
  useSession.setState({ selectedFinding: finding.key });
}
