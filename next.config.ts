import type { NextConfig } from 'next';

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  compiler: { styledComponents: true },
  turbopack: { root: import.meta.dirname },
  serverExternalPackages: ['@node-rs/argon2', 'mysql2', 'pino', 'pino-roll', 'rate-limiter-flexible', 'prom-client', '@react-pdf/renderer'],
  devIndicators: false,
  // Pictures here are drawings: nothing is to be fetched, resized or kept in a cache for them.
  images: { unoptimized: true },
  // scripts/lib/build.mjs checks them, with the tests' own, and remembers what it has seen.
  typescript: { ignoreBuildErrors: true },
};

export default config;
