import type { NextConfig } from 'next';

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  devIndicators: false,
  // Types are checked by npm test, once.
  typescript: { ignoreBuildErrors: true },
  // They read their own files at run time.
  serverExternalPackages: ['pdfkit', 'svg-to-pdfkit', 'fontkit'],
};

export default config;
