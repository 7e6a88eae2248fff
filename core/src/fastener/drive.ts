import { showInchFraction } from '../quantity/display.ts';

/**
 * What the tool grips: a socket, a key or a bit. Kept as its own type so that a 16 mm socket can never be
 * stored, compared or shown as a thread.
 */
export type DriveSize =
  | { kind: 'hex'; acrossFlatsMm: number; inch?: true }
  | { kind: 'hexKey'; acrossFlatsMm: number; inch?: true }
  | { kind: 'twelvePoint'; acrossFlatsMm: number }
  | { kind: 'sixLobe'; size: string }
  | { kind: 'hand' }
  /** The sheet does not say; what fits is looked for at the head, never guessed. */
  | { kind: 'unknown' };

/** To a hundredth: an inch key converted has more places than anyone reads. */
const tidy = (mm: number): number => Number(mm.toFixed(2));

/** Whether a tool of a known size turns it. */
export const hasSize = (drive: DriveSize): drive is Exclude<DriveSize, { kind: 'hand' | 'unknown' }> =>
  drive.kind !== 'hand' && drive.kind !== 'unknown';

/** `16 mm socket`, `6 mm hex key`, `3/4 in socket`; what the fitter picks up. */
export function describeDrive(drive: DriveSize): string {
  switch (drive.kind) {
    case 'hex':
      return drive.inch
        ? `${showInchFraction(drive.acrossFlatsMm)} in socket`
        : `${tidy(drive.acrossFlatsMm)} mm socket`;
    case 'hexKey':
      return drive.inch
        ? `${showInchFraction(drive.acrossFlatsMm)} in hex key`
        : `${tidy(drive.acrossFlatsMm)} mm hex key`;
    case 'twelvePoint':
      return `${tidy(drive.acrossFlatsMm)} mm 12-point socket`;
    case 'sixLobe':
      return `${drive.size} six-lobe`;
    case 'hand':
      return 'by hand';
    case 'unknown':
      return 'drive not given, look at the head';
  }
}
