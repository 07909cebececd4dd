'use client';

import '@/ui/theme/theme.css';
import { Broken } from '@/ui/screens/Broken';

export default function Failed({ error, reset }: { error: Error & { digest?: string }; reset: () => void }) {
  return (
    <html lang="en">
      <body>
        <Broken error={error} again={reset} />
      </body>
    </html>
  );
}
