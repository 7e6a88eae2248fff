import { parseThread } from '../fastener/thread.ts';
import type { FigureSource } from '../job/figure.ts';
import type { KitDocument } from '../kit/kit-document.ts';
import { indexOf, type Plan, type PlanStation } from '../kit/plan.ts';
import { isByHand } from '../tightening/kinds.ts';

/** A figure another sheet prints for the same thread: a lead to follow, never the answer. */
export interface FigureLead {
  source: Extract<FigureSource, 'kitSheet' | 'otherKit'>;
  printed: string;
  /** Where it stands: the kit and its joint. */
  from: string;
  samePlace: boolean;
}

interface Wanted {
  thread?: string;
  place?: string;
}

/** What a joint without a figure is known by: its bolt's thread and the vehicle's name for it. */
function wantedOf(plan: Plan, id: string): Wanted | undefined {
  const { stations, items } = indexOf(plan);
  const station = stations.get(id);
  if (station) return { thread: threadOf(station, items), place: station.place };
  const thing = plan.removed.find((entry) => entry.id === id);
  return thing && { thread: thing.thread, place: thing.place };
}

const threadOf = (
  station: Pick<PlanStation, 'stack'>,
  items: ReadonlyMap<string, { thread?: string }>,
): string | undefined =>
  station.stack.flatMap((piece) => (piece.kind === 'hardware' ? (items.get(piece.item)?.thread ?? []) : []))[0];

function threadsAgree(a: string | undefined, b: string | undefined): boolean {
  if (a === undefined || b === undefined) return false;
  const [one, other] = [parseThread(a), parseThread(b)];
  if (!one.ok || !other.ok) return false;
  const [x, y] = [one.value.thread, other.value.thread];
  return x.system === y.system && x.nominalMm === y.nominalMm && x.pitchMm === y.pitchMm;
}

/**
 * Figures of the shop's kits for the same place or the same thread, the same place first. The same M8 is 90 lbf·in in one
 * kit and 240 in another, so a lead is followed to its sheet and never taken over by itself.
 */
export function figureLeads(plan: Plan, id: string, library: readonly KitDocument[]): FigureLead[] {
  const wanted = wantedOf(plan, id);
  if (!wanted) return [];
  const here = new Set(plan.kits.map((kit) => kit.id));
  return library
    .flatMap((kit) => {
      const items = new Map(kit.items.map((item) => [item.id, item]));
      return kit.stations.flatMap((station): FigureLead[] => {
        const samePlace = wanted.place !== undefined && station.place === wanted.place;
        if (!samePlace && !threadsAgree(threadOf(station, items), wanted.thread)) return [];
        return station.specs
          .filter(({ spec }) => !isByHand(spec))
          .map(({ printed }) => ({
            source: here.has(kit.id) ? ('kitSheet' as const) : ('otherKit' as const),
            printed,
            from: `${kit.title}, ${station.name}`,
            samePlace,
          }));
      });
    })
    .sort((a, b) => Number(b.samePlace) - Number(a.samePlace))
    .filter(
      (lead, index, all) =>
        all.findIndex((other) => other.printed === lead.printed && other.from === lead.from) === index,
    )
    .slice(0, 8);
}
