import type { NextConfig } from 'next';

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  devIndicators: false,
  serverExternalPackages: ['better-sqlite3', 'highs', 'knex', 'elkjs'],
  // Sheets are read from disk at run time and must follow the server wherever it is traced to.
  outputFileTracingIncludes: { '/*': ['./src/sheets/**/*'] },
  experimental: {
    optimizePackageImports: ['antd', '@ant-design/icons'],
    // The first page after a start waits for its own code, not for that of all pages.
    preloadEntriesOnStart: false,
  },
};

export default config;
