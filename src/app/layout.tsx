import type { Metadata } from 'next';
import { cookies } from 'next/headers';
import type { ReactNode } from 'react';
import '@fontsource-variable/schibsted-grotesk/wght.css';
import '@fontsource-variable/spline-sans-mono/wght.css';
import '@/ui/theme/theme.css';
import { DENSITY_COOKIE, readLooks, THEME_COOKIE } from '@/ui/theme/preferences';

// Each page has a nonce of its own for its scripts, so none is made ahead.
export const dynamic = 'force-dynamic';

export const metadata: Metadata = {
  title: { default: 'Mill Pond', template: '%s · Mill Pond' },
  description: 'Breakpoints, cascading overrides and exact audits for responsive pages',
};

export default async function Layout({ children }: { children: ReactNode }) {
  const kept = await cookies();
  const { theme, density } = readLooks(kept.get(THEME_COOKIE)?.value, kept.get(DENSITY_COOKIE)?.value);
  return (
    <html lang="en" data-theme={theme} data-density={density}>
      <body>{children}</body>
    </html>
  );
}
