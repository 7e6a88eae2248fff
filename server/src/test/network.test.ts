import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { request as plainRequest } from 'node:http';
import { request as secureRequest } from 'node:https';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import pino from 'pino';
import { WebSocket } from 'ws';
import { fingerprintLines } from '#contract/wording/fingerprint-lines.ts';
import { listeningFault, readConfig } from '../config.ts';
import { type RunningServer, startServer } from '../server.ts';
import { startTestServer, type TestServer } from './harness.ts';

interface Answer {
  status: number;
  headers: Record<string, string | string[] | undefined>;
  text: string;
}

describe('a server on the shop’s network', () => {
  let behind: TestServer;
  let server: RunningServer;
  let ca = '';
  const folder = mkdtempSync(join(tmpdir(), 'wm-network-'));
  beforeAll(async () => {
    behind = await startTestServer();
    const tls = { folder, httpPort: 0 };
    server = await startServer(
      { ...behind.config, host: '0.0.0.0', hosts: ['harrow-lane.test'], tls },
      pino({ level: 'silent' }),
    );
    ca = readFileSync(join(folder, 'authority.crt'), 'utf8');
  });
  afterAll(async () => {
    await server.stop();
    await behind.stop();
    rmSync(folder, { recursive: true, force: true });
  });

  const ask = (secure: boolean, path: string, { method = 'GET', host = 'localhost', body = '', origin = '' } = {}) =>
    new Promise<Answer>((settle, reject) => {
      const port = secure ? server.port : server.httpPort;
      const headers = {
        host: `${host}:${port}`,
        ...(body === '' ? {} : { 'content-type': 'application/json', 'content-length': Buffer.byteLength(body) }),
        ...(origin === '' ? {} : { origin }),
      };
      const options = { host: '127.0.0.1', port, path, method, headers, agent: false as const };
      const asked = (secure ? secureRequest : plainRequest)(
        secure ? { ...options, ca, servername: host } : options,
        (response) => {
          let text = '';
          response
            .setEncoding('utf8')
            .on('data', (part: string) => {
              text += part;
            })
            .on('end', () => settle({ status: response.statusCode ?? 0, headers: response.headers, text }));
        },
      );
      asked.on('error', reject).end(body);
    });

  it('answers over TLS to whoever trusts the shop’s authority', async () =>
    expect(await ask(true, '/healthz')).toMatchObject({ status: 200, text: '{"alive":true}' }));
  it('signs people in with cookies that never leave TLS', async () => {
    const body = JSON.stringify({ person: 'u-vane', secret: '2468' });
    const { status, headers } = await ask(true, '/api/session', {
      method: 'POST',
      body,
      origin: `https://localhost:${server.port}`,
    });
    expect(status).toBe(201);
    const cookies = [headers['set-cookie'] ?? []].flat();
    expect(cookies.length).toBeGreaterThan(0);
    for (const cookie of cookies) expect(cookie).toMatch(/; Secure/);
  });
  it('carries live wrenches over TLS as well: without a session the socket is refused, not cut', async () => {
    const code = await new Promise<number>((settle, reject) => {
      const socket = new WebSocket(`wss://localhost:${server.port}/api/devices/w-1`, { ca });
      socket.on('unexpected-response', (_, response) => settle(response.statusCode ?? 0));
      socket.on('open', () => settle(101));
      socket.on('error', reject);
    });
    expect([101, 401, 404]).toContain(code);
  });
  it('plain HTTP sends everything on, and answers nothing of the shop', async () => {
    for (const [method, path] of [
      ['GET', '/'],
      ['GET', '/jobs/1?tab=2'],
      ['GET', '/api/session'],
      ['POST', '/api/session'],
    ] as const) {
      const { status, headers, text } = await ask(false, path, { method, host: 'harrow-lane.test' });
      expect([status, headers.location, text]).toEqual([308, `https://harrow-lane.test:${server.port}${path}`, '']);
    }
  });
  it('gives tablets the authority, and the letters to compare', async () => {
    const page = await ask(false, '/trust');
    expect(page.status).toBe(200);
    for (const line of fingerprintLines(server.fingerprint ?? '')) expect(page.text).toContain(line);
    expect(page.headers['content-security-policy']).toContain("default-src 'none'");
    const file = await ask(false, '/trust/wrenchman-shop.crt');
    expect(file).toMatchObject({ status: 200, text: ca });
    expect(file.headers['content-type']).toBe('application/x-x509-ca-cert');
    expect(file.text).not.toContain('PRIVATE');
  });
  it('answers to no name that is not its own, on either port (DNS rebinding)', async () => {
    expect((await ask(false, '/trust', { host: 'elsewhere.test' })).status).toBe(421);
    const other = await ask(true, '/healthz', { host: 'harrow-lane.test' });
    expect(other.status).toBe(200);
  });
});

describe('the network in the configuration', () => {
  const given = { DB_PORT: '3306', DB_PASSWORD: 'long-enough' };
  it.each(['0.0.0.0', '192.168.7.20', 'harrow-lane.test', '::'])('HOST %s without TLS is refused by name', (HOST) =>
    expect(listeningFault(readConfig({ ...given, HOST }))).toMatch(/HOST .* only with TLS/),
  );
  it.each(['127.0.0.1', 'localhost', '::1', '127.0.0.9'])('HOST %s needs none', (HOST) =>
    expect(listeningFault(readConfig({ ...given, HOST }))).toBeUndefined(),
  );
  it('and no server starts so, before it touches the database', async () => {
    const config = {
      ...readConfig({ ...given, HOST: '0.0.0.0' }),
      database: { host: '0.0.0.0', port: 1, username: '', password: '', database: '' },
    };
    await expect(startServer(config, pino({ level: 'silent' }))).rejects.toThrow(/only with TLS/);
  });
  it('with a folder of certificates it has one', () =>
    expect(readConfig({ ...given, HOST: '0.0.0.0', TLS_DIR: '/x', HTTP_PORT: '4601' }).tls).toEqual({
      folder: '/x',
      httpPort: 4601,
    }));
});
