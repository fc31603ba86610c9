import type { NextConfig } from 'next';

/** The content security policy is said with each answer (src/proxy.ts). */
const SECURITY = [
  { key: 'X-Content-Type-Options', value: 'nosniff' },
  { key: 'X-Frame-Options', value: 'DENY' },
  { key: 'Referrer-Policy', value: 'no-referrer' },
  { key: 'Cross-Origin-Opener-Policy', value: 'same-origin' },
];

/**
 * The framework cuts bodies before a proxy at 10 MB unless told otherwise, without a word to the route. The routes refuse
 * themselves what is over their own 64 MiB; a form adds a little.
 */
const MOST_BODY = '66mb';

const config: NextConfig = {
  experimental: { proxyClientMaxBodySize: MOST_BODY },
  reactStrictMode: true,
  poweredByHeader: false,
  devIndicators: false,
  // Types are checked by npm test, once.
  typescript: { ignoreBuildErrors: true },
  // They read their own files at run time.
  serverExternalPackages: ['pdfkit', 'svg-to-pdfkit', 'fontkit', 'piscina'],
  headers: () =>
    Promise.resolve(process.env.NODE_ENV === 'production' ? [{ source: '/:path*', headers: SECURITY }] : []),
};

export default config;
