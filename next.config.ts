import type { NextConfig } from 'next';

// Of scripts 'unsafe-inline' stands for the framework's own bootstrap until scripts/policy.mjs puts the hashes of these in its place after a build; style
// attributes need it. 'unsafe-eval' is never allowed; WebAssembly, which paints drawings for DOCX, is.
const contentSecurityPolicy = [
  "default-src 'self'",
  `script-src 'self' 'unsafe-inline' 'wasm-unsafe-eval'${process.env.NODE_ENV === 'development' ? " 'unsafe-eval'" : ''}`,
  "style-src 'self' 'unsafe-inline'",
  "img-src 'self' data: blob:",
  "font-src 'self' data:",
  "worker-src 'self' blob:",
  "connect-src 'self'",
  "manifest-src 'self'",
  "object-src 'none'",
  "base-uri 'self'",
  "form-action 'self'",
  "frame-ancestors 'none'",
].join('; ');

// Static files for any plain web host: without the answers of a server, and with a folder for each page.
const isExport = process.env.INTARSIA_EXPORT === '1';

const config: NextConfig = {
  ...(isExport ? { output: 'export', distDir: '.next-export', trailingSlash: true, pageExtensions: ['tsx'] } : {}),
  reactStrictMode: true,
  poweredByHeader: false,
  outputFileTracingRoot: import.meta.dirname,
  turbopack: { root: import.meta.dirname },
  headers: isExport
    ? undefined
    : async () => [
        {
          source: '/:path*',
          headers: [
            { key: 'Content-Security-Policy', value: contentSecurityPolicy },
            { key: 'X-Content-Type-Options', value: 'nosniff' },
            { key: 'Referrer-Policy', value: 'no-referrer' },
          ],
        },
      ],
};
export default config;
