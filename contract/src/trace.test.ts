import { describe, expect, it } from '@jest/globals';
import { JOINTS } from '#core/trace/fixture/joints.ts';
import { textbookPull } from '#core/trace/fixture/textbook-pull.ts';
import type { Evidence } from '#core/trace/judge-trace.ts';
import { TRACE_KINDS, type TraceJoint } from '#core/trace/pull-trace.ts';
import { judgeTraceFile } from './trace.ts';
import { EVIDENCE, TRACE_WORDS } from './wording/en/trace.ts';
import { evidenceText } from './wording/trace-text.ts';

const m10 = JOINTS[0] as TraceJoint;
const joint = { thread: 'M10x1.5', propertyClass: '8.8', gripMm: 30, targetNm: 46, minNm: 40, maxNm: 50 };
const samples = textbookPull(m10, 'stripping', 2).map(({ atMs, angleDeg, torqueNm }) => [atMs, angleDeg, torqueNm]);

describe('a trace in a file', () => {
  it('is judged as it stands there', () => {
    expect(judgeTraceFile({ joint: { ...joint, frictionMin: 0.1, frictionMax: 0.16 }, samples })).toMatchObject({
      ok: true,
      value: { kind: 'stripping' },
    });
  });
  it('is judged with what it does say, where the rest is left out or null', () => {
    const { targetNm, minNm, maxNm, thread } = joint;
    expect(
      judgeTraceFile({ joint: { thread, targetNm, minNm, maxNm, gripMm: null, prevailingNm: null }, samples }),
    ).toMatchObject({ ok: true, value: { kind: 'stripping' } });
  });
  it.each([
    ['a thread that is none', { joint: { ...joint, thread: 'Q10' }, samples }, 'joint.thread'],
    ['a class of another system', { joint: { ...joint, propertyClass: 'grade 5' }, samples }, 'joint.propertyClass'],
    ['no target', { joint: { ...joint, targetNm: undefined }, samples }, 'joint.targetNm'],
    ['a window upside down', { joint: { ...joint, minNm: 48 }, samples }, 'joint.minNm'],
    ['a sample of two figures', { joint, samples: [[0, 1]] }, 'samples.0'],
    ['a field nobody knows', { joint: { ...joint, colour: 'red' }, samples }, 'joint'],
    ['no samples', { joint, samples: [] }, 'samples'],
    ['a list', [1, 2], 'line'],
  ])('%s is refused by its field', (_, input, field) => {
    const verdict = judgeTraceFile(input);
    expect(verdict).toMatchObject({ ok: false, error: { field } });
    if (!verdict.ok) expect(verdict.error.reason.length).toBeGreaterThan(5);
  });
});

describe('words for a curve', () => {
  it.each(TRACE_KINDS)('%s says what it is, what to do and what it means beside it', (kind) => {
    const { name, now, beside } = TRACE_WORDS[kind];
    expect([name, now, beside].every((text) => /^[A-Z].*[a-z.]$/.test(text))).toBe(true);
  });
  it.each(Object.keys(EVIDENCE) as Array<Evidence['sign']>)('%s stands with its figure and unit', (sign) => {
    const text = evidenceText({ sign, value: 3, least: 1, most: 2 });
    expect(text).toMatch(/\d/);
    expect(text).not.toMatch(/[{}]/);
    expect(evidenceText({ sign, value: 3 })).not.toContain('none');
  });
  it('is written in the reader’s own unit', () =>
    expect(
      evidenceText({ sign: 'ended', value: 62, least: 40, most: 50 }, (nm) => `${Math.round(nm / 1.3558)} lbf·ft`),
    ).toBe('peak 46 lbf·ft; window 30 lbf·ft to 37 lbf·ft'));
});
