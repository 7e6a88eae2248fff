import { describe, expect, it } from '@jest/globals';
import { JOINTS } from '../fixture/joints.ts';
import { judgeTrace } from '../judge-trace.ts';
import { packTrace, unpackTrace } from '../pack-trace.ts';
import { type ShownKind, TRACE_KINDS, type TraceJoint } from '../pull-trace.ts';
import { recordPull } from './record-pull.ts';

/** Seeds that nothing was tuned on: bench/trace.ts prints what they give. */
const HELD_OUT = 900_000;
const PULLS = 24;
const SHOWN = TRACE_KINDS.filter((kind): kind is ShownKind => kind !== 'cannotTell');

/** How many pulls of a kind are named so. */
function named(kind: ShownKind, packed: boolean): number {
  let right = 0;
  for (let seed = 0; seed < PULLS; seed++) {
    const joint = JOINTS[seed % JOINTS.length] as TraceJoint;
    const samples = recordPull(joint, kind, HELD_OUT + seed);
    const verdict = judgeTrace(packed ? (unpackTrace(packTrace(samples)) ?? []) : samples, joint);
    if (verdict.ok && verdict.value.kind === kind) right += 1;
  }
  return right;
}

describe('pulls of model joints, with noise, drift, lost frames and hands of their own', () => {
  const faults = SHOWN.filter((kind) => kind !== 'good');

  it('are named right in 95 of 100, and a good pull is suspected in at most one of 100', () => {
    const right = faults.reduce((sum, kind) => sum + named(kind, false), 0);
    expect(right / (faults.length * PULLS)).toBeGreaterThanOrEqual(0.95);
    expect(named('good', false)).toBeGreaterThanOrEqual(PULLS - 1);
  });

  it('are named so again from what is kept of them', () => {
    const right = faults.reduce((sum, kind) => sum + named(kind, true), 0);
    expect(right / (faults.length * PULLS)).toBeGreaterThanOrEqual(0.92);
    expect(named('good', true)).toBeGreaterThanOrEqual(PULLS - 1);
  });

  it('are the same for a seed, and others for another', () => {
    const joint = JOINTS[0] as TraceJoint;
    expect(recordPull(joint, 'dry', 5)).toEqual(recordPull(joint, 'dry', 5));
    expect(recordPull(joint, 'dry', 5)).not.toEqual(recordPull(joint, 'dry', 6));
  });
});
