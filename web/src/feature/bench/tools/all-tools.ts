import type { BenchTool } from '../bench-tool.ts';
import { ADAPTER } from './adapter.tsx';
import { ADJUSTER } from './adjuster.tsx';
import { ANGLE } from './angle.tsx';
import { BEAD } from './bead.tsx';
import { BUSH } from './bush.tsx';
import { CAMBER } from './camber.tsx';
import { CARRIER } from './carrier.tsx';
import { CHOOSE } from './choose.tsx';
import { CLAMP } from './clamp.tsx';
import { CONVERT } from './convert.tsx';
import { CORNER } from './corner.tsx';
import { CURE } from './cure.tsx';
import { DRILL } from './drill.tsx';
import { DROOP } from './droop.tsx';
import { ENGAGEMENT } from './engagement.tsx';
import { FINISH } from './finish.tsx';
import { FIT } from './fit.tsx';
import { IDENTIFY } from './identify.tsx';
import { INTERACTION } from './interaction.tsx';
import { LOAD } from './load.tsx';
import { PARTS_TOOL } from './parts.tsx';
import { PROP_SHAFT } from './prop-shaft.tsx';
import { RISE } from './rise.tsx';
import { SLOT } from './slot.tsx';
import { STUD } from './stud.tsx';
import { TORQUE } from './torque.tsx';
import { TOW } from './tow.tsx';
import { TRACK_BAR } from './track-bar.tsx';
import { TRAILER } from './trailer.tsx';
import { TYRES } from './tyres.tsx';
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
  CORNER,
  CAMBER,
  RISE,
  DROOP,
  TRACK_BAR,
  PROP_SHAFT,
  TYRES,
  TRAILER,
  TOW,
  CARRIER,
  CONVERT,
];
