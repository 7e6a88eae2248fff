import type { PullCurve } from '#core/job/pull-curve.ts';
import type { Evidence } from '#core/trace/judge-trace.ts';
import { EVIDENCE, TRACE_WORDS } from './en/trace.ts';
import { say } from './say.ts';

/** What the figure of a sign measures. */
const MEASURE: Record<Evidence['sign'], 'torque' | 'angle' | 'share' | 'count'> = {
  steep: 'torque',
  ended: 'torque',
  turned: 'angle',
  stood: 'angle',
  ran: 'angle',
  early: 'angle',
  long: 'angle',
  earlyLoad: 'torque',
  edge: 'share',
  drop: 'torque',
  flat: 'angle',
  paused: 'angle',
  jerks: 'count',
  gave: 'angle',
  fell: 'share',
  kneeOfYield: 'torque',
  settled: 'share',
  noise: 'share',
  readings: 'count',
};

/** Torque as newton metres, three figures that count. */
const metric = (torqueNm: number): string => `${Number(torqueNm.toPrecision(3))} N·m`;

/**
 * One thing that speaks for a verdict on a curve, in words.
 *
 * @param torque - how the reader wants a torque written
 */
export function evidenceText({ sign, value, least, most }: Evidence, torque = metric): string {
  const written = (figure: number): string => {
    switch (MEASURE[sign]) {
      case 'torque':
        return torque(figure);
      case 'angle':
        return `${Math.round(figure)}°`;
      case 'share':
        return `${Math.round(100 * figure)} %`;
      case 'count':
        return String(figure);
    }
  };
  let span: string | undefined;
  if (least !== undefined && most !== undefined)
    span = say('{written} to {written2}', { written: written(least), written2: written(most) });
  else if (least !== undefined) span = say('from {written}', { written: written(least) });
  else if (most !== undefined) span = say('up to {written}', { written: written(most) });
  return say(EVIDENCE[sign], { value: MEASURE[sign] === 'count' ? value : written(value), span });
}

/** What a curve was taken for, and how surely. */
export const curveText = ({ kind, confidence }: PullCurve): string =>
  `${TRACE_WORDS[kind].name}, ${Math.round(100 * confidence)} %`;
