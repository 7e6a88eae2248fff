import { createServer, type Server } from 'node:http';
import { TRUST_PAGE } from '#contract/wording/en/trust-page.ts';
import { fingerprintLines } from '#contract/wording/fingerprint-lines.ts';
import { isKnownHost } from '../http/known-host.ts';
import type { ShopCertificates } from './shop-certificates.ts';

/** Where a tablet fetches what it must trust before it can come over TLS. */
export const TRUST_PATH = '/trust';
export const TRUST_FILE = '/trust/wrenchman-shop.crt';

const html = (text: string): string => text.replace(/[&<>"]/g, (letter) => `&#${letter.charCodeAt(0)};`);

/** The page a tablet sees when it follows the code on a lead's screen: nothing but what to trust, and how. */
const trustPage = ({ fingerprint }: ShopCertificates, secureUrl: string): string => `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<title>${html(TRUST_PAGE.title)}</title>
<style>body{font:18px/1.5 sans-serif;max-width:38rem;margin:2rem auto;padding:0 1rem;color:#101a22;background:#f7f9f8}
a{display:block;padding:1rem;margin:1rem 0;border:2px solid #101a22;color:#101a22;font-weight:700;text-align:center}
code{display:block;font:16px/1.7 monospace;overflow-wrap:anywhere;border-left:4px solid #101a22;padding-left:.75rem}</style></head>
<body><h1>${html(TRUST_PAGE.title)}</h1>
<a href="${TRUST_FILE}" download>${html(TRUST_PAGE.fetch)}</a>
<p>${html(TRUST_PAGE.install)}</p>
<p>${html(TRUST_PAGE.compare)}</p><code>${fingerprintLines(fingerprint).join('<br>')}</code>
<p>${html(TRUST_PAGE.differs)}</p>
<a href="${html(secureUrl)}">${html(TRUST_PAGE.goOn)}</a>
</body></html>`;

/**
 * Plain HTTP beside a server on the network: it sends everything on to TLS, and gives tablets the shop's authority.
 * Nothing of the shop is ever answered here.
 *
 * @param names - host names it answers to, beside addresses
 */
export function plainHttp(certificates: ShopCertificates, securePort: () => number, names: readonly string[]): Server {
  return createServer((request, response) => {
    const { host } = request.headers;
    const end = (status: number, headers: Record<string, string>, body = '') =>
      response
        .writeHead(status, { 'X-Content-Type-Options': 'nosniff', 'Cache-Control': 'no-store', ...headers })
        .end(body);
    if (!isKnownHost(host, names)) return end(421, { 'Content-Type': 'text/plain' }, 'Not a name of this server.\n');
    const secure = `https://${(host ?? '').replace(/:\d+$/, '')}:${securePort()}`;
    const path = request.url?.startsWith('/') ? request.url : '/';
    const reading = request.method === 'GET' || request.method === 'HEAD';
    if (reading && path === TRUST_FILE)
      return end(200, { 'Content-Type': 'application/x-x509-ca-cert' }, certificates.caPem);
    if (reading && path === TRUST_PATH)
      return end(
        200,
        {
          'Content-Type': 'text/html; charset=utf-8',
          'Content-Security-Policy': "default-src 'none'; style-src 'unsafe-inline'; frame-ancestors 'none'",
        },
        trustPage(certificates, secure),
      );
    return end(308, { Location: `${secure}${path}` });
  });
}
