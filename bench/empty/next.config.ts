import { join } from 'node:path';
import type { NextConfig } from 'next';

const config: NextConfig = {
  reactStrictMode: true,
  compiler: { styledComponents: true },
  turbopack: { root: join(import.meta.dirname, '../..') },
};

export default config;
