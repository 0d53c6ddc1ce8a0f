import type { NextConfig } from 'next';

const config: NextConfig = {
  serverExternalPackages: ['sequelize', 'sqlite3', 'pdfkit', 'svg-to-pdfkit', 'umzug'],
  poweredByHeader: false,
  reactStrictMode: true,
  devIndicators: false,
  outputFileTracingRoot: import.meta.dirname,
};

export default config;
