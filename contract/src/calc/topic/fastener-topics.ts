import { drillFor } from '#core/bench/drill.ts';
import { engagementOf } from '#core/bench/engagement.ts';
import { identified } from '#core/bench/identify.ts';
import { headsFor, threadSizes, washersFor } from '#core/bench/sizes.ts';
import { studFor } from '#core/bench/stud.ts';
import { nearestDrill } from '#core/fastener/drill-size.ts';
import { tapDrill } from '#core/fastener/tap-drill.ts';
import { SHEAR_RATIO, TAPPED_SHEAR_RATIO, TAPPED_TENSILE_MPA } from '#core/fastener/thread-engagement.ts';
import type { CalcInput } from '../calc-input.ts';
import { inInches, must, need, readCallout, readStrength, readThread, refuse } from '../joint-input.ts';
import { remarked } from './remarked.ts';

/** Square millimetres of a square inch. */
const MM2_PER_IN2 = 645.16;

export function thread({ thread: text }: CalcInput<'thread'>) {
  const { thread: t, toleranceClass } = readCallout(text);
  const { limits: usual, clearanceHoleMm, ...sizes } = threadSizes(t);
  // Limits are known for the usual classes only; of another they would be wrong.
  const known = [undefined, usual?.externalClass, usual?.internalClass].includes(toleranceClass as '6g' | undefined);
  const limits = known ? usual : undefined;
  const drill = tapDrill(t);
  return {
    designation: t.designation,
    system: t.system,
    series: t.series,
    hand: t.leftHand ? 'left' : 'right',
    toleranceClass: toleranceClass ?? null,
    nominalMm: t.nominalMm,
    pitchMm: t.pitchMm,
    ...sizes,
    stressAreaIn2: sizes.stressAreaMm2 / MM2_PER_IN2,
    limits: limits ?? null,
    tapDrill: { name: drill.name, diameterMm: drill.diameterMm },
    clearanceHoleMm: {
      fine: clearanceHoleMm.fine ?? null,
      medium: clearanceHoleMm.medium ?? null,
      coarse: clearanceHoleMm.coarse ?? null,
    },
  };
}

export function head({ thread: text, standard }: CalcInput<'head'>) {
  const t = readThread(text);
  const heads = headsFor(t, standard && [standard]).map(({ standard: name, head: dimension }) => ({
    standard: name,
    ...dimension,
    acrossFlatsIn: inInches(dimension.acrossFlatsMm),
  }));
  if (heads.length === 0)
    refuse(
      standard === undefined ? 'thread' : 'standard',
      standard === undefined
        ? `no standard known here lists a head or nut for ${t.designation}: try the nearest listed size`
        : `${standard} does not list ${t.designation}: leave it out to see the standards that do`,
    );
  return { heads, washers: washersFor(t).map(({ standard: name, washer }) => ({ standard: name, ...washer })) };
}

export function engagement(input: CalcInput<'engagement'>) {
  const t = readThread(input.thread);
  if (input.propertyClass !== undefined && input.boltTensileMpa !== undefined)
    refuse('boltTensileMpa', 'contradicts propertyClass: the class has its own strength; give one of the two');
  if (input.shearRatio !== undefined && (input.boltShearRatio ?? input.tappedShearRatio) !== undefined)
    refuse('shearRatio', 'contradicts boltShearRatio and tappedShearRatio: give one for both, or them apart');
  const boltTensileMpa =
    input.boltTensileMpa ??
    (input.propertyClass === undefined
      ? refuse('propertyClass', 'give the bolt’s class or its tensile strength')
      : readStrength(input.propertyClass, t).tensileMpa);
  const tappedTensileMpa =
    input.tappedTensileMpa ??
    (input.material === undefined
      ? refuse('tappedTensileMpa', 'give the tapped material or its tensile strength')
      : TAPPED_TENSILE_MPA[input.material]);
  const ofMaterial = input.material === undefined ? SHEAR_RATIO : TAPPED_SHEAR_RATIO[input.material];
  const joint = {
    thread: t,
    boltTensileMpa,
    tappedTensileMpa,
    boltShearRatio: input.boltShearRatio ?? input.shearRatio ?? SHEAR_RATIO,
    tappedShearRatio: input.tappedShearRatio ?? input.shearRatio ?? ofMaterial,
  };
  const { insert, ...answer } = must(engagementOf(joint, input.engagementMm));
  const { thread: _, ...used } = joint;
  return remarked({
    ...answer,
    insertMm: insert.basic.lengthMm,
    insertLimitsMm: insert.limits.lengthMm,
    insertGoverns: insert.limits.governs,
    ...used,
  });
}

export function stud({ thread: text, spacerMm = 0, ...rest }: CalcInput<'stud'>) {
  const t = readThread(text);
  return remarked(must(studFor({ ...rest, spacerMm, nominalMm: t.nominalMm, pitchMm: t.pitchMm })));
}

export function identify({ coat, wornMm, ...measured }: CalcInput<'identify'>) {
  if (Object.keys(measured).length === 0)
    refuse('majorMm', 'measure at least one thing: over the crests, such as 9.85, a pitch, a socket that fits');
  const { candidates, pipes, ...found } = must(identified(measured, { coat, wornMm }));
  return remarked({
    ...found,
    pipes: pipes.map(({ pipe: { designation, ...pipe }, misfit }) => ({ thread: designation, ...pipe, misfit })),
    candidates: candidates.map(({ thread: t, ...rest }) => ({ thread: t.designation, ...rest })),
  });
}

export function drill({ thread: text, purpose = 'tap', fit = 'medium', diameterMm, series }: CalcInput<'drill'>) {
  if (text !== undefined && diameterMm !== undefined)
    refuse('diameterMm', 'contradicts thread: give the thread, or a diameter to find a drill for');
  if (text === undefined && diameterMm === undefined)
    refuse('thread', 'give a thread, such as M10, or a diameterMm, such as 8.5');
  if (text === undefined) return nearestOfEach(need('diameterMm', diameterMm ?? Number.NaN, 0.5, 60), series);
  const { overMinorMm: _, ...answer } = must(drillFor(purpose, readThread(text), fit));
  return remarked({ ...answer, ...nearestOfEach(answer.diameterMm, series) });
}

function nearestOfEach(diameterMm: number, series?: 'metric' | 'fraction' | 'number' | 'letter') {
  const of = (name: 'metric' | 'fraction' | 'number' | 'letter') => {
    const { drill: found, differenceMm } = nearestDrill(diameterMm, name);
    return { name: found.name, diameterMm: found.diameterMm, differenceMm };
  };
  const all = { metric: of('metric'), fraction: of('fraction'), number: of('number'), letter: of('letter') };
  return { diameterMm, diameterIn: inInches(diameterMm), nearest: series ? { [series]: all[series] } : all };
}
