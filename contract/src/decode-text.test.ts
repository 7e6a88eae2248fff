import { describe, expect, it } from '@jest/globals';
import { decodeText } from './decode-text.ts';

const utf16le = (text: string, mark: boolean): Uint8Array => {
  const bytes = Buffer.from(text, 'utf16le');
  return new Uint8Array(mark ? Buffer.concat([Buffer.from([0xff, 0xfe]), bytes]) : bytes);
};

describe('letters of a file', () => {
  it.each<[string, Uint8Array]>([
    ['UTF-8', new TextEncoder().encode('Müller;Größe')],
    ['UTF-8 with its mark', new Uint8Array([0xef, 0xbb, 0xbf, ...new TextEncoder().encode('Müller;Größe')])],
    ['Windows-1252', new Uint8Array([0x4d, 0xfc, 0x6c, 0x6c, 0x65, 0x72, 0x3b, 0x47, 0x72, 0xf6, 0xdf, 0x65])],
    ['UTF-16 with its mark, as a spreadsheet saves Unicode text', utf16le('Müller;Größe', true)],
    ['UTF-16 without one', utf16le('Müller;Größe', false)],
  ])('%s', (_, bytes) => expect(decodeText(bytes)).toBe('Müller;Größe'));
});
