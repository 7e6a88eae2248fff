import { FAULT_WORDS, HOLE_WORDS } from '#contract/wording/en/drill.ts';
import { bagOf } from '#core/drill/bag.ts';
import type { PlacedFault } from '#core/drill/drill.ts';
import { FAULTS } from '#core/drill/fault-kind.ts';
import { holeAt, readAt } from '#core/drill/scene.ts';
import { indexOf, type Plan } from '#core/kit/plan.ts';
import { BagLine } from '../../practice/BagStrip.tsx';
import { HolePicture } from '../../practice/HoleLook.tsx';
import { PulledCurve } from '../../practice/PulledCurve.tsx';

/** How a fault showed, as it was to be seen. */
export function FaultPicture({ plan, fault, seed }: { plan: Plan; fault: PlacedFault; seed: number }) {
  const { name } = FAULT_WORDS[fault.kind];
  switch (FAULTS[fault.kind].room) {
    case 'bag': {
      const item = indexOf(plan).items.get(fault.target);
      return item ? <BagLine item={item} pieces={bagOf(item, [fault], plan.items)} /> : null;
    }
    case 'hole': {
      const look = holeAt(fault.target, [fault]);
      return <HolePicture look={look} detail={readAt(plan, fault.target, look)} label={HOLE_WORDS[look]} />;
    }
    case 'pull':
      return <PulledCurve plan={plan} station={fault.target} faults={[fault]} seed={seed} label={name} />;
    default:
      return null;
  }
}
