import { boltStrength } from '../fastener/property-class.ts';
import { parseThread } from '../fastener/thread.ts';
import { stackJoint } from '../job/stack-joint.ts';
import { indexOf, type Plan, type PlanStation } from '../kit/plan.ts';
import { finishOfBasis } from '../kit/printed-spec.ts';
import { boltStress } from '../tightening/assembly-preload.ts';
import { acceptBand } from '../tightening/kinds.ts';
import { usualFace } from '../tightening/proposed-torque.ts';
import { evenFriction, finishFriction } from '../tightening/thread-finish.ts';
import { torquePerNewton } from '../tightening/tightening-torque.ts';
import { shorterMm } from './bag.ts';
import type { PlacedFault } from './drill.ts';
import { missingPieces, oneFigureOf, weakerClass } from './place-faults.ts';
import { contradictingNm, slippedNm, tenfoldNm } from './staged-kit.ts';

/** What a fault that nobody finds does to the joint, in numbers where its stack says enough. */
export type Consequence =
  /** So many bolts carry what more were to carry. */
  | { code: 'fewerBolts'; bolts: number; of: number; loadEach: number }
  /** So many joints stand without a piece of theirs. */
  | { code: 'leftOut'; joints: number }
  /** Stress while the torque is on, as a share of what the bolt yields at, and its load as a share of the right one. */
  | { code: 'overloaded'; yieldShare?: number; loadShare: number }
  /** The clamp load that is left, as a share of the right one. */
  | { code: 'loadLost'; leftShare: number }
  /** So much less thread holds than is meant, mm and in diameters. */
  | { code: 'threadShort'; byMm: number; diameters?: number }
  /** Nobody knows what the joint holds. */
  | { code: 'unknownLoad' }
  /** A part stands on the wrong side. */
  | { code: 'wrongPlace' }
  /** A bond that was broken while it set, or never took hold, holds nothing. */
  | { code: 'bondBroken' };

/** Friction of a thread that was oiled against a dry figure, and of a crossed one. Common practice, no source. */
const OILED = 0.08;
/** Of the torque a crossed thread eats before the head is down (Bickford's curves show a quarter to a half; the middle is taken). */
const EATEN_BY_CROSSING = 0.4;
/** What a soft joint, or one over tape, keeps once it has settled (chosen by us). */
const SOFT_KEEPS = 0.75;
/** What a thread holds that has begun to strip: the rest of the pull only tears on. */
const STRIPPED_KEEPS = 0.4;

const shareOf = (part: number, whole: number): number => Math.round((part / whole) * 100) / 100;

/** A station's joint at a torque: its load, and how near its bolt is to yielding. */
function stressed(
  plan: Plan,
  station: PlanStation,
  torqueNm: number,
  over: { friction?: number; propertyClass?: string } = {},
): { loadN: number; yieldShare?: number } | undefined {
  const stack = stackJoint(plan, station);
  const face = stack && usualFace(stack.thread);
  if (!stack || !face) return undefined;
  const mu = over.friction ?? finishFriction(finishOfBasis(station.basis)).usual;
  const loadN = torqueNm / torquePerNewton(stack.thread, evenFriction(mu), face);
  const strength = boltStrength(over.propertyClass ?? stack.propertyClass ?? '', stack.thread);
  return {
    loadN,
    ...(strength.ok
      ? { yieldShare: Math.round(boltStress(stack.thread, strength.value, loadN, mu).yieldShare * 100) / 100 }
      : {}),
  };
}

/** The joint is pulled to another torque, or with another bolt or friction, than is meant. */
function pulledTo(
  plan: Plan,
  station: PlanStation | undefined,
  torqueNm: number,
  over: { friction?: number; propertyClass?: string } = {},
): Consequence {
  const meantNm = station && acceptBand(station.spec)?.targetNm;
  if (!station || meantNm === undefined) return { code: 'unknownLoad' };
  const meant = stressed(plan, station, meantNm);
  const now = stressed(plan, station, torqueNm, over);
  if (!meant || !now) return { code: 'overloaded', loadShare: shareOf(torqueNm, meantNm) };
  return {
    code: 'overloaded',
    loadShare: shareOf(now.loadN, meant.loadN),
    ...(now.yieldShare === undefined ? {} : { yieldShare: now.yieldShare }),
  };
}

/**
 * What a fault does that is left in. Loads by VDI 2230-1:2015 through the torque and the friction of the thread's finish.
 *
 * @param plan - of the kit as it is meant
 */
export function consequenceOf(plan: Plan, { kind, target }: PlacedFault): Consequence {
  const { items, stations } = indexOf(plan);
  const station = stations.get(target);
  const item = items.get(target);
  const using = plan.stations.find(({ stack }) =>
    stack.some((piece) => piece.kind === 'hardware' && piece.item === target),
  );
  const first = plan.stations.find(({ groupId }) => groupId === target);
  const figure = oneFigureOf(plan, target);
  switch (kind) {
    case 'short': {
      if (item?.kind !== 'bolt' && item?.kind !== 'nut' && item?.kind !== 'stud')
        return { code: 'leftOut', joints: item ? missingPieces(item) - Math.max(0, item.expectedSpare) : 1 };
      const of = item?.needed ?? 1;
      const bolts = Math.max(1, (item?.quantity ?? 1) - missingPieces(item ?? { expectedSpare: 0 }));
      return { code: 'fewerBolts', bolts, of, loadEach: shareOf(of, bolts) };
    }
    case 'wrongClass':
      return pulledTo(plan, using, (using && acceptBand(using.spec)?.targetNm) ?? 0, {
        propertyClass: item && weakerClass(item),
      });
    case 'wrongLength': {
      const byMm = (item?.lengthMm ?? 0) - shorterMm(item?.lengthMm ?? 0);
      const thread = parseThread(item?.thread ?? '');
      return {
        code: 'threadShort',
        byMm,
        ...(thread.ok ? { diameters: shareOf(byMm, thread.value.thread.nominalMm) } : {}),
      };
    }
    case 'damagedThread':
    case 'crossed':
      return { code: 'loadLost', leftShare: 1 - EATEN_BY_CROSSING };
    case 'wrongSide':
      return { code: 'wrongPlace' };
    case 'lostDecimal':
      return pulledTo(plan, first, tenfoldNm(figure ?? 0));
    case 'unitSlip':
      return pulledTo(plan, first, slippedNm(figure ?? 0));
    case 'contradiction':
      return pulledTo(plan, first, contradictingNm(figure ?? 0));
    case 'bottomed':
      return { code: 'loadLost', leftShare: 0 };
    case 'stripping':
      return { code: 'loadLost', leftShare: STRIPPED_KEEPS };
    case 'slippery':
      return pulledTo(plan, station, (station && acceptBand(station.spec)?.targetNm) ?? 0, { friction: OILED });
    case 'soft':
    case 'leftInPlace':
      return { code: 'loadLost', leftShare: SOFT_KEEPS };
    case 'halfDone':
      return { code: 'loadLost', leftShare: 0 };
    case 'lockerSet':
    case 'greasyThread':
      return { code: 'bondBroken' };
    case 'missingFigure':
    case 'alreadyTight':
    case 'seizedStud':
    case 'poorHole':
    case 'undeclaredPart':
      return { code: 'unknownLoad' };
  }
}
