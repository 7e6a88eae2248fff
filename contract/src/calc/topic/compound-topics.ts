import { beadFor } from '#core/bench/bead.ts';
import { waitsFor } from '#core/bench/cure.ts';
import { strengthShare, USUAL_TIMES } from '#core/compound/cure-curve.ts';
import type { CalcInput } from '../calc-input.ts';
import { must, readThread } from '../joint-input.ts';
import { remarked } from './remarked.ts';

export const volume = (input: CalcInput<'volume'>) =>
  remarked(must(beadFor(readThread(input.thread), input.engagementMm, input.blindEndMm, input.count ?? 1)));

export function cure(input: CalcInput<'cure'>) {
  const times = input.times ?? USUAL_TIMES[input.product ?? 'threadlockerMedium'];
  const answer = must(waitsFor(times, input, input.times ? 'productSheet' : 'model'));
  return remarked({
    ...answer,
    strengthShare: input.afterMin === undefined ? undefined : strengthShare(input.afterMin, answer),
    readTheSheet: true,
  });
}
