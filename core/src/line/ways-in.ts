import { type MeasuredFit, measuredFit } from '../fit/shrink-fit.ts';
import type { AskOption } from './ask.ts';
import type { TradeReason } from './trade-why.ts';

/** The way in that a measured fit asks for. */
const WAY_IN: Record<Exclude<MeasuredFit['remedy'], 'checkParts'>, { value: string; why: TradeReason }> = {
  retainingCompound: { value: 'retain', why: 'fitLoose' },
  none: { value: 'pushIn', why: 'fitAsItIs' },
  press: { value: 'pressIn', why: 'fitPress' },
  heatOrChill: { value: 'warmOrChill', why: 'fitWarm' },
};

/**
 * How a bush goes into its bore, by what both measure: the fit names the way, and a bore is deformed last of all.
 *
 * @param boreMm - measured bore, mm
 * @param bushMm - measured outside of the bush, mm
 * @returns undefined where the two cannot belong together, or cannot be
 */
export function waysIn(boreMm: number, bushMm: number): AskOption[] | undefined {
  const fit = measuredFit(boreMm, bushMm);
  if (!fit.ok || fit.value.remedy === 'checkParts') return undefined;
  const { remedy } = fit.value;
  const options = [
    ...Object.entries(WAY_IN).map(
      ([of, { value, why }]): AskOption =>
        of === remedy
          ? { value, is: 'right', trade: { code: why } }
          : { value, is: 'wrong', trade: { code: WAY_IN[remedy].why } },
    ),
  ];
  return [
    ...options.filter(({ is }) => is === 'right'),
    ...options.filter(({ is }) => is !== 'right'),
    { value: 'deformBore', is: 'wrong', trade: { code: 'deformsBore' } },
  ];
}
