import type { NextConfig } from 'next';

/** Everything comes from the application itself; the engraver is WebAssembly, pages start with scripts of their own. */
const POLICY = [
  "default-src 'self'",
  "script-src 'self' 'unsafe-inline' 'wasm-unsafe-eval'",
  "style-src 'self' 'unsafe-inline'",
  "img-src 'self' data: blob:",
  "font-src 'self' data:",
  "media-src 'self' blob:",
  "worker-src 'self' blob:",
  "connect-src 'self' data: blob:",
  "object-src 'none'",
  "base-uri 'self'",
  "form-action 'self'",
  "frame-ancestors 'none'",
].join('; ');

const SECURITY = [
  { key: 'Content-Security-Policy', value: POLICY },
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
  // Development needs eval and a socket; what is served to people does not.
  headers: () =>
    Promise.resolve(process.env.NODE_ENV === 'production' ? [{ source: '/:path*', headers: SECURITY }] : []),
};

export default config;
