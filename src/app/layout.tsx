import type { Metadata } from 'next';
import type { ReactNode } from 'react';
import '@fontsource-variable/schibsted-grotesk/wght.css';
import '@fontsource-variable/spline-sans-mono/wght.css';
import '@/ui/theme/theme.css';

// Each page has a nonce of its own for its scripts, so none is made ahead.
export const dynamic = 'force-dynamic';

export const metadata: Metadata = {
  title: { default: 'Mill Pond', template: '%s · Mill Pond' },
  description: 'Breakpoints, cascading overrides and exact audits for responsive pages',
};

export default function Layout({ children }: { children: ReactNode }) {
  return (
    <html lang="en">
      <body>{children}</body>
    </html>
  );
}
