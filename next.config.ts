import type { NextConfig } from 'next';

const config: NextConfig = {
  distDir: process.env.MILLPOND_DIST ?? '.next',
  poweredByHeader: false,
  devIndicators: false,
  // Served on loopback only: packing and unpacking would cost more time than it saves.
  compress: false,
  // Of a build, half of the work was to make the server's code small, which is read from the disk, and maps and caches of builds for
  // whoever builds many times a day.
  experimental: { serverMinification: false, turbopackSourceMaps: false, turbopackFileSystemCacheForBuild: false },
  serverExternalPackages: ['fontkit', 'sharp', 'subset-font', 'playwright-core', 'pg', 'pg-boss', 'pino', 'rotating-file-stream'],
  // `npm test` runs the type check on its own; doing it again in each build only makes the start slow.
  typescript: { ignoreBuildErrors: true },
  // Pages have a policy for scripts besides, with a nonce for each: see src/proxy.ts.
  headers: async () => [
    {
      source: '/api/:path*',
      headers: [{ key: 'Content-Security-Policy', value: "default-src 'none'; frame-ancestors 'none'; sandbox" }],
    },
    {
      source: '/:path*',
      headers: [
        { key: 'X-Content-Type-Options', value: 'nosniff' },
        { key: 'Referrer-Policy', value: 'same-origin' },
        { key: 'Cross-Origin-Opener-Policy', value: 'same-origin' },
        { key: 'Cross-Origin-Resource-Policy', value: 'same-origin' },
      ],
    },
  ],
};

export default config;
