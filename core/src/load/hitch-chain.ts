import { type InputFault, outOfRange } from '../quantity/input-fault.ts';
import { fail, ok, type Result } from '../result.ts';
import { MOST_KG } from './tongue.ts';

/** One part between vehicle and trailer, with what its plate says. */
export interface HitchPart {
  name: string;
  trailerKg?: number;
  tongueKg?: number;
}

export interface HitchChain {
  /** The weakest plate of each kind, and whose it is; nothing where no part states one. */
  trailerKg?: number;
  trailerLimitedBy?: string;
  tongueKg?: number;
  tongueLimitedBy?: string;
  /** Parts that state no rating of a kind: the chain is not known there. */
  silent: Array<{ name: string; rating: 'trailerKg' | 'tongueKg' }>;
}

/** A chain is as strong as its weakest link: receiver, mount, ball, coupler, each by its own plate. Trailer and ball load may be limited by different ones. */
export function hitchChain(components: readonly HitchPart[]): Result<HitchChain, InputFault> {
  for (const [at, part] of components.entries())
    for (const rating of ['trailerKg', 'tongueKg'] as const) {
      const fault =
        part[rating] === undefined ? undefined : outOfRange(`components[${at}].${rating}`, part[rating], 1, MOST_KG);
      if (fault) return fail(fault);
    }
  const weakest = (rating: 'trailerKg' | 'tongueKg') =>
    components.reduce<HitchPart | undefined>(
      (least, part) =>
        part[rating] !== undefined && (least?.[rating] === undefined || part[rating] < least[rating]) ? part : least,
      undefined,
    );
  const [trailer, tongue] = [weakest('trailerKg'), weakest('tongueKg')];
  return ok({
    ...(trailer ? { trailerKg: trailer.trailerKg, trailerLimitedBy: trailer.name } : {}),
    ...(tongue ? { tongueKg: tongue.tongueKg, tongueLimitedBy: tongue.name } : {}),
    silent: components.flatMap((part) =>
      (['trailerKg', 'tongueKg'] as const).flatMap((rating) =>
        part[rating] === undefined ? [{ name: part.name, rating }] : [],
      ),
    ),
  });
}
