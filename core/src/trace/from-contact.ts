import type { TraceSample } from './pull-trace.ts';

/** Degrees of free run that are drawn before the torque grows: the rest of it says nothing. */
const RUN_DEG = 40;

/** From a little before the torque grows until the handle is let go: degrees from there, and the torque. */
export function fromContact(samples: readonly TraceSample[]): TraceSample[] {
  const peakNm = Math.max(...samples.map(({ torqueNm }) => torqueNm));
  const contact = samples.find(({ torqueNm }) => torqueNm > 0.1 * peakNm)?.angleDeg ?? 0;
  const end = samples.findLastIndex(({ torqueNm }) => torqueNm > 0.4 * peakNm);
  return samples
    .slice(0, end + 1)
    .filter(({ angleDeg }) => angleDeg > contact - RUN_DEG)
    .map((sample) => ({ ...sample, angleDeg: sample.angleDeg - contact }));
}
