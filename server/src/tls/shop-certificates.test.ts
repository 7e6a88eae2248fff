import { execFileSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { createServer, get } from 'node:https';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { CertificateFault, isPrivateAddress, type ShopCertificates, shopCertificates } from './shop-certificates.ts';

const NOW_MS = Date.now();
const DAY_MS = 86_400_000;
const NAMES = ['harrow-lane.test', 'localhost', '127.0.0.1', '192.168.7.20'];

let folder: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'wm-tls-'));
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

const make = (names: readonly string[] = NAMES, nowMs = NOW_MS, own: readonly string[] = ['bench-pc']) =>
  shopCertificates(folder, names, own, nowMs);
const openssl = (...args: string[]) => execFileSync('openssl', args, { encoding: 'utf8', stdio: 'pipe' });
const fault = (made: Promise<unknown>): Promise<string> =>
  made.then(
    () => 'none',
    (error: unknown) => (error instanceof CertificateFault ? error.message : `another: ${String(error)}`),
  );

/** Asks an https server that shows these certificates, trusting what is given. */
async function ask(shown: ShopCertificates, ca: string | undefined, host: string): Promise<string> {
  const server = createServer({ cert: shown.certPem, key: shown.keyPem }, (_, response) => response.end('here'));
  await new Promise<void>((settle) => server.listen(0, '127.0.0.1', settle));
  try {
    return await new Promise<string>((settle) => {
      const options = { host: '127.0.0.1', port: (server.address() as AddressInfo).port, servername: host, ca };
      const checked = { ...options, headers: { host }, agent: false as const };
      get(checked, (response) => {
        response.setEncoding('utf8').on('data', settle);
      }).on('error', (error: NodeJS.ErrnoException) => settle(error.code ?? error.message));
    });
  } finally {
    server.close();
  }
}

describe('the shop’s certificates', () => {
  it('are whole by another program’s judgement (openssl verify), for each name and address', async () => {
    await make();
    for (const name of NAMES) {
      const check = /^[\d.]+$/.test(name) ? ['-verify_ip', name] : ['-verify_hostname', name];
      const said = openssl(
        'verify',
        '-x509_strict',
        '-CAfile',
        join(folder, 'authority.crt'),
        ...check,
        join(folder, 'server.crt'),
      );
      expect(said).toContain('OK');
    }
  });
  it('are trusted by whoever trusts the authority, and by nobody else', async () => {
    const made = await make();
    expect(await ask(made, made.caPem, 'harrow-lane.test')).toBe('here');
    expect(await ask(made, undefined, 'harrow-lane.test')).toMatch(/UNABLE_TO_VERIFY|SELF_SIGNED/);
    expect(await ask(made, made.caPem, 'elsewhere.test')).toBe('ERR_TLS_CERT_ALTNAME_INVALID');
  });
  it('cannot vouch for the public internet, even with the authority’s key in hand (RFC 5280, 4.2.1.10)', async () => {
    await make();
    const at = (file: string) => join(folder, file);
    openssl(
      'req',
      '-new',
      '-newkey',
      'ec',
      '-pkeyopt',
      'ec_paramgen_curve:P-256',
      '-nodes',
      '-subj',
      '/CN=x',
      '-keyout',
      at('x.key'),
      '-out',
      at('x.csr'),
    );
    writeFileSync(at('x.ext'), 'subjectAltName=DNS:bank.example\n');
    openssl(
      'x509',
      '-req',
      '-in',
      at('x.csr'),
      '-CA',
      at('authority.crt'),
      '-CAkey',
      at('authority.key'),
      '-CAcreateserial',
      '-extfile',
      at('x.ext'),
      '-days',
      '30',
      '-out',
      at('x.crt'),
    );
    expect(() => openssl('verify', '-CAfile', at('authority.crt'), at('x.crt'))).toThrow(/permitted subtree violation/);
  });
  it('have serial numbers that are positive, as short as DER wants them, and never the same', async () => {
    await make();
    const serials = ['authority.crt', 'server.crt'].map((file) =>
      openssl('x509', '-in', join(folder, file), '-noout', '-serial').trim(),
    );
    for (const said of serials) expect(said).toMatch(/^serial=[4-7][0-9A-F]{31}$/);
    expect(new Set(serials).size).toBe(2);
  });
  it('stay the same from start to start, and only this account reads them', async () => {
    const first = await make();
    expect(await make()).toEqual(first);
    expect(first.fingerprint).toMatch(/^([0-9A-F]{2}:){31}[0-9A-F]{2}$/);
    const said = openssl('x509', '-in', join(folder, 'authority.crt'), '-noout', '-fingerprint', '-sha256');
    expect(said).toContain(first.fingerprint);
    for (const file of readdirSync(folder)) expect(statSync(join(folder, file)).mode & 0o077).toBe(0);
  });
  it('near its end, or with a new address, the server’s is made anew under the same authority', async () => {
    const first = await make();
    const later = await make(NAMES, NOW_MS + 360 * DAY_MS);
    expect(later.certPem).not.toBe(first.certPem);
    expect(later.caPem).toBe(first.caPem);
    const moved = await make([...NAMES, '10.1.2.3']);
    expect(moved.certPem).not.toBe(later.certPem);
    expect(await ask(moved, first.caPem, 'harrow-lane.test')).toBe('here');
  });
});

describe('what the machine calls itself', () => {
  it('is carried where the authority may vouch for it; another name later is left out and stops nothing', async () => {
    const first = await make();
    expect(await ask(first, first.caPem, 'bench-pc')).toBe('here');
    const renamed = await make(NAMES, NOW_MS, ['other-pc']);
    expect(await ask(renamed, first.caPem, 'other-pc')).toBe('ERR_TLS_CERT_ALTNAME_INVALID');
    expect(await ask(renamed, first.caPem, 'harrow-lane.test')).toBe('here');
  });
});

describe('what cannot be used is said in one sentence', () => {
  it('a host name the authority does not vouch for', async () => {
    await make();
    expect(await fault(make([...NAMES, 'second.test']))).toMatch(/not for second\.test/);
  });
  it('an address of the internet', async () => {
    expect(await fault(make([...NAMES, '203.0.113.5']))).toMatch(/203\.0\.113\.5 is no address of a private network/);
  });
  it.each([
    ['192.168.7.20', true],
    ['172.31.255.1', true],
    ['172.32.0.1', false],
    ['8.8.8.8', false],
    ['fd00::1', true],
    ['2001:db8::1', false],
    ['::1', true],
  ])('%s is private: %s (RFC 1918, RFC 4193)', (address, expected) => expect(isPrivateAddress(address)).toBe(expected));
  it('an authority that has ended', async () => {
    await make();
    expect(await fault(make(NAMES, NOW_MS + 4000 * DAY_MS))).toMatch(/authority ended on \d{4}-/);
  });
  it.each([
    ['authority.crt', /authority\.crt is no certificate/],
    ['server.crt', /server\.crt is no certificate/],
  ])('%s damaged', async (file, words) => {
    await make();
    writeFileSync(join(folder, file), readFileSync(join(folder, file), 'utf8').slice(0, 120));
    expect(await fault(make())).toMatch(words);
  });
  it('the authority’s key gone or damaged', async () => {
    await make();
    writeFileSync(join(folder, 'authority.key'), 'no key');
    expect(await fault(make([...NAMES, '10.1.2.3']))).toMatch(/authority\.key is no key/);
    rmSync(join(folder, 'authority.key'));
    expect(await fault(make())).toMatch(/one is missing/);
  });
});
