import { useMemo } from 'react';
import type { PlacedFault } from '#core/drill/drill.ts';
import { pullAt } from '#core/drill/scene.ts';
import { slopeOfStack } from '#core/job/stack-joint.ts';
import { indexOf, type Plan } from '#core/kit/plan.ts';
import { acceptBand } from '#core/tightening/kinds.ts';
import { FeltCurve } from './FeltCurve.tsx';

/** What a pull of a station feels like with some faults in the job; nothing where its stack says too little. */
export function PulledCurve({
  plan,
  station,
  faults,
  seed,
  label,
}: {
  plan: Plan;
  station: string;
  faults: readonly PlacedFault[];
  seed: number;
  label: string;
}) {
  const samples = useMemo(() => pullAt(plan, station, faults, seed), [plan, station, faults, seed]);
  const planned = indexOf(plan).stations.get(station);
  const band = planned && acceptBand(planned.spec);
  const slope = planned && slopeOfStack(plan, planned);
  if (!samples || !band || !slope) return null;
  return <FeltCurve samples={samples} targetNm={band.targetNm} riseDeg={band.targetNm / slope} label={label} />;
}
