import Link from 'next/link';
import { Screen } from '@/ui/screens/Screen';
import { YES_BUTTON } from '@/ui/theme/controls';

export default function NotFound() {
  return (
    <Screen
      title="There is nothing at this address"
      ways={
        <Link href="/" className={`${YES_BUTTON} no-underline`}>
          To all projects
        </Link>
      }
    >
      <p>Mill Pond has a list of projects, and a workbench for each. The address may be cut off or mistyped.</p>
    </Screen>
  );
}
