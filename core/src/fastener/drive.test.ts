import { describe, expect, it } from '@jest/globals';
import { type DriveSize, describeDrive, hasSize } from './drive.ts';

describe('what turns a fastener', () => {
  it.each<[DriveSize, string]>([
    [{ kind: 'hex', acrossFlatsMm: 16 }, '16 mm socket'],
    [{ kind: 'hex', acrossFlatsMm: 19.05, inch: true }, '3/4 in socket'],
    [{ kind: 'hexKey', acrossFlatsMm: 6 }, '6 mm hex key'],
    [{ kind: 'hexKey', acrossFlatsMm: 6.35, inch: true }, '1/4 in hex key'],
    [{ kind: 'twelvePoint', acrossFlatsMm: 14 }, '14 mm 12-point socket'],
    [{ kind: 'sixLobe', size: 'T40' }, 'T40 six-lobe'],
    [{ kind: 'hand' }, 'by hand'],
  ])('%j is asked for by its own name', (drive, name) => expect(describeDrive(drive)).toBe(name));
  it('what the sheet does not say is said to be missing, and is no size', () => {
    expect(describeDrive({ kind: 'unknown' })).toMatch(/not given/);
    expect(hasSize({ kind: 'unknown' })).toBe(false);
    expect(hasSize({ kind: 'hand' })).toBe(false);
    expect(hasSize({ kind: 'hexKey', acrossFlatsMm: 6 })).toBe(true);
  });
});
