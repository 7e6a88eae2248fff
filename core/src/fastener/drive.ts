import { showInchFraction } from '../quantity/display.ts';

/**
 * What the tool grips: a socket, a key or a bit. Kept as its own type so that a 16 mm socket can never be
 * stored, compared or shown as a thread.
 */
export type DriveSize =
  | { kind: 'hex'; acrossFlatsMm: number; inch?: true }
  | { kind: 'hexKey'; acrossFlatsMm: number }
  | { kind: 'twelvePoint'; acrossFlatsMm: number }
  | { kind: 'sixLobe'; size: string }
  | { kind: 'hand' };

/** `16 mm socket`, `6 mm hex key`, `3/4 in socket`; what the fitter picks up. */
export function describeDrive(drive: DriveSize): string {
  switch (drive.kind) {
    case 'hex':
      return drive.inch ? `${showInchFraction(drive.acrossFlatsMm)} in socket` : `${drive.acrossFlatsMm} mm socket`;
    case 'hexKey':
      return `${drive.acrossFlatsMm} mm hex key`;
    case 'twelvePoint':
      return `${drive.acrossFlatsMm} mm 12-point socket`;
    case 'sixLobe':
      return `${drive.size} six-lobe`;
    case 'hand':
      return 'by hand';
  }
}
