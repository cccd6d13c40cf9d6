import type { NextConfig } from 'next';

const config: NextConfig = {
  // What is served stands beside what is being built.
  distDir: process.env.SHELF_BUILD || '.next',
  reactStrictMode: true,
  poweredByHeader: false,
  // The server does, streams excepted.
  compress: false,
  // More than the largest file that is taken in, so that a file is refused by its size in words and never cut short.
  experimental: { proxyClientMaxBodySize: '72mb' },
  // bin/test checks the types, with those of the tests.
  typescript: { ignoreBuildErrors: true },
  serverExternalPackages: [
    '@mikro-orm/core',
    '@mikro-orm/postgresql',
    '@mikro-orm/migrations',
    'pg',
    'pdfkit',
    '@resvg/resvg-wasm',
    'net-snmp',
    'piscina',
    'sharp',
    'esbuild',
  ],
  outputFileTracingRoot: import.meta.dirname,
  turbopack: { root: import.meta.dirname },
};

export default config;
