import { firstFault, type InputFault, outOfRange } from '../quantity/input-fault.ts';
import { fail, ok, type Result } from '../result.ts';
import { distanceMm, type Point } from './load-imbalance.ts';

/**
 * A joint group as springs on an elastic flange. Bolt i stretched by its nut by x carries F; the flange gives under
 * every bolt: (I/k + C) · F = x for the bolts that are tightened, and loose ones carry nothing. `C` couples them, so
 * that tightening one takes load from its neighbours.
 */
export interface ElasticGroup {
  /** Stiffness of one bolt k, N/mm. */
  boltStiffnessNPerMm: number;
  /** Compliance of the flange at bolt i for a force at bolt j, mm/N; symmetric, row by row. */
  complianceMmPerN: readonly (readonly number[])[];
}

/** One pull of a sequence: which bolt, and the preload it is brought to, N. */
export interface Pull {
  bolt: number;
  toN: number;
}

/** Preload of every bolt after each pull, N: `history[pull][bolt]`. */
export type PreloadHistory = Float64Array[];

/**
 * Compliance that fades with distance along the flange: c0 · exp(−distance/λ), mm/N.
 *
 * @param positions - bolts, mm; on a circle the distance is the arc, elsewhere the straight line
 * @param c0MmPerN - compliance of a bolt on itself
 * @param lengthMm - λ, above 0
 * @param circleRadiusMm - radius when the bolts stand on a circle about the origin
 */
export function fadingCompliance(
  positions: readonly Point[],
  c0MmPerN: number,
  lengthMm: number,
  circleRadiusMm?: number,
): number[][] {
  const between = (a: Point, b: Point) => {
    if (circleRadiusMm === undefined) return distanceMm(a, b);
    const chord = Math.min(distanceMm(a, b), 2 * circleRadiusMm);
    return 2 * circleRadiusMm * Math.asin(chord / (2 * circleRadiusMm));
  };
  return positions.map((a) => positions.map((b) => c0MmPerN * Math.exp(-between(a, b) / lengthMm)));
}

/** `n` bolts evenly round a circle, the first at the top, clockwise, mm. */
export const circlePositions = (n: number, radiusMm: number): Point[] =>
  Array.from({ length: n }, (_, index) => {
    const angle = (2 * Math.PI * index) / n;
    return { xMm: radiusMm * Math.sin(angle), yMm: -radiusMm * Math.cos(angle) };
  });

function groupFault({ boltStiffnessNPerMm, complianceMmPerN }: ElasticGroup): InputFault | undefined {
  const n = complianceMmPerN.length;
  if (n < 1 || n > 512) return outOfRange('bolts', n, 1, 512);
  for (const [i, row] of complianceMmPerN.entries()) {
    if (row.length !== n)
      return { code: 'contradiction', field: `compliance[${i}]`, with: 'compliance', reason: 'not square' };
    for (const [j, value] of row.entries()) {
      const wrong = outOfRange(`compliance[${i}][${j}]`, value, 0, 1);
      if (wrong) return wrong;
      if (Math.abs(value - (complianceMmPerN[j]?.[i] ?? 0)) > 1e-12 + 1e-6 * value)
        return {
          code: 'contradiction',
          field: `compliance[${i}][${j}]`,
          with: `compliance[${j}][${i}]`,
          reason: 'not symmetric',
        };
    }
  }
  return firstFault(outOfRange('boltStiffnessNPerMm', boltStiffnessNPerMm, 1, 1e9));
}

/**
 * Solves A·F = b by Cholesky. A is symmetric and positive definite; a compliance that is not refuses here.
 * @returns undefined when A is not positive definite
 */
function solveSymmetric(a: readonly (readonly number[])[], b: readonly number[]): number[] | undefined {
  const n = b.length;
  const lower = a.map(() => new Float64Array(n));
  for (let i = 0; i < n; i++) {
    const rowI = lower[i] as Float64Array;
    for (let j = 0; j <= i; j++) {
      const rowJ = lower[j] as Float64Array;
      let sum = a[i]?.[j] ?? 0;
      for (let k = 0; k < j; k++) sum -= (rowI[k] as number) * (rowJ[k] as number);
      if (i === j) {
        if (!(sum > 0)) return undefined;
        rowI[i] = Math.sqrt(sum);
      } else rowI[j] = sum / (rowJ[j] as number);
    }
  }
  const y = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    let sum = b[i] ?? 0;
    for (let k = 0; k < i; k++) sum -= (lower[i]?.[k] as number) * (y[k] as number);
    y[i] = sum / (lower[i]?.[i] as number);
  }
  const x = new Array<number>(n).fill(0);
  for (let i = n - 1; i >= 0; i--) {
    let sum = y[i] as number;
    for (let k = i + 1; k < n; k++) sum -= (lower[k]?.[i] as number) * (x[k] as number);
    x[i] = sum / (lower[i]?.[i] as number);
  }
  return x;
}

/** The tightened bolts with the inverse of (I/k + C) over them; row i belongs to `members[i]`. */
interface Tightened {
  group: ElasticGroup;
  members: number[];
  /** Where a bolt stands in `members`, −1 when it is loose. */
  place: Int32Array;
  inverse: Float64Array[];
  forces: Float64Array;
}

/**
 * Takes a bolt in by bordering: A' = [A a; aᵀ α]. With u = A⁻¹a and s = α − aᵀu the new inverse is
 * [A⁻¹ + u uᵀ/s, −u/s; −uᵀ/s, 1/s].
 * @returns false when the matrix is not positive definite
 */
function takeIn({ group, members, place, inverse }: Tightened, bolt: number): boolean {
  const m = members.length;
  const row = group.complianceMmPerN[bolt] as readonly number[];
  const column = new Float64Array(m);
  let schur = (row[bolt] as number) + 1 / group.boltStiffnessNPerMm;
  for (let i = 0; i < m; i++) {
    const inverseRow = inverse[i] as Float64Array;
    let sum = 0;
    for (let j = 0; j < m; j++) sum += (inverseRow[j] as number) * (row[members[j] as number] as number);
    column[i] = sum;
    schur -= (row[members[i] as number] as number) * sum;
  }
  if (!(schur > 0)) return false;
  const last = inverse[m] as Float64Array;
  for (let i = 0; i < m; i++) {
    const share = (column[i] as number) / schur;
    const inverseRow = inverse[i] as Float64Array;
    for (let j = 0; j < m; j++) inverseRow[j] = (inverseRow[j] as number) + share * (column[j] as number);
    inverseRow[m] = -share;
    last[i] = -share;
  }
  last[m] = 1 / schur;
  place[bolt] = m;
  members.push(bolt);
  return true;
}

/**
 * Lets a bolt go loose: its force falls to 0 while the others keep their stretch, and its row leaves the inverse,
 * B' = B − b bᵀ/β with b its column and β its own entry.
 */
function letGo({ members, place, inverse, forces }: Tightened, bolt: number): void {
  const [r, m] = [place[bolt] as number, members.length];
  const column = Float64Array.from(inverse[r] as Float64Array);
  const own = column[r] as number;
  const fallen = forces[bolt] as number;
  for (let i = 0; i < m; i++) {
    const share = (column[i] as number) / own;
    const member = members[i] as number;
    forces[member] = (forces[member] as number) - share * fallen;
    const inverseRow = inverse[i] as Float64Array;
    for (let j = 0; j < m; j++) inverseRow[j] = (inverseRow[j] as number) - share * (column[j] as number);
  }
  forces[bolt] = 0;
  // The last row and column take the empty place.
  const last = m - 1;
  const moved = members[last] as number;
  for (let i = 0; i < m; i++) (inverse[i] as Float64Array)[r] = (inverse[i] as Float64Array)[last] as number;
  (inverse[r] as Float64Array).set(inverse[last] as Float64Array);
  members[r] = moved;
  place[moved] = r;
  members.pop();
  place[bolt] = -1;
}

/** Turns one nut until its bolt carries `toN`; all others keep their stretch. */
function turn({ members, place, inverse, forces }: Tightened, bolt: number, toN: number): void {
  const own = inverse[place[bolt] as number] as Float64Array;
  const stretch = (toN - (forces[bolt] as number)) / (own[place[bolt] as number] as number);
  for (let i = 0; i < members.length; i++) {
    const member = members[i] as number;
    forces[member] = (forces[member] as number) + (own[i] as number) * stretch;
  }
  forces[bolt] = toN;
}

/** A group being tightened, pull after pull. */
interface ElasticRun {
  /**
   * Turns one nut until its bolt carries `toN`; one that carries more already stays as it is, for a wrench clicks and
   * does not loosen. False when the flange's matrix is not positive definite.
   */
  pull(pull: Pull): boolean;
  /** Preload of every bolt now, N. The array changes with the next pull. */
  readonly forces: Float64Array;
}

/**
 * Starts with every bolt loose.
 *
 * The inverse of (I/k + C) over the tightened bolts grows when a bolt is met first; a pull then changes all preloads
 * by one column of it: n² for a first pull, n for every later one. A bolt that would push instead of pull has been
 * unloaded by its neighbours: it is loose, carries nothing, and counts as loose until it is pulled again.
 */
function startRun(group: ElasticGroup): ElasticRun {
  const n = group.complianceMmPerN.length;
  const tightened: Tightened = {
    group,
    members: [],
    place: new Int32Array(n).fill(-1),
    inverse: Array.from({ length: n }, () => new Float64Array(n)),
    forces: new Float64Array(n),
  };
  const { members, place, forces } = tightened;
  return {
    forces,
    pull({ bolt, toN }) {
      if ((forces[bolt] as number) >= toN) return true;
      if ((place[bolt] as number) < 0 && !takeIn(tightened, bolt)) return false;
      turn(tightened, bolt, toN);
      // Each round lets the one furthest below zero go, so this ends.
      for (;;) {
        const lowest = members.reduce(
          (low, member) => ((forces[member] as number) < (forces[low] as number) ? member : low),
          bolt,
        );
        if ((forces[lowest] as number) >= 0) return true;
        letGo(tightened, lowest);
        turn(tightened, bolt, toN);
      }
    },
  };
}

const NOT_DEFINITE: InputFault = {
  code: 'contradiction',
  field: 'compliance',
  with: 'bolts',
  reason: 'not positive definite',
};

/**
 * Preload left in every bolt after each pull of a sequence; see {@link startRun} for what it costs.
 *
 * @param group - springs and flange
 * @param pulls - in order; a bolt may be pulled any number of times. Targets in N, above 0
 * @returns the history, or the input that cannot be
 */
export function elasticSequence(group: ElasticGroup, pulls: readonly Pull[]): Result<PreloadHistory, InputFault> {
  const n = group.complianceMmPerN.length;
  let fault = groupFault(group);
  pulls.forEach(({ bolt, toN }, index) => {
    fault ??= Number.isInteger(bolt)
      ? outOfRange(`pulls[${index}].bolt`, bolt, 0, n - 1)
      : { code: 'notANumber', field: `pulls[${index}].bolt` };
    fault ??= outOfRange(`pulls[${index}].toN`, toN, 1e-9, 1e7);
  });
  if (fault) return fail(fault);
  const run = startRun(group);
  const history: PreloadHistory = [];
  for (const pull of pulls) {
    if (!run.pull(pull)) return fail(NOT_DEFINITE);
    history.push(Float64Array.from(run.forces));
  }
  return ok(history);
}

/**
 * How the bolts of a wholly tightened group act on one another: entry [i][j] is what bolt i gains, in newtons, for each
 * newton that pulling bolt j adds to it. 1 on the diagonal; below 0 where j takes load from i.
 *
 * @returns the matrix row by row, or the input that cannot be
 */
export function interactionMatrix(group: ElasticGroup): Result<number[][], InputFault> {
  const fault = groupFault(group);
  if (fault) return fail(fault);
  const n = group.complianceMmPerN.length;
  const inverse = Array.from({ length: n }, () => new Float64Array(n));
  const all: Tightened = {
    group,
    members: [],
    place: new Int32Array(n).fill(-1),
    inverse,
    forces: new Float64Array(n),
  };
  for (let bolt = 0; bolt < n; bolt++) if (!takeIn(all, bolt)) return fail(NOT_DEFINITE);
  return ok(inverse.map((row) => Array.from(row, (value, j) => value / (inverse[j]?.[j] as number))));
}

/** Evenness of a set of preloads: (largest − smallest) / target. 0 is even. */
export const unevenness = (forces: ArrayLike<number>, targetN: number): number => {
  const list = Array.from(forces);
  return (Math.max(...list) - Math.min(...list)) / targetN;
};

/** A pass of a group: the order and the share of the target. */
export interface StagedPass {
  share: number;
  order: readonly number[];
}

/** The pulls of several passes at shares of a target. */
export const passPulls = (passes: readonly StagedPass[], targetN: number): Pull[] =>
  passes.flatMap(({ share, order }) => order.map((bolt) => ({ bolt, toN: share * targetN })));

/**
 * How many times round until the preloads are as even as wanted, and the fewest pulls that reach it when after the
 * first round always the bolt furthest below its target is pulled.
 *
 * @param wanted - (largest − smallest)/target, above 0
 * @param mostRounds - give up after this many rounds
 */
export function pullsForEvenness(
  group: ElasticGroup,
  order: readonly number[],
  targetN: number,
  wanted: number,
  mostRounds = 20,
): Result<{ rounds?: number; roundPulls?: number; greedyPulls?: number; unevennessByRound: number[] }, InputFault> {
  const fault = firstFault(outOfRange('wanted', wanted, 1e-6, 1), outOfRange('targetN', targetN, 1, 1e7));
  if (fault) return fail(fault);
  const one = order.map((bolt) => ({ bolt, toN: targetN }));
  const many = Array.from({ length: mostRounds }, () => one).flat();
  const history = elasticSequence(group, many);
  if (!history.ok) return history;
  const unevennessByRound = Array.from({ length: mostRounds }, (_, round) =>
    unevenness(history.value[(round + 1) * order.length - 1] as Float64Array, targetN),
  );
  const rounds = unevennessByRound.findIndex((value) => value <= wanted);
  const run = startRun(group);
  let greedyPulls: number | undefined;
  for (let made = 0; made < order.length * mostRounds; made++) {
    // First once round in the order, then always the bolt furthest below its target.
    const bolt =
      order[made] ??
      order.reduce((low, at) => ((run.forces[at] as number) < (run.forces[low] as number) ? at : low), order[0] ?? 0);
    if (!run.pull({ bolt, toN: targetN })) return fail(NOT_DEFINITE);
    if (made + 1 >= order.length && unevenness(run.forces, targetN) <= wanted) {
      greedyPulls = made + 1;
      break;
    }
  }
  return ok({
    rounds: rounds < 0 ? undefined : rounds + 1,
    roundPulls: rounds < 0 ? undefined : (rounds + 1) * order.length,
    greedyPulls,
    unevennessByRound,
  });
}

/**
 * Preload to pull each bolt to, in one round, so that all end at the target: the loss each will suffer is given to it
 * in advance. Found backwards: the last bolt gets the target, each earlier one what its successors will take.
 *
 * @returns targets in pulling order, N. Those early in the order may be far above the target: mind the bolt's limit.
 */
export function oneRoundTargetsN(
  group: ElasticGroup,
  order: readonly number[],
  targetN: number,
): Result<number[], InputFault> {
  const fault = groupFault(group) ?? firstFault(outOfRange('targetN', targetN, 1, 1e7));
  if (fault) return fail(fault);
  const { boltStiffnessNPerMm: k, complianceMmPerN: c } = group;
  const entry = (i: number, j: number) => (c[i]?.[j] ?? 0) + (i === j ? 1 / k : 0);
  // Stretch of each bolt in the wanted end state; a bolt keeps the stretch of its one pull.
  const stretch = order.map((i) => order.reduce((sum, j) => sum + entry(i, j) * targetN, 0));
  const targets: number[] = [];
  for (let done = 1; done <= order.length; done++) {
    const placed = order.slice(0, done);
    const solved = solveSymmetric(
      placed.map((i) => placed.map((j) => entry(i, j))),
      stretch.slice(0, done),
    );
    if (!solved) return fail(NOT_DEFINITE);
    targets.push(solved[done - 1] ?? 0);
  }
  return ok(targets);
}
