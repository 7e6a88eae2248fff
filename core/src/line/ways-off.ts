import type { Fate, HeldBy } from '../kit/kit-step.ts';
import type { AskOption } from './ask.ts';

/**
 * How the trade gets a thing out of what holds it, the right way and those that break something. Where a boot stays, a
 * taper is pressed; it is struck only where its maker allows it, and a fork is for what is scrapped. Common practice, no
 * source; what the sheet itself says goes first.
 */
export function waysOff(heldBy: HeldBy, fate: Fate): AskOption[] {
  switch (heldBy) {
    case 'taper':
      return [
        { value: 'pressTaper', is: 'right', trade: { code: 'pressesTaper' } },
        { value: 'strikeTaper', is: 'wrong', trade: { code: 'strikesTaper' } },
        fate === 'scrap'
          ? { value: 'fork', is: 'right', trade: { code: 'forksScrap' } }
          : { value: 'fork', is: 'refused', trade: { code: 'forksTaper' } },
      ];
    case 'pressFit':
      return [
        { value: 'pressSleeve', is: 'right', trade: { code: 'pressesSleeve' } },
        { value: 'burnOut', is: fate === 'scrap' ? 'wrong' : 'refused', trade: { code: 'burnsBush' } },
      ];
    case 'lockerMedium':
      return [
        { value: 'handTool', is: 'right', trade: { code: 'lockerByHand' } },
        { value: 'impact', is: 'wrong', trade: { code: 'hammersLocked' } },
      ];
    case 'lockerHigh':
      return [
        { value: 'heat', is: 'right', trade: { code: 'lockerByHeat' } },
        { value: 'cold', is: 'wrong', trade: { code: 'lockerCold' } },
        { value: 'impact', is: 'wrong', trade: { code: 'hammersLocked' } },
      ];
  }
}
