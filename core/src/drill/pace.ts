import { median } from '../trace/tidy-trace.ts';

/** How long somebody took for a drill they closed. */
export interface DrillTime {
  person: string;
  minutes: number;
}

/** How long a drill takes those who close it: what was felt to be slow may be usual. It counts for nothing in the score. */
export interface Pace {
  /** The learner's own, of the other times they closed it: the middle one, minutes. */
  own?: { minutes: number; times: number };
  /** Of others, each counted once: the middle one, minutes. Left out below two of them, so that no one person is told of. */
  others?: { minutes: number; people: number };
}

const LEAST_OTHERS = 2;

/**
 * @param times - of everybody who closed the same drill, without the attempt that is looked at
 */
export function paceOf(times: readonly DrillTime[], person: string): Pace {
  const minutesOf = (who: string) => times.filter((entry) => entry.person === who).map(({ minutes }) => minutes);
  const own = minutesOf(person);
  const others = [...new Set(times.map((entry) => entry.person))].filter((who) => who !== person);
  return {
    ...(own.length > 0 ? { own: { minutes: median(own), times: own.length } } : {}),
    ...(others.length >= LEAST_OTHERS
      ? { others: { minutes: median(others.map((who) => median(minutesOf(who)))), people: others.length } }
      : {}),
  };
}
