import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { JOINTS } from './fixture/joints.ts';
import { textbookPull } from './fixture/textbook-pull.ts';
import { judgeTrace } from './judge-trace.ts';
import { type ShownKind, TRACE_KINDS, type TraceJoint, type TraceKind, type TraceSample } from './pull-trace.ts';

const m10 = JOINTS[0] as TraceJoint;
const SHOWN = TRACE_KINDS.filter((kind): kind is ShownKind => kind !== 'cannotTell');

const kindOf = (samples: readonly TraceSample[], joint: TraceJoint): TraceKind => {
  const verdict = judgeTrace(samples, joint);
  if (!verdict.ok) throw new Error(JSON.stringify(verdict.error));
  return verdict.value.kind;
};

/** Share of pulls of a kind that are named so, over every joint. */
function named(kind: ShownKind, pulls: number): number {
  const right = Array.from({ length: pulls }, (_, seed) => {
    const joint = JOINTS[seed % JOINTS.length] as TraceJoint;
    return kindOf(textbookPull(joint, kind, seed), joint) === kind;
  });
  return right.filter(Boolean).length / pulls;
}

describe('a pull that was written down with a ruler', () => {
  it.each(SHOWN)('is named: %s', (kind) => {
    expect(named(kind, 36)).toBeGreaterThanOrEqual(kind === 'good' ? 1 : 0.9);
  });

  it('is told with what speaks for it', () => {
    const verdict = judgeTrace(textbookPull(m10, 'yielding', 3), m10);
    if (!verdict.ok) throw new Error('refused');
    expect(verdict.value.kind).toBe('yielding');
    expect(verdict.value.evidence.map(({ sign }) => sign)).toContain('gave');
  });

  it('says where a good one ended, and how it rose against what was to be expected', () => {
    const verdict = judgeTrace(textbookPull(m10, 'good', 3), m10);
    if (!verdict.ok) throw new Error('refused');
    const [ended, steep] = verdict.value.evidence;
    expect(ended).toMatchObject({ sign: 'ended', least: 40, most: 50 });
    expect(steep?.sign).toBe('steep');
    expect(steep?.value).toBeGreaterThan(steep?.least ?? Number.POSITIVE_INFINITY);
    expect(steep?.value).toBeLessThan(steep?.most ?? 0);
  });
});

describe('what an instrument adds changes nothing', () => {
  const kinds = ['good', 'crossed', 'yielding', 'stripping', 'alreadyTight', 'soft'] as const;
  const traces = kinds.map((kind) => [kind, textbookPull(m10, kind, 11)] as const);
  const each = (change: (samples: readonly TraceSample[]) => TraceSample[]) => {
    for (const [kind, samples] of traces) expect(kindOf(change(samples), m10)).toBe(kind);
  };

  it('a clock and an angle that begin anywhere', () =>
    each((samples) =>
      samples.map(({ atMs, angleDeg, torqueNm }) => ({ atMs: atMs + 81_234, angleDeg: angleDeg - 512, torqueNm })),
    ));
  it('samples out of order', () => each((samples) => [...samples].reverse()));
  it('a zero that is two percent off', () =>
    each((samples) => samples.map((sample) => ({ ...sample, torqueNm: sample.torqueNm + 0.02 * 46 }))));
  it('drift', () =>
    each((samples) =>
      samples.map((sample) => ({ ...sample, torqueNm: sample.torqueNm + (0.1 * sample.atMs) / 1000 })),
    ));
  it('every tenth frame lost', () => each((samples) => samples.filter((_, at) => at % 10 !== 3)));
  it('an angle that comes at a third of the pace of the torque', () =>
    each((samples) =>
      samples.map((sample, at) => ({ ...sample, angleDeg: (samples[at - (at % 3)] as TraceSample).angleDeg })),
    ));
  it('a left-hand thread', () =>
    each((samples) =>
      samples.map(({ atMs, angleDeg, torqueNm }) => ({ atMs, angleDeg: -angleDeg, torqueNm: -torqueNm })),
    ));
});

describe('what cannot be told', () => {
  it('is said of a few readings', () =>
    expect(judgeTrace([{ atMs: 0, angleDeg: 0, torqueNm: 46 }], m10)).toMatchObject({
      ok: true,
      value: { kind: 'cannotTell', evidence: [{ sign: 'readings', value: 1 }] },
    }));
  it('is said of a handle that nobody moved', () =>
    expect(
      kindOf(
        Array.from({ length: 80 }, (_, at) => ({ atMs: at * 20, angleDeg: 0, torqueNm: 0.1 })),
        m10,
      ),
    ).toBe('cannotTell'));
  it('is said of a reading that scatters', () => {
    const noisy = textbookPull(m10, 'good', 2).map((sample, at) => ({
      ...sample,
      torqueNm: sample.torqueNm + (at % 2 === 0 ? 7 : -7) * ((at * 7919) % 13) * 0.3,
    }));
    expect(kindOf(noisy, m10)).toBe('cannotTell');
  });
  it('is said of a hand that stopped half-way', () => {
    const half = textbookPull(m10, 'good', 2).filter(({ torqueNm }) => torqueNm < 24);
    expect(kindOf(half, m10)).toBe('cannotTell');
  });
  it('leaves out what a joint without grip and class does not say, and still sees the shape', () => {
    const bare: TraceJoint = { thread: m10.thread, targetNm: 46, minNm: 40, maxNm: 50, prevailingNm: 0 };
    expect(kindOf(textbookPull(m10, 'good', 4), bare)).toBe('good');
    expect(kindOf(textbookPull(m10, 'stripping', 4), bare)).toBe('stripping');
    expect(kindOf(textbookPull(m10, 'crossed', 4), bare)).toBe('crossed');
  });
});

describe('what cannot be', () => {
  const pull = textbookPull(m10, 'good', 1);
  it.each([
    ['no samples', [], m10, 'samples'],
    ['a window upside down', pull, { ...m10, minNm: 60 }, 'minNm'],
    ['a target of nothing', pull, { ...m10, targetNm: 0 }, 'targetNm'],
    ['friction the wrong way round', pull, { ...m10, frictionMin: 0.3, frictionMax: 0.1 }, 'frictionMax'],
    ['a grip of a metre and more', pull, { ...m10, gripMm: 1500 }, 'gripMm'],
  ] as const)('%s is refused by its name', (_, samples, joint, field) =>
    expect(judgeTrace(samples, joint)).toMatchObject({ ok: false, error: { field } }),
  );
  it('a figure that is none is named by its place', () =>
    expect(judgeTrace([...pull.slice(0, 40), { atMs: 900, angleDeg: Number.NaN, torqueNm: 3 }], m10)).toMatchObject({
      ok: false,
      error: { code: 'notANumber', field: 'samples[40]' },
    }));
});

it('never throws, and never claims certainty, whatever it is given', () => {
  const sample = fc.record({
    atMs: fc.double({ min: 0, max: 20_000, noNaN: true }),
    angleDeg: fc.double({ min: -2000, max: 2000, noNaN: true }),
    torqueNm: fc.double({ min: -400, max: 400, noNaN: true }),
  });
  fc.assert(
    fc.property(fc.array(sample, { minLength: 1, maxLength: 300 }), fc.constantFrom(...JOINTS), (samples, joint) => {
      const verdict = judgeTrace(samples, joint);
      if (!verdict.ok) throw new Error(JSON.stringify(verdict.error));
      const { kind, confidence, alsoPossible } = verdict.value;
      expect(confidence).toBeGreaterThanOrEqual(0);
      expect(confidence).toBeLessThanOrEqual(1);
      expect(alsoPossible).not.toContain(kind);
      if (kind !== 'cannotTell') expect(confidence).toBeLessThanOrEqual(0.99);
    }),
    { numRuns: 150, seed: 23 },
  );
});
