import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { fromBufferPromise } from 'yauzl';
import { type Manifest, ManifestSchema } from '#contract/archive.ts';
import { likelyMapping, readRows } from '#contract/moving-in/read-rows.ts';
import { readTableFile } from '#contract/moving-in/table-file.ts';
import { readKit } from '#contract/read-kit.ts';
import { checkRecord } from '../../../verify/record.mjs';
import { readArchive } from '../archive/read-archive.ts';
import { ARCHIVED, LEFT_BEHIND } from '../archive/table-plan.ts';
import { Device, fitter, guardToClosed, openGuard, startTestServer, type TestServer } from './harness.ts';

/** The smallest PNG there is. */
const PNG = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR4nGNgYGBgAAAABQABh6FO1AAAAABJRU5ErkJggg==',
  'base64',
);

let server: TestServer;
let lead: Device;
beforeAll(async () => {
  server = await startTestServer();
  lead = await fitter(server, 'u-orrin', '1357');
  const mira = await fitter(server);
  const job = await openGuard(mira);
  await mira.request('POST', `/api/jobs/${job}/photos`, PNG, { 'Content-Type': 'image/png' });
  await mira.send(job, ...guardToClosed.map((command) => mira.input(command)));
});
afterAll(() => server.stop());

async function fetched(from: Device, secret: string): Promise<Buffer> {
  const asked = await from.request('POST', '/api/archive', { secret });
  expect(asked.status).toBe(201);
  const { ticket } = (await asked.json()) as { ticket: string };
  const response = await from.request('GET', `/api/archive/${ticket}`);
  expect(response.headers.get('content-disposition')).toMatch(/wrenchman-\d{4}-\d\d-\d\d\.zip/);
  const bytes = Buffer.from(await response.arrayBuffer());
  // It is fetched once.
  expect((await from.request('GET', `/api/archive/${ticket}`)).status).toBe(404);
  return bytes;
}

async function filesOf(bytes: Buffer): Promise<Map<string, Buffer>> {
  const zip = await fromBufferPromise(bytes, { lazyEntries: true, autoClose: false });
  const files = new Map<string, Buffer>();
  for await (const entry of zip.eachEntry()) {
    const parts: Buffer[] = [];
    for await (const part of await zip.openReadStreamPromise(entry)) parts.push(part as Buffer);
    files.set(entry.fileName, Buffer.concat(parts));
  }
  return files;
}

const text = (files: Map<string, Buffer>, name: string): string => files.get(name)?.toString('utf8') ?? '';
const manifestOf = (files: Map<string, Buffer>): Manifest =>
  ManifestSchema.parse(JSON.parse(text(files, 'manifest.json')));
const kept = (bytes: Buffer): string => {
  const path = join(mkdtempSync(join(tmpdir(), 'wm-archive-')), 'shop.zip');
  writeFileSync(path, bytes);
  return path;
};

describe('the whole shop as one file', () => {
  it('has a place for every table of the database, or says why not', async () => {
    const tables: Array<{ name: string }> = await server.source.query(
      'SELECT TABLE_NAME AS name FROM information_schema.TABLES WHERE TABLE_SCHEMA = DATABASE()',
    );
    const placed = [...ARCHIVED.map(({ name }) => name), ...Object.keys(LEFT_BEHIND)].sort();
    expect(placed).toEqual(tables.map(({ name }) => name).sort());
  });

  it('holds no secret, and open files that this product reads by its usual doors', async () => {
    const files = await filesOf(await fetched(lead, '1357'));
    const all = [...files.values()].map((bytes) => bytes.toString('latin1')).join('\n');
    expect(all).not.toContain('$argon2');
    for (const { token_hash: token } of await server.source.query('SELECT token_hash FROM device'))
      expect(all).not.toContain(token);
    for (const book of ['vehicles', 'wrenches', 'tools', 'compounds', 'fasteners', 'people'] as const) {
      const table = readTableFile(text(files, `open/${book}.csv`));
      if (!table.ok) throw new Error(`${book}: ${table.error.reason}`);
      const rows = readRows(book, table.value, likelyMapping(book, table.value.headings));
      expect([book, rows.flatMap(({ faults }) => faults)]).toEqual([book, []]);
      expect(rows.length).toBeGreaterThan(0);
    }
    const kits = [...files.keys()].filter((name) => name.startsWith('open/kits/'));
    expect(kits.length).toBeGreaterThan(5);
    for (const name of kits) expect([name, readKit(text(files, name)).ok]).toEqual([name, true]);
    const records = [...files.keys()].filter((name) => name.startsWith('open/records/'));
    const key = text(files, 'open/public-key.txt').trim();
    const found = records.map((name) => checkRecord(JSON.parse(text(files, name)), key));
    expect(found.flat().filter(({ severity }) => severity === 'altered')).toEqual([]);
    expect(found.some((findings) => !findings.some(({ code }) => code === 'closingMissing'))).toBe(true);
  });

  it('reads back equal into an empty installation, which goes on with it', async () => {
    const bytes = await fetched(lead, '1357');
    const empty = await startTestServer(undefined, { seed: false });
    try {
      const read = await readArchive(empty.source, kept(bytes), empty.config.sealDir);
      expect(read).toMatchObject({ shop: 'Harrow Lane Fitting Shop', lead: { name: 'Rafe Orrin' } });
      const again = new Device(empty);
      expect((await again.signIn('u-orrin', read.lead.pin)).status).toBe(201);
      const [before, after] = [await filesOf(bytes), await filesOf(await fetched(again, read.lead.pin))];
      // But for the device the lead just signed in on.
      const tables = (files: Map<string, Buffer>) =>
        [...files].filter(([name]) => /^(tables|files)\//.test(name) && name !== 'tables/device.ndjson');
      expect(tables(after).map(([name]) => name)).toEqual(tables(before).map(([name]) => name));
      for (const [name, content] of tables(before))
        expect([name, after.get(name)?.equals(content)]).toEqual([name, true]);
      expect(text(after, 'tables/device.ndjson')).toContain(text(before, 'tables/device.ndjson').split('\n')[0]);
      expect(manifestOf(before).files.find(({ name }) => name.startsWith('files/photo/'))?.bytes).toBe(PNG.length);
      // The server's own account goes on with what the owner read in.
      const job = await openGuard(again);
      expect((await again.job(job)).number).toBeTruthy();
      // Nobody else's PIN came along.
      expect((await new Device(empty).signIn('u-vane', '2468')).status).toBe(401);
      await expect(readArchive(empty.source, kept(bytes), empty.config.sealDir)).rejects.toThrow('a shop here already');
    } finally {
      await empty.stop();
    }
  });

  it('refuses what was altered, cut off, or is no archive, and leaves the installation empty', async () => {
    const bytes = await fetched(lead, '1357');
    const empty = await startTestServer(undefined, { seed: false });
    try {
      const altered = Buffer.from(bytes);
      // In a table's packed bytes, behind the name in its header: between two files a byte may mean nothing.
      const name = 'tables/job_event.ndjson';
      const packed = bytes.indexOf(name) + name.length + 100;
      altered.writeUInt8((altered.readUInt8(packed) + 1) % 256, packed);
      await expect(readArchive(empty.source, kept(altered), empty.config.sealDir)).rejects.toThrow();
      await expect(
        readArchive(empty.source, kept(bytes.subarray(0, bytes.length / 2)), empty.config.sealDir),
      ).rejects.toThrow('cut off');
      await expect(readArchive(empty.source, kept(Buffer.from('no zip')), empty.config.sealDir)).rejects.toThrow(
        'no ZIP',
      );
      const [{ shops }] = await empty.source.query('SELECT COUNT(*) AS shops FROM shop');
      expect(Number(shops)).toBe(0);
    } finally {
      await empty.stop();
    }
  });

  it('is a lead’s, with their own PIN', async () => {
    const mira = await fitter(server);
    expect((await mira.request('POST', '/api/archive', { secret: '2468' })).status).toBe(403);
    expect((await lead.request('POST', '/api/archive', { secret: '0000' })).status).toBe(401);
    const { ticket } = (await (await lead.request('POST', '/api/archive', { secret: '1357' })).json()) as {
      ticket: string;
    };
    const other = await fitter(server, 'u-orrin', '1357');
    expect((await other.request('GET', `/api/archive/${ticket}`)).status).toBe(404);
  });
});
