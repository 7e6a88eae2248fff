import { parseThread } from '../fastener/thread.ts';
import type { FigureSource } from '../job/figure.ts';
import type { KitDocument } from '../kit/kit-document.ts';
import { livesHangOnIt } from '../kit/lives-hang-on-it.ts';
import { indexOf, type Plan, type PlanStation } from '../kit/plan.ts';
import type { PartMaterial } from '../tightening/joint-stiffness.ts';
import { type Proposal, proposeTorque, rankValueSources, type ValueOffer } from '../tightening/proposed-torque.ts';
import type { ThreadFinish } from '../tightening/thread-finish.ts';
import { type FigureLead, figureLeads } from './figure-source.ts';

/** One place a figure may come from, in the order a person looks there. */
export interface FigureOffer {
  source: FigureSource;
  allowed: boolean;
  because: ValueOffer['because'];
}

/** All that is known of a joint whose sheet gives no figure. */
export interface FigureSearch {
  /** The bolt the figure is for: a figure belongs to its bolt. */
  bolt?: { name: string; thread?: string; propertyClass?: string };
  /** Whose bolt it is: the kit's sheet goes first for its own, the vehicle maker's for one that goes back in. */
  hardware: 'kit' | 'factory';
  safetyCritical: boolean;
  offers: FigureOffer[];
  /** What sheets of the shop print for the same thread or place. */
  leads: FigureLead[];
  /** Worked out from size, class and what is on the thread; undefined where it may not be or cannot be. */
  estimate?: Pick<Proposal, 'torqueNm' | 'limitedBy'> & { finish: ThreadFinish };
}

const SOURCE_OF: Record<ValueOffer['source'], FigureSource> = {
  kitSheet: 'kitSheet',
  vehicleMaker: 'vehicleMaker',
  otherKitSheet: 'otherKit',
  estimate: 'estimate',
  byFeel: 'byFeel',
};

const MATERIALS: ReadonlySet<string> = new Set<PartMaterial>(['steel', 'aluminium', 'castIron', 'magnesium']);

function finishOf(plan: Plan, station: PlanStation | undefined): ThreadFinish {
  const kind = indexOf(plan).compounds.get(station?.compound ?? '')?.kind;
  if (kind === 'antiSeize') return 'antiSeize';
  if (kind === 'threadlockerLow' || kind === 'threadlockerMedium') return 'lockerMedium';
  if (kind === 'threadlockerHigh') return 'lockerHigh';
  return kind === 'grease' ? 'oiled' : 'dry';
}

/** A torque by the bench's own core, for a joint that nothing hangs on. */
function estimateOf(
  plan: Plan,
  station: PlanStation | undefined,
  bolt: FigureSearch['bolt'],
  critical: boolean,
): FigureSearch['estimate'] {
  const read = parseThread(bolt?.thread ?? '');
  if (critical || !read.ok || bolt?.propertyClass === undefined) return undefined;
  const clamped =
    station?.stack.flatMap((piece) => (piece.kind === 'clamped' ? [piece.material ?? 'steel'] : [])) ?? [];
  // Under plastic or rubber no load of a bolt says anything.
  if (clamped.some((material) => !MATERIALS.has(material))) return undefined;
  const part = (['magnesium', 'aluminium', 'castIron'] as const).find((soft) => clamped.includes(soft)) ?? 'steel';
  const finish = finishOf(plan, station);
  const proposed = proposeTorque({
    thread: read.value.thread,
    propertyClass: bolt.propertyClass,
    finish,
    tag: 'ordinary',
    part,
  });
  return proposed.ok ? { torqueNm: proposed.value.torqueNm, limitedBy: proposed.value.limitedBy, finish } : undefined;
}

/**
 * Where a figure for a joint may come from, ranked by whose bolt it is: for the kit's own hardware the kit's sheet first,
 * for one of the vehicle that goes back in the vehicle maker's manual; what is printed for the same place or thread
 * elsewhere; what the bench works out; by feel last, and never for a joint that lives hang on.
 *
 * @param id - a station, or a thing that came off
 */
export function findFigure(plan: Plan, id: string, library: readonly KitDocument[]): FigureSearch {
  const { stations, items, groups } = indexOf(plan);
  const station = stations.get(id);
  const thing = plan.removed.find((entry) => entry.id === id);
  const item = station?.stack
    .flatMap((piece) => (piece.kind === 'hardware' ? (items.get(piece.item) ?? []) : []))
    .find(({ thread }) => thread !== undefined);
  const again = station && groups.get(station.groupId)?.again;
  const own = again ? plan.removed.find((entry) => entry.id === again.thing) : thing;
  const hardware = own || item?.source === 'factory' ? 'factory' : 'kit';
  const bolt = own
    ? { name: own.name, thread: own.thread }
    : item && { name: item.name, thread: item.thread, propertyClass: item.propertyClass };
  const safetyCritical = station !== undefined && livesHangOnIt(station);
  // What seats a stud in its hub belongs to its own kit and thread, and to no other.
  const leads = figureLeads(plan, id, library).filter(({ source }) => item?.kind !== 'stud' || source === 'kitSheet');
  const estimate = estimateOf(plan, station, bolt, safetyCritical);
  const offers = rankValueSources({
    hardware,
    tag: safetyCritical ? 'suspension' : 'ordinary',
    // Sheet and manual are looked into by a person: that there is nothing in them is for them to say.
    kitSheetNm: 0,
    vehicleMakerNm: 0,
    otherKitNm: leads.some(({ source }) => source === 'otherKit') ? 0 : undefined,
    otherKitSameJoint: leads.some(({ source, samePlace }) => source === 'otherKit' && samePlace),
    estimateNm: estimate?.torqueNm,
    strictShop: !plan.rules.byFeel,
  }).map(({ source: from, allowed, because }) => {
    const source = SOURCE_OF[from];
    const taken = source === 'estimate' ? plan.rules.estimates : source === 'otherKit' ? plan.rules.otherKits : true;
    return { source, allowed: allowed && taken, because: allowed && !taken ? ('shopRefuses' as const) : because };
  });
  return { bolt, hardware, safetyCritical, offers, leads, estimate };
}
