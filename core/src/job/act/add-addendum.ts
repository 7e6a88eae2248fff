import { ANSWERABLE } from '../role.ts';
import { act, blank, done, refuse, stampOf } from './act.ts';

/** Found after the job was signed. It is added behind the record, and changes nothing that stands there. */
export interface AddAddendum {
  type: 'addAddendum';
  /** What was found. */
  text: string;
  /** Who found it: the owner, another shop. */
  foundBy: string;
  /** What was done about it; left out where nothing was. */
  redone?: string;
  /** The joint it is about, where it is about one. */
  station?: string;
}

export interface AddendumMade {
  type: 'addendumMade';
  text: string;
  foundBy: string;
  redone?: string;
  station?: string;
}

export const addAddendum = act<AddAddendum, AddendumMade>({
  may: ANSWERABLE,
  needsProof: true,
  afterClose: true,
  decide({ plan, job }, { text, foundBy, redone, station }) {
    if (!job.closed) return refuse({ code: 'jobOpen' });
    if (blank(text)) return refuse({ code: 'reasonMissing' });
    if (blank(foundBy)) return refuse({ code: 'nameMissing' });
    if (station !== undefined && !plan.stations.some(({ id }) => id === station))
      return refuse({ code: 'unknownStation', station });
    return done({ type: 'addendumMade', text, foundBy, redone: blank(redone) ? undefined : redone, station });
  },
  fold: {
    addendumMade(draft, fact) {
      const { text, foundBy, redone, station } = fact;
      const made = { text, foundBy, redone, station, ...stampOf(fact) };
      draft.visit = { ...draft.visit, addenda: [...(draft.visit.addenda ?? []), made] };
    },
  },
});
