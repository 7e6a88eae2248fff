import { bushLubricant } from '../compound/compound-choice.ts';
import { type Remark, remarksThat } from './remark.ts';

/** Greased or dry, and what to mind. */
export function bushFit(
  ...[material, face, sheet]: Parameters<typeof bushLubricant>
): ReturnType<typeof bushLubricant> & { remarks: Remark[] } {
  return {
    ...bushLubricant(material, face, sheet),
    remarks: remarksThat(
      sheet === undefined && { code: 'sheetSilent' },
      { code: 'noMineralGrease' },
      { code: 'bushAtRideHeight' },
    ),
  };
}
