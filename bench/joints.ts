import { boltStrength } from '#core/fastener/property-class.ts';
import { metricThread } from '#core/fastener/thread.ts';
import { assemblyPreloadN } from '#core/tightening/assembly-preload.ts';
import { circlePositions, elasticSequence, fadingCompliance, passPulls } from '#core/tightening/elastic-interaction.ts';
import { usualFace } from '#core/tightening/proposed-torque.ts';
import { evenFriction } from '#core/tightening/thread-finish.ts';
import { torqueForPreloadNm } from '#core/tightening/tightening-torque.ts';
import { milliseconds } from './milliseconds.ts';

/** 100,000 preloads with their torques, over all sizes of friction. */
export function measurePreloads(): number {
  const thread = metricThread(10, 1.5);
  const strength = boltStrength('8.8', thread);
  const face = usualFace(thread);
  if (!strength.ok || !face) throw new Error('M10 8.8 is listed');
  return milliseconds(() => {
    let sum = 0;
    for (let i = 0; i < 100_000; i++) {
      const mu = 0.06 + (i % 100) / 500;
      sum += torqueForPreloadNm(assemblyPreloadN(thread, strength.value, mu), thread, evenFriction(mu), face);
    }
    if (!(sum > 0)) throw new Error('nothing was computed');
  });
}

/** A group of `n` bolts on a circle, three times round in a crossing order. */
export function measureElastic(n: number): number {
  const group = {
    boltStiffnessNPerMm: 300_000,
    complianceMmPerN: fadingCompliance(circlePositions(n, 200), 4e-6, 60, 200),
  };
  const order = [...Array(n).keys()].sort((a, b) => ((a * 27) % n) - ((b * 27) % n));
  const pulls = passPulls(
    [0.5, 1, 1].map((share) => ({ share, order })),
    30_000,
  );
  return milliseconds(() => {
    if (!elasticSequence(group, pulls).ok) throw new Error('the group is solvable');
  });
}
