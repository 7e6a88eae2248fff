import { boltStrength } from '../fastener/property-class.ts';
import { parseThread } from '../fastener/thread.ts';
import { stackJoint } from '../job/stack-joint.ts';
import { indexOf, type Plan, type PlanStation } from '../kit/plan.ts';
import { finishOfBasis } from '../kit/printed-spec.ts';
import { toBase } from '../quantity/unit.ts';
import { boltStress } from '../tightening/assembly-preload.ts';
import { acceptBand } from '../tightening/kinds.ts';
import { usualFace } from '../tightening/proposed-torque.ts';
import { evenFriction, finishFriction } from '../tightening/thread-finish.ts';
import { torquePerNewton } from '../tightening/tightening-torque.ts';
import { COUNTED_SHORT, GAP_MM, HOT_CELSIUS } from './amounts.ts';
import { shorterMm } from './bag.ts';
import type { PlacedFault } from './drill.ts';
import {
  bareHeadPressure,
  calledByHeadMm,
  coarseWrench,
  missingPieces,
  oneFigureOf,
  weakerClass,
} from './place-faults.ts';
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
  | { code: 'bondBroken' }
  /** What is left of the load a piece can carry at all, as a share of a new one's. */
  | { code: 'weaker'; leftShare: number }
  /** What is to keep a nut from turning has gone. */
  | { code: 'lockGone' }
  /** The part is pressed so many times as hard. */
  | { code: 'pressed'; times: number }
  /** Turned the usual way it tears, or comes off by itself. */
  | { code: 'wrongTurn' }
  /** Skin burns. */
  | { code: 'burns'; celsius: number }
  /** What a vehicle brings along that comes down, kJ. */
  | { code: 'falls'; kilojoule: number }
  /** A wrench below its scale may be out by so much, as a share of the figure. */
  | { code: 'misread'; share: number }
  /** What is left of the grip of two faces that hold by friction. */
  | { code: 'gripLost'; leftShare: number }
  /** The part stands askew by so much, mm. */
  | { code: 'tilted'; mm: number };

/** Friction of a thread that was oiled against a dry figure, and of a crossed one. Common practice, no source. */
const OILED = 0.08;
/** Of the torque a crossed thread eats before the head is down (Bickford's curves show a quarter to a half; the middle is taken). */
const EATEN_BY_CROSSING = 0.4;
/** What a soft joint, or one over tape, keeps once it has settled (chosen by us). */
const SOFT_KEEPS = 0.75;
/** What a thread holds that has begun to strip: the rest of the pull only tears on. */
const STRIPPED_KEEPS = 0.4;

/** A neck is a tenth thinner than its bolt before anybody sees it (chosen by us); what it carries goes with its area. */
const NECK = 0.9;
/** A passenger car's heavy end and how far it drops off a jack (chosen by us). */
const FALL = { kg: 900, metres: 0.35 };
const GRAVITY = 9.806_65;
/** What a wrench may be out by, as a share of the top of its scale, below which none is promised (ISO 6789-1:2017: 4 % of the reading from a fifth of the scale up). */
const WRENCH_ERROR = 0.04;

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
    case 'usedBolt':
      return { code: 'weaker', leftShare: Math.round(NECK ** 2 * 100) / 100 };
    case 'usedNut':
    case 'lockerOnLockNut':
      return { code: 'lockGone' };
    case 'forceForTorque':
      // Kilograms taken for kilogram-force metres.
      return pulledTo(plan, first, toBase(figure ?? 0, 'kgf·m'));
    case 'wrongCount': {
      const of = indexOf(plan).groups.get(target)?.stations.length ?? COUNTED_SHORT + 1;
      const bolts = of - COUNTED_SHORT;
      return { code: 'fewerBolts', bolts, of, loadEach: shareOf(of, bolts) };
    }
    case 'calledByHead': {
      const members = plan.stations.filter(({ groupId }) => groupId === target);
      const sizes = calledByHeadMm(members, (id) => items.get(id)?.thread);
      const meantNm = first && acceptBand(first.spec)?.targetNm;
      if (!sizes || meantNm === undefined) return { code: 'unknownLoad' };
      // At the same stress a figure goes with the third power of the size.
      return pulledTo(plan, first, meantNm * (sizes.headMm / sizes.nominalMm) ** 3);
    }
    case 'leftHandThread':
      return { code: 'wrongTurn' };
    case 'washerMissing': {
      const times = station && bareHeadPressure(plan, station);
      return times === undefined ? { code: 'unknownLoad' } : { code: 'pressed', times: Math.round(times * 10) / 10 };
    }
    case 'partReversed':
      return { code: 'wrongPlace' };
    case 'greasyFace': {
      const dry = finishFriction(finishOfBasis(station?.basis)).usual;
      return { code: 'gripLost', leftShare: shareOf(OILED, dry) };
    }
    case 'neighbourLoose': {
      const of = indexOf(plan).groups.get(station?.groupId ?? '')?.stations.length ?? 2;
      return { code: 'fewerBolts', bolts: of - 1, of, loadEach: shareOf(of, of - 1) };
    }
    case 'gapUneven':
      return { code: 'tilted', mm: GAP_MM };
    case 'hotPart':
      return { code: 'burns', celsius: HOT_CELSIUS };
    case 'onJackAlone':
      return { code: 'falls', kilojoule: Math.round((FALL.kg * GRAVITY * FALL.metres) / 100) / 10 };
    case 'wrongWrench': {
      const meantNm = station && acceptBand(station.spec)?.targetNm;
      const wrench = meantNm === undefined ? undefined : coarseWrench(meantNm);
      return wrench && meantNm !== undefined
        ? { code: 'misread', share: shareOf(WRENCH_ERROR * wrench.toNm, meantNm) }
        : { code: 'unknownLoad' };
    }
    case 'swapped':
    case 'missingFigure':
    case 'alreadyTight':
    case 'seizedStud':
    case 'poorHole':
    case 'undeclaredPart':
      return { code: 'unknownLoad' };
  }
}
