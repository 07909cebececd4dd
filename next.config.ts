import type { NextConfig } from 'next';

const development = process.env.NODE_ENV === 'development';

// Preview frames are `srcdoc` documents and take over this policy, so it must allow inline data pictures and fonts;
// each frame narrows it further with a policy of its own (see ui/stage/frame-document.ts).
const policy = [
  "default-src 'self'",
  "img-src 'self' data: blob:",
  "font-src 'self' data:",
  "style-src 'self' 'unsafe-inline'",
  `script-src 'self' 'unsafe-inline'${development ? " 'unsafe-eval'" : ''}`,
  "connect-src 'self'",
  "frame-ancestors 'none'",
  "base-uri 'self'",
  "form-action 'self'",
].join('; ');

const config: NextConfig = {
  distDir: process.env.MILLPOND_DIST ?? '.next',
  poweredByHeader: false,
  devIndicators: false,
  serverExternalPackages: ['playwright-core', 'pg', 'pg-boss', 'pino'],
  // `npm test` runs the type check on its own; doing it again in each build only makes the start slow.
  typescript: { ignoreBuildErrors: true },
  headers: async () => [
    {
      source: '/:path*',
      headers: [
        { key: 'Content-Security-Policy', value: policy },
        { key: 'X-Content-Type-Options', value: 'nosniff' },
        { key: 'Referrer-Policy', value: 'same-origin' },
      ],
    },
  ],
};

export default config;
