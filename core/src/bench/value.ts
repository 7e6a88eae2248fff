import { unreachable } from '../result.ts';
import {
  isSafetyCritical,
  type JointTag,
  type Proposal,
  rankValueSources,
  type ValueOffer,
} from '../tightening/proposed-torque.ts';
import { type Remark, remarksThat } from './remark.ts';

export interface ValueAnswer {
  /** Every source, best first. */
  offers: ValueOffer[];
  /** The first that may be used. */
  best?: ValueOffer;
  remarks: Remark[];
}

/** Sheet and manual further apart than this differ. Chosen by us: what a wrench is off by. */
const DIFFER = 0.05;

/** Where the value of a joint without a figure may come from. */
export function valueFor(
  question: Omit<Parameters<typeof rankValueSources>[0], 'estimateNm'> & { tag: JointTag },
  proposal: Proposal | undefined,
): ValueAnswer {
  const offers = rankValueSources({ ...question, estimateNm: proposal?.torqueNm });
  const best = offers.find((offer) => offer.allowed);
  const { kitSheetNm: sheetNm, vehicleMakerNm: manualNm } = question;
  const critical = isSafetyCritical(question.tag);
  return {
    offers,
    best,
    remarks: remarksThat(
      critical && { code: 'safetyCriticalNoValue' },
      !critical && best?.source === 'estimate' && { code: 'notFromSheet' },
      best === undefined && { code: 'nothingMayBeUsed' },
      proposal && cutBack(proposal.limitedBy),
      sheetNm !== undefined &&
        manualNm !== undefined &&
        Math.abs(sheetNm / manualNm - 1) > DIFFER && { code: 'sheetAndManualDiffer', sheetNm, manualNm },
    ),
  };
}

function cutBack(limitedBy: Proposal['limitedBy']): Remark | undefined {
  switch (limitedBy) {
    case 'bolt':
      return undefined;
    case 'bearing':
      return { code: 'cutForBearing' };
    case 'tappedThread':
      return { code: 'cutForTappedThread' };
    default:
      return unreachable(limitedBy);
  }
}
