import type { NextConfig } from 'next';
import createNextIntlPlugin from 'next-intl/plugin';

const config: NextConfig = {
  serverExternalPackages: ['sequelize', 'sqlite3', 'pdfkit', 'svg-to-pdfkit', 'umzug'],
  poweredByHeader: false,
  reactStrictMode: true,
  devIndicators: false,
  // Types are checked by `npm test`, once for all of the repository.
  typescript: { ignoreBuildErrors: true },
  outputFileTracingRoot: import.meta.dirname,
};

export default createNextIntlPlugin('./src/words/request.ts')(config);
