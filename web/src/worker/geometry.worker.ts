import { expose } from 'comlink';
import { cornerCurves } from '#core/bench/corner.ts';

/** Sweeps of a suspension, off the screen's thread. */
const worker = { cornerCurves };
export type GeometryWorker = typeof worker;
expose(worker);
