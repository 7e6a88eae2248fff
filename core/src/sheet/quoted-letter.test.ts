import { describe, expect, it } from '@jest/globals';
import { passedOn } from './quoted-letter.ts';
import { readSheet } from './read-sheet.ts';

const QUOTED = `> 1. Fit the tray with four M8 bolts.
> 2. Torque the M8 bolts to 25 Nm.
> 3. Refit the cover.`;
const torques = (text: string): Array<number | string> =>
  readSheet(text).facts.flatMap(
    ({ value }): Array<number | string> =>
      value.kind === 'torque' ? [value.maxNm] : value.kind === 'torqueAside' ? [value.role] : [],
  );

describe('a sheet that is quoted in a letter', () => {
  it.each(['From: works\n\nHere is the sheet.', 'Hello,\n\nas asked:', 'On Friday the works wrote:'])(
    'is the sheet where the letter only passes it on: %j',
    (head) => {
      expect(torques(`${head}\n\n${QUOTED}\n\nRegards`)).toEqual([25]);
      expect(readSheet(`${head}\n\n${QUOTED}`).steps.map(({ number }) => number)).toEqual(
        expect.arrayContaining(['1', '2', '3']),
      );
    },
  );
  it.each([
    ['gives a figure of its own', 'Hello,\nit is 20 Nm.'],
    ['speaks against it', 'Hello,\nplease do not use that one any more.'],
    ['says it is old', 'Hello,\nthat is the old issue.'],
  ])('is what was asked where the letter %s', (_, words) => {
    const text = `${words}\n\n${QUOTED}\n\nRegards`;
    expect(passedOn(text)).toBe(text);
    expect(torques(text)).toContain('superseded');
  });
  it('keeps every place', () => {
    const text = `Hello,\n\n${QUOTED.replaceAll('> ', '>> ')}`;
    const plain = passedOn(text);
    expect(plain).toHaveLength(text.length);
    expect(plain.indexOf('25 Nm')).toBe(text.indexOf('25 Nm'));
  });
  it('two quoted steps are no sheet', () => {
    const text = 'Hello,\n\n> 1. Torque to 25 Nm?\n> 2. And the cover?\n';
    expect(passedOn(text)).toBe(text);
  });
});
