import type { BenchTool } from '../bench-tool.ts';
import { ADAPTER } from './adapter.tsx';
import { ADJUSTER } from './adjuster.tsx';
import { ANGLE } from './angle.tsx';
import { BEAD } from './bead.tsx';
import { BUSH } from './bush.tsx';
import { CHOOSE } from './choose.tsx';
import { CLAMP } from './clamp.tsx';
import { CONVERT } from './convert.tsx';
import { CURE } from './cure.tsx';
import { DRILL } from './drill.tsx';
import { ENGAGEMENT } from './engagement.tsx';
import { FINISH } from './finish.tsx';
import { FIT } from './fit.tsx';
import { IDENTIFY } from './identify.tsx';
import { INTERACTION } from './interaction.tsx';
import { LOAD } from './load.tsx';
import { PARTS_TOOL } from './parts.tsx';
import { SLOT } from './slot.tsx';
import { STUD } from './stud.tsx';
import { TORQUE } from './torque.tsx';
import { VALUE } from './value.tsx';
import { WHEEL } from './wheel.tsx';

/** The tools of the bench, in the order they hang on its wall. */
export const BENCH_TOOLS: readonly BenchTool[] = [
  TORQUE,
  FINISH,
  ANGLE,
  LOAD,
  INTERACTION,
  VALUE,
  ENGAGEMENT,
  WHEEL,
  STUD,
  ADJUSTER,
  SLOT,
  CLAMP,
  ADAPTER,
  IDENTIFY,
  PARTS_TOOL,
  DRILL,
  FIT,
  CHOOSE,
  BUSH,
  BEAD,
  CURE,
  CONVERT,
];
