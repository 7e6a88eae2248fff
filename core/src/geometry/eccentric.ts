import { firstFault, type InputFault, outOfRange } from '../quantity/input-fault.ts';
import { fail, ok, type Result } from '../result.ts';

const DEG = 180 / Math.PI;

/** Where an eccentric bolt or cam sits: what its lobe does to the wheel when it points outwards. */
export const ECCENTRIC_PLACES = {
  upperClamp: 'topOut',
  lowerClamp: 'topIn',
  upperArm: 'topOut',
  lowerArm: 'topIn',
} as const satisfies Record<string, 'topOut' | 'topIn'>;
export type EccentricPlace = keyof typeof ECCENTRIC_PLACES;
export type Side = 'left' | 'right';

/** An eccentric as its maker states it. */
export interface Eccentric {
  /** Change of camber with the lobe a quarter turn from neutral, °; above 0. */
  authorityDeg: number;
  /** What the lobe does pointing outwards. */
  lobeOut: 'topOut' | 'topIn';
}

/** A position of the lobe: from neutral towards outwards above 0. */
export interface LobeAt {
  angleDeg: number;
  changeDeg: number;
}

/** What a quarter turn outwards does to camber, °: top out is above 0. */
const outwardsDeg = ({ authorityDeg, lobeOut }: Eccentric): number =>
  lobeOut === 'topOut' ? authorityDeg : -authorityDeg;

/** Change of camber at a lobe angle: the maker's authority times the sine of the angle from neutral. */
export const changeAt = (eccentric: Eccentric, angleDeg: number): number =>
  outwardsDeg(eccentric) * Math.sin(angleDeg / DEG);

export interface EccentricAsk {
  eccentric: Eccentric;
  /** As it stands with the lobe where it is, and as it should. */
  nowDeg: number;
  aimDeg: number;
  /** Where the lobe stands now, or is to start by the sheet: from neutral, outwards above 0. */
  lobeDeg: number;
}

export interface EccentricAnswer extends LobeAt {
  /** Camber that comes of it, and what is missing to the aim. */
  camberDeg: number;
  missingDeg: number;
  /** Which way the lobe goes from where it is, and by how much. */
  turnDeg: number;
  towards: 'outwards' | 'inwards' | 'stays';
  /** What the top of the wheel does on the way. */
  top: 'out' | 'in' | 'stays';
  /** Camber at neutral, and the least and most that can be reached. */
  neutralDeg: number;
  reach: { minDeg: number; maxDeg: number };
  /** The lobe stands on the side of neutral that leads away from the aim. */
  startsAway: boolean;
}

/** A turn smaller than this is none, °: nobody sets a cam finer. Chosen by us. */
const STILL_DEG = 0.5;

/**
 * Where an eccentric's lobe must point for the aim, and which way it gets there. Within a quarter turn to both sides of
 * neutral: beyond it goes back.
 */
export function eccentricFor({
  eccentric,
  nowDeg,
  aimDeg,
  lobeDeg,
}: EccentricAsk): Result<EccentricAnswer, InputFault> {
  const fault = firstFault(
    outOfRange('authorityDeg', eccentric.authorityDeg, 0.05, 6),
    outOfRange('nowDeg', nowDeg, -15, 15),
    outOfRange('aimDeg', aimDeg, -15, 15),
    outOfRange('lobeDeg', lobeDeg, -90, 90),
  );
  if (fault) return fail(fault);
  const full = outwardsDeg(eccentric);
  const neutralDeg = nowDeg - changeAt(eccentric, lobeDeg);
  const share = Math.max(-1, Math.min(1, (aimDeg - neutralDeg) / full));
  const angleDeg = Math.asin(share) * DEG;
  const camberDeg = neutralDeg + full * share;
  const turnDeg = angleDeg - lobeDeg;
  const still = Math.abs(turnDeg) < STILL_DEG;
  return ok({
    angleDeg,
    changeDeg: full * share,
    camberDeg,
    missingDeg: aimDeg - camberDeg,
    turnDeg,
    towards: still ? 'stays' : turnDeg > 0 ? 'outwards' : 'inwards',
    top: still ? 'stays' : camberDeg > nowDeg ? 'out' : 'in',
    neutralDeg,
    reach: { minDeg: neutralDeg - eccentric.authorityDeg, maxDeg: neutralDeg + eccentric.authorityDeg },
    startsAway:
      Math.abs(lobeDeg) > STILL_DEG && Math.sign(changeAt(eccentric, lobeDeg)) === -Math.sign(aimDeg - neutralDeg),
  });
}

/** The way a lobe that points up at neutral turns towards outwards, seen from the front of the vehicle looking at it. */
export const clockwiseFromFront = (side: Side, towards: 'outwards' | 'inwards'): boolean =>
  // From the front the left wheel is on the viewer's right.
  (side === 'left') === (towards === 'outwards');
