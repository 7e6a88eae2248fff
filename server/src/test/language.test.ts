import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { type Device, fitter, guardToClosed, openGuard, startTestServer, type TestServer } from './harness.ts';

let server: TestServer;
let mira: Device;
let job: string;
const folder = mkdtempSync(join(tmpdir(), 'wm-language-'));
beforeAll(async () => {
  server = await startTestServer();
  mira = await fitter(server);
  job = await openGuard(mira);
  await mira.send(job, ...guardToClosed.map((command) => mira.input(command)));
});
afterAll(async () => {
  await server.stop();
  rmSync(folder, { recursive: true, force: true });
});

const GERMAN = { 'Accept-Language': 'de-AT,de;q=0.9,en;q=0.5' };
const titleOf = async (headers: Record<string, string>): Promise<string> =>
  ((await (await fetch(`${server.url}/api/crib`, { headers })).json()) as { title: string }).title;

/** The words of a paper the server prints. */
async function printed(path: string, headers: Record<string, string>): Promise<string> {
  const answer = await mira.request('GET', path, undefined, headers);
  expect(answer.status).toBe(200);
  const file = join(folder, 'paper.pdf');
  writeFileSync(file, Buffer.from(await answer.arrayBuffer()));
  return execFileSync('pdftotext', ['-layout', file, '-']).toString();
}

describe('the language of a request', () => {
  it('is the one chosen on the tablet, else its browser’s, else English', async () => {
    expect(await titleOf({})).toBe('Sign in first');
    expect(await titleOf(GERMAN)).toBe('Zuerst anmelden');
    expect(await titleOf({ ...GERMAN, cookie: 'language=en' })).toBe('Sign in first');
    expect(await titleOf({ cookie: 'language=de' })).toBe('Zuerst anmelden');
    // What the product does not speak is answered in English.
    expect(await titleOf({ 'Accept-Language': 'fr' })).toBe('Sign in first');
    expect(await titleOf({ cookie: 'language=../../de' })).toBe('Sign in first');
  });

  it('is kept apart from that of another request under way', async () => {
    const titles = await Promise.all(
      Array.from({ length: 40 }, (_, at) => titleOf(at % 2 === 0 ? GERMAN : { 'Accept-Language': 'en' })),
    );
    expect(titles.map((title, at) => title === (at % 2 === 0 ? 'Zuerst anmelden' : 'Sign in first'))).not.toContain(
      false,
    );
  });

  it('is that of the papers: the record and the hand-over', async () => {
    const english = await printed(`/api/jobs/${job}/record.pdf`, {});
    expect(english).toMatch(/torque record/i);
    const german = await printed(`/api/jobs/${job}/record.pdf`, GERMAN);
    expect(german).toMatch(/drehmomentaufzeichnung/i);
    expect(german).toMatch(/wie gedruckt/i);
    expect(german).not.toMatch(/torque record|as printed/i);
  });

  // Names, titles and sentences of the kit's own sheet stay as they were written; everything else is ours to say.
  it.each([
    'jobs/{job}/record.pdf',
    'hand-overs/{job}/hand-over.pdf',
    'hand-overs/{job}/in-short.pdf',
    'jobs/{job}/card.pdf',
    'jobs/{job}/box.pdf',
    'jobs/{job}/tray-map.pdf',
  ])('is said on every line of %s that is ours', async (paper) => {
    const words = (text: string) =>
      text
        .split('\n')
        .map((line) => line.trim())
        .filter((line) => /\b(?:the|of|and|is|was|not|with|nothing|joints|stand|signed|wanted|before)\b/i.test(line));
    const kit = JSON.stringify(await (await mira.request('GET', `/api/jobs/${job}`)).json());
    const path = `/api/${paper.replace('{job}', job)}`;
    const english = words(await printed(path, {}));
    const german = words(await printed(path, GERMAN));
    expect(english.length).toBeGreaterThan(0);
    const said = german.filter((line) => {
      const piece = line.split(/\s{2,}/).find((cell) => /\b(?:the|of|and|is|was|not|with)\b/i.test(cell)) ?? line;
      return english.includes(line) && !kit.includes(JSON.stringify(piece).slice(1, -1).slice(0, 24));
    });
    expect(said).toEqual([]);
  });

  it('leaves files for programs as they are', async () => {
    const table = async (headers: Record<string, string>) =>
      (await mira.request('GET', `/api/jobs/${job}/record.csv`, undefined, headers)).text();
    const [first] = (await table(GERMAN)).split('\n');
    expect(first).toBe((await table({})).split('\n')[0]);
    // No decimal comma where a comma parts the columns.
    expect(await table(GERMAN)).not.toMatch(/"\d+,\d+"/);
  });
});
