'use client';

import { Broken } from '@/ui/screens/Broken';

export default function Failed({ error, reset }: { error: Error & { digest?: string }; reset: () => void }) {
  return <Broken error={error} again={reset} />;
}
