import type { CalculationUsed as Calculation } from '../calculation-used.ts';
import { LEAD_ONLY } from '../role.ts';
import { act, blank, done, refuse, stampOf } from './act.ts';
import { findStation } from './find-station.ts';

export interface UseCalculation extends Calculation {
  type: 'useCalculation';
}

export interface CalculationUsed extends Calculation {
  type: 'calculationUsed';
}

export const useCalculation = act<UseCalculation, CalculationUsed>({
  may: LEAD_ONLY,
  decide({ plan }, { station, tool, summary, link, reason }) {
    if (station !== undefined && !findStation(plan, station)) return refuse({ code: 'unknownStation', station });
    if (blank(reason)) return refuse({ code: 'reasonMissing' });
    return done({ type: 'calculationUsed', station, tool, summary, link, reason });
  },
  fold: {
    calculationUsed(draft, fact) {
      const { station, tool, summary, link, reason } = fact;
      draft.calculations = [...draft.calculations, { station, tool, summary, link, reason, ...stampOf(fact) }];
    },
  },
});
