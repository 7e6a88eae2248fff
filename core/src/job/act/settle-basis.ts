import { indexOf } from '../../kit/plan.ts';
import { basisClash } from '../figure-basis.ts';
import { stationState } from '../job-state.ts';
import { ANSWERABLE } from '../role.ts';
import { standingPulls } from '../station-progress.ts';
import { act, blank, done, refuse, stampOf } from './act.ts';

/** Where the torque for another thread comes from. */
export const FACTOR_SOURCES = ['friction', 'product', 'house'] as const;
export type FactorSource = (typeof FACTOR_SOURCES)[number];

/** Factors a product or a shop may give, of the printed torque. Chosen by us: half is less than any sheet asks. */
export const FACTOR_RANGE = { min: 0.5, max: 1.2 } as const;

/**
 * A compound goes on that the figure did not count on: as printed, or less for the same load. A person answers for it, and
 * both figures go on the record.
 */
export interface SettleBasis {
  type: 'settleBasis';
  station: string;
  use: 'asPrinted' | 'sameLoad';
  /** For the same load: by the table of frictions, the product's own sheet, or the rule of the house. */
  factorFrom?: FactorSource;
  /** Of the printed torque, as the product or the house gives it; by friction it is worked out. */
  factor?: number;
  reason: string;
}

/** One for each station of the group that it stands alike with. */
export interface BasisSettled {
  type: 'basisSettled';
  station: string;
  use: 'asPrinted' | 'sameLoad';
  factorFrom?: FactorSource;
  factor: number;
  printedNm: number;
  sameLoadNm: number;
  reason: string;
}

export const settleBasis = act<SettleBasis, BasisSettled>({
  may: ANSWERABLE,
  needsProof: true,
  replans: true,
  decide({ plan, job }, { station: id, use, factorFrom, factor, reason }) {
    const { stations, groups } = indexOf(plan);
    const station = stations.get(id);
    if (!station) return refuse({ code: 'unknownStation', station: id });
    const clash = station.aimed === undefined ? basisClash(plan, station) : undefined;
    if (!clash) return refuse({ code: 'basisAgrees', station: id });
    if (blank(reason)) return refuse({ code: 'reasonMissing' });
    const given = factorFrom === 'friction' ? clash.frictionFactor : (factor ?? plan.rules.antiSeizeShare);
    const share = use === 'asPrinted' ? 1 : given;
    if (use === 'sameLoad' && (factorFrom === undefined || share === undefined))
      return refuse({ code: 'factorMissing' });
    if (!(share !== undefined && share >= FACTOR_RANGE.min && share <= FACTOR_RANGE.max))
      return refuse({ code: 'factorImpossible', factor: share ?? 0, ...FACTOR_RANGE });
    // The bolts of one group that are alike are one decision.
    const alike = (groups.get(station.groupId)?.stations ?? []).flatMap((other) => {
      const entry = stations.get(other);
      return entry &&
        entry.printed === station.printed &&
        entry.compound === station.compound &&
        entry.aimed === undefined &&
        standingPulls(stationState(job, other)).length === 0
        ? [entry]
        : [];
    });
    return done(
      ...alike.map((entry) => ({
        type: 'basisSettled' as const,
        station: entry.id,
        use,
        ...(use === 'sameLoad' ? { factorFrom } : {}),
        factor: share,
        printedNm: clash.printedNm,
        sameLoadNm: clash.printedNm * (use === 'asPrinted' ? clash.frictionFactor : share),
        reason,
      })),
    );
  },
  fold: {
    basisSettled(draft, fact) {
      const { use, factorFrom, factor, printedNm, sameLoadNm, reason } = fact;
      const settled = { use, factorFrom, factor, printedNm, sameLoadNm, reason, ...stampOf(fact) };
      draft.visit = { ...draft.visit, bases: { ...draft.visit.bases, [fact.station]: settled } };
    },
  },
});
