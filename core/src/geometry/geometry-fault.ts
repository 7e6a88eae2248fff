import type { InputFault } from '../quantity/input-fault.ts';
import type { ChangeFault } from './corner-change.ts';
import type { PointsFault } from './hard-points.ts';
import type { SolidAxleFault } from './solid-axle.ts';
import type { CornerFault } from './solve-corner.ts';

/** All that can be wrong with a suspension's points, a change to it, or links that do not meet. */
export type GeometryFault = PointsFault | ChangeFault | CornerFault | SolidAxleFault;
/** Of them those that are no plain figure out of range. */
export type GeometryFaultCode = Exclude<GeometryFault['code'], InputFault['code']>;
