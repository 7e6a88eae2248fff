import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from '@jest/globals';
import PDFDocument from 'pdfkit';
import { LONGEST_SHEET, readSheet } from '#core/sheet/read-sheet.ts';
import { LARGEST_FILE, sheetFaultText, sheetText } from './sheet-text.ts';

const folder = mkdtempSync(join(tmpdir(), 'wm-sheet-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

function pdf(draw: (doc: PDFKit.PDFDocument) => void, options: PDFKit.PDFDocumentOptions = {}): Promise<Buffer> {
  const doc = new PDFDocument(options);
  const chunks: Buffer[] = [];
  doc.on('data', (chunk: Buffer) => chunks.push(chunk));
  draw(doc);
  doc.end();
  return new Promise((settle) => doc.on('end', () => settle(Buffer.concat(chunks))));
}
const bytes = (text: string) => new TextEncoder().encode(text);

describe('the text of a sheet’s file', () => {
  it('plain text, with any line ends and a byte order mark', async () => {
    expect(await sheetText(bytes('\uFEFF1. Fit it.\r\n2. Torque it.\r'), 'a.txt')).toEqual({
      ok: true,
      value: '1. Fit it.\n2. Torque it.\n',
    });
  });
  it('old word processors’ files: 90° in Windows-1252', async () => {
    expect(await sheetText(Uint8Array.from([0x39, 0x30, 0xb0]), 'a.txt')).toEqual({ ok: true, value: '90°' });
  });
  it('a PDF, line by line, its tables with wide gaps', async () => {
    const file = await pdf((doc) => {
      doc.fontSize(11).text('Torque all M10 bolts to 46 ft-lb.', 72, 100);
      doc.text('M8 x 25 bolt', 72, 130).text('6', 400, 130);
      doc.addPage().text('Second page: 20 Nm.', 72, 100);
    });
    const read = await sheetText(file, 'a.pdf');
    if (!read.ok) throw new Error(read.error.code);
    expect(read.value).toContain('Torque all M10 bolts to 46 ft-lb.');
    expect(read.value).toMatch(/M8 x 25 bolt {2,}6/);
    const { facts } = readSheet(read.value);
    expect(facts.flatMap(({ value }) => (value.kind === 'torque' ? [`${value.max} ${value.unit}`] : []))).toEqual([
      '46 lbf·ft',
      '20 N·m',
    ]);
    // An independent reader of PDFs (poppler) finds the same words.
    writeFileSync(join(folder, 'a.pdf'), file);
    const poppler = spawnSync('pdftotext', ['-layout', join(folder, 'a.pdf'), '-']).stdout.toString();
    const words = (text: string) => text.match(/\S+/g);
    expect(words(read.value)).toEqual(words(poppler));
  });
  it('a PDF of two columns, in the order another reader has them', async () => {
    const left = [
      '1. Lift the seal along the gutter and clean the',
      'channel with a dry cloth.',
      '2. Slide the four M8 nuts in, two per side, and',
      'leave them loose.',
      '3. Set the bar 320 mm behind the screen.',
    ];
    const right = [
      '4. Tighten the eight M6 screws to 9 Nm, middle',
      'first.',
      '5. Tighten the four M8 nuts to 22 Nm with a 13 mm',
      'socket.',
      '6. Retighten after 150 km.',
    ];
    const file = await pdf((doc) => {
      doc.fontSize(9);
      for (const [row, line] of left.entries()) doc.text(line, 40, 90 + row * 13, { lineBreak: false });
      for (const [row, line] of right.entries()) doc.text(line, 320, 91 + row * 13.4, { lineBreak: false });
    });
    const read = await sheetText(file, 'two.pdf');
    expect(read).toEqual({ ok: true, value: [...left, ...right].join('\n') });
    writeFileSync(join(folder, 'two.pdf'), file);
    const poppler = spawnSync('pdftotext', [join(folder, 'two.pdf'), '-']).stdout.toString();
    expect(read.ok && read.value.match(/\S+/g)).toEqual(poppler.match(/\S+/g));
  });
  it.each(['utf16le', 'utf16be'] as const)('%s without a mark', async (order) => {
    const data = Buffer.from('Tighten the four M10 bolts to 45 Nm.', 'utf16le');
    const read = await sheetText(new Uint8Array(order === 'utf16be' ? data.swap16() : data), 'a.txt');
    expect(read).toEqual({ ok: true, value: 'Tighten the four M10 bolts to 45 Nm.' });
  });
  it.each([
    ['richText', bytes('{\\rtf1\\ansi Tighten to 45 Nm.}')],
    ['binary', readFileSync('docs/screenshots/bays.png')],
    ['empty', new Uint8Array()],
    ['empty', bytes(' \n ')],
    ['pdfBroken', bytes('%PDF-1.7\nnothing of one')],
    ['tooLong', bytes('Torque to 40 Nm. '.repeat(LONGEST_SHEET / 10))],
    ['tooLong', new Uint8Array(LARGEST_FILE + 1).fill(65)],
  ] as const)('refuses: %s', async (code, data) => {
    const read = await sheetText(data, 'sheet');
    if (read.ok) throw new Error('taken');
    expect(read.error.code).toBe(code);
    expect(sheetFaultText(read.error)).toMatch(/\w+.*[.]$/);
  });
  it('refuses a PDF that has only pictures, and one with a password', async () => {
    const picture = await pdf((doc) => doc.rect(10, 10, 200, 200).fill('black'));
    expect(await sheetText(picture, 'scan.pdf')).toMatchObject({
      ok: false,
      error: { code: 'pdfWithoutText', pages: 1 },
    });
    const locked = await pdf((doc) => doc.text('secret'), { userPassword: 'x', pdfVersion: '1.7' });
    expect(await sheetText(locked, 'locked.pdf')).toMatchObject({ ok: false, error: { code: 'pdfEncrypted' } });
  });
});
