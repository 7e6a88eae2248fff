import { axlesWithTongue } from '#core/load/axle-loads.ts';
import { combination as combinationOf } from '#core/load/combination.ts';
import { hitchChain } from '#core/load/hitch-chain.ts';
import { type ShareBand, tongueShare, USUAL_BAND } from '#core/load/tongue.ts';
import { cargoMove, trailerCargo } from '#core/load/trailer-cargo.ts';
import type { CalcInput } from '../calc-input.ts';
import { must, refuse } from '../joint-input.ts';

/** A band in shares: bounds above 1 are per cent. */
function readBand(band: CalcInput<'tongue'>['band']): ShareBand {
  if (band === undefined) return USUAL_BAND;
  const [min, max] = Array.isArray(band) ? band : [band.min, band.max];
  const by = Math.max(Math.abs(min), Math.abs(max)) > 1 ? 100 : 1;
  return { min: min / by, max: max / by };
}

export function tongue({ trailerKg, tongueKg, band, unit = 'kg' }: CalcInput<'tongue'>) {
  const { share, verdict, tongueKg: forBand } = must(tongueShare(trailerKg, tongueKg, readBand(band)));
  return {
    unit,
    share,
    percent: share * 100,
    verdict,
    tongueForBand: { minKg: forBand.min, maxKg: forBand.max },
  };
}

export function cargo({ targetShare, unit = 'kg', cargo: pieces = [], ...trailer }: CalcInput<'cargo'>) {
  const load = { ...trailer, cargo: pieces };
  const answer = must(trailerCargo(load));
  if (targetShare === undefined) return { unit, ...answer };
  const { allMm, alone } = must(cargoMove(load, targetShare));
  return { unit, ...answer, targetShare, targetTongueKg: targetShare * answer.totalKg, moveMm: allMm, alone };
}

export const axles = ({ unit = 'kg', ratings = {}, ...ask }: CalcInput<'axles'>) => ({
  unit,
  ...must(axlesWithTongue({ ...ask, ratings })),
});

export const chain = ({ components, unit = 'kg' }: CalcInput<'chain'>) => ({ unit, ...must(hitchChain(components)) });

/** Occupants or cargo with their share; without a share of their own they lie as the load does. */
function carried(
  field: 'occupants' | 'cargo',
  kg: number | undefined,
  own: number | undefined,
  common: number | undefined,
) {
  if (kg === undefined || kg === 0) return { kg: kg ?? 0, frontShare: own ?? common ?? 0 };
  const frontShare =
    own ?? common ?? refuse(`${field}FrontShare`, 'is missing: how much of it the front axle carries, such as 0.4');
  return { kg, frontShare };
}

export function combination(input: CalcInput<'combination'>) {
  const { unit = 'kg', loadFrontShare, kerbKg, kerbFrontShare, hitchHardwareKg = 0 } = input;
  const { wheelbaseMm, hitchBehindMm, trailerKg, tongueShare: share, ratings } = input;
  return {
    unit,
    ...must(
      combinationOf({
        wheelbaseMm,
        hitchBehindMm,
        trailerKg,
        tongueShare: share,
        ratings,
        hitchHardwareKg,
        ...(input.onRoofKg === undefined ? {} : { onRoofKg: input.onRoofKg }),
        kerb: { kg: kerbKg, frontShare: kerbFrontShare },
        occupants: carried('occupants', input.occupantsKg, input.occupantsFrontShare, loadFrontShare),
        cargo: carried('cargo', input.cargoKg, input.cargoFrontShare, loadFrontShare),
      }),
    ),
  };
}
