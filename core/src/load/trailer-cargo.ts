import { firstFault, type InputFault, outOfRange } from '../quantity/input-fault.ts';
import { fail, ok, type Result } from '../result.ts';
import { MOST_KG } from './tongue.ts';

/** Something on a trailer: ahead of its axle above 0. */
export interface CargoPiece {
  name?: string;
  kg: number;
  aheadMm: number;
}

export interface TrailerLoad {
  unladenKg: number;
  /** Where the empty trailer's weight lies, ahead of the axle above 0. */
  unladenAheadMm: number;
  couplerToAxleMm: number;
  cargo: readonly CargoPiece[];
}

export interface TrailerCargoAnswer {
  totalKg: number;
  tongueKg: number;
  axleKg: number;
  share: number;
}

/** By two balances: moments about the axle give the load on the ball, what is left is the axle's. */
export function trailerCargo(load: TrailerLoad): Result<TrailerCargoAnswer, InputFault> {
  const { unladenKg, unladenAheadMm, couplerToAxleMm, cargo } = load;
  const fault = firstFault(
    outOfRange('unladenKg', unladenKg, 1, MOST_KG),
    outOfRange('couplerToAxleMm', couplerToAxleMm, 500, 20_000),
    outOfRange('unladenAheadMm', unladenAheadMm, -5000, couplerToAxleMm),
    ...cargo.flatMap(({ kg, aheadMm }, at) => [
      outOfRange(`cargo[${at}].kg`, kg, 0, MOST_KG),
      outOfRange(`cargo[${at}].aheadMm`, aheadMm, -10_000, couplerToAxleMm),
    ]),
  );
  if (fault) return fail(fault);
  const totalKg = unladenKg + cargo.reduce((sum, { kg }) => sum + kg, 0);
  const tongueKg = momentKgMm(load) / couplerToAxleMm;
  return ok({ totalKg, tongueKg, axleKg: totalKg - tongueKg, share: tongueKg / totalKg });
}

const momentKgMm = ({ unladenKg, unladenAheadMm, cargo }: TrailerLoad): number =>
  unladenKg * unladenAheadMm + cargo.reduce((sum, { kg, aheadMm }) => sum + kg * aheadMm, 0);

export interface CargoMove {
  /** All of the cargo together goes so much forward above 0, mm. */
  allMm: number;
  /** Or one piece alone, by its place in the list; nothing where it weighs nothing or would pass the coupling. */
  alone: Array<{ at: number; moveMm: number }>;
}

/** How far cargo must move for a share of the whole on the ball. */
export function cargoMove(load: TrailerLoad, targetShare: number): Result<CargoMove, InputFault> {
  const now = trailerCargo(load);
  if (!now.ok) return now;
  const cargoKg = load.cargo.reduce((sum, { kg }) => sum + kg, 0);
  const fault = outOfRange('targetShare', targetShare, 0, 0.5) ?? outOfRange('cargo', cargoKg, 0.1, MOST_KG);
  if (fault) return fail(fault);
  const missing = (targetShare - now.value.share) * now.value.totalKg * load.couplerToAxleMm;
  return ok({
    allMm: missing / cargoKg,
    alone: load.cargo.flatMap(({ kg, aheadMm }, at) => {
      const moveMm = missing / kg;
      return kg > 0 && aheadMm + moveMm <= load.couplerToAxleMm ? [{ at, moveMm }] : [];
    }),
  });
}
