import { must } from '#contract/calc/joint-input.ts';
import { say } from '#contract/wording/say.ts';
import { damperAfter, lineAtDroop } from '#core/bench/rise.ts';
import type { Values } from '../bench-field.ts';
import type { BenchReader } from '../bench-reader.ts';
import type { Answer, BenchTool } from '../bench-tool.ts';
import { RuleBars } from '../drawing/RuleBars.tsx';
import { inLine } from '../show-figure.ts';

const ofLine = (values: Values) => values.what !== 'damper';
const ofDamper = (values: Values) => values.what === 'damper';

function line(read: BenchReader): Answer {
  const { show } = read;
  const slackMm = read.number('slack', 0, 200);
  const lineMm = read.number('line', 50, 3000);
  const a = must(
    lineAtDroop({
      acrossMm: read.number('across', 0, 1000),
      heightMm: read.number('height', -500, 1000),
      droopMm: read.number('droop', 0, 500),
      liftMm: read.number('lift', -300, 500),
      lineMm,
      slackMm,
    }),
  );
  return {
    main: { label: say('Left over at full droop'), shown: show.length(a.slackAfterMm) },
    figures: [
      { label: say('Fixing to fixing, before'), shown: show.length(a.beforeMm) },
      { label: say('Fixing to fixing, after'), shown: show.length(a.afterMm) },
      { label: say('Short by'), shown: show.length(a.shortByMm) },
    ],
    remarks: a.remarks,
    drawing: (
      <RuleBars
        unit="mm"
        bars={[
          { name: 'the line itself', value: lineMm, tone: 'main' },
          { name: 'droop, before', value: a.beforeMm + slackMm, limit: lineMm },
          {
            name: 'droop, after',
            value: a.afterMm + slackMm,
            limit: lineMm,
            tone: a.shortByMm > 0 ? 'bad' : undefined,
          },
        ]}
        label={say('The line, and what it must span with its slack before and after')}
      />
    ),
    summary: say('Line {inLine} at full droop: {inLine2} left over{which}', {
      inLine: inLine(show.length(lineMm)),
      inLine2: inLine(show.length(a.slackAfterMm)),
      which: a.shortByMm > 0 ? say(', short by {inLine}', { inLine: inLine(show.length(a.shortByMm)) }) : '',
    }),
  };
}

function damper(read: BenchReader): Answer {
  const { show } = read;
  const a = must(
    damperAfter({
      extendedMm: read.number('extended', 100, 1500),
      compressedMm: read.number('compressed', 50, 1500),
      standingMm: read.number('standing', 50, 1500),
      motionRatio: read.number('ratio', 0.2, 1.5),
      liftMm: read.number('lift', -300, 500),
      bumpStopMm: read.number('stop', 0, 400),
    }),
  );
  return {
    main: { label: say('Droop left at the wheel'), shown: show.length(a.droopLeftMm) },
    figures: [
      { label: say('Bump until the damper shuts'), shown: show.length(a.bumpLeftMm) },
      { label: say('Bump until the stop'), shown: show.length(a.toStopMm) },
      { label: say('Standing, eye to eye'), shown: show.length(a.standingAfterMm) },
    ],
    remarks: a.remarks,
    drawing: (
      <RuleBars
        unit="mm at the wheel"
        bars={[
          { name: 'droop left', value: a.droopLeftMm, tone: a.topsOut ? 'bad' : 'main' },
          {
            name: 'damper shuts after',
            value: a.bumpLeftMm,
            limit: a.toStopMm,
            tone: a.bottomsFirst ? 'bad' : undefined,
          },
        ]}
        label={say('Travel of the damper left both ways; the mark is the bump stop')}
      />
    ),
    summary: say('Damper after a lift: {inLine} of droop left, shuts after {inLine2} of bump, stop at {inLine3}', {
      inLine: inLine(show.length(a.droopLeftMm)),
      inLine2: inLine(show.length(a.bumpLeftMm)),
      inLine3: inLine(show.length(a.toStopMm)),
    }),
  };
}

/** Whether what hangs on a wheel still reaches, and what is left of its damper. */
export const DROOP: BenchTool = {
  id: 'droop',
  title: say('Droop after a lift'),
  says: say('Whether a brake hose or wire reaches at full droop, and what is left of the damper.'),
  example: 'brake hose droop',
  words: ['droop', 'brake hose', 'hose length', 'abs wire', 'damper', 'shock', 'bump stop', 'top out', 'slack'],
  wide: true,
  takes: [],
  fields: [
    {
      key: 'what',
      label: say('What'),
      initial: 'line',
      kind: 'choice',
      options: [
        { value: 'line', label: say('Hose or wire') },
        { value: 'damper', label: say('Damper') },
      ],
    },
    { key: 'lift', label: say('The body rises'), initial: '40', kind: 'number', unit: 'mm' },
    {
      key: 'across',
      label: say('Between the fixings, level'),
      initial: '120',
      kind: 'number',
      unit: 'mm',
      when: ofLine,
    },
    { key: 'height', label: say('Body end above, standing'), initial: '90', kind: 'number', unit: 'mm', when: ofLine },
    { key: 'droop', label: say('The wheel falls'), initial: '110', kind: 'number', unit: 'mm', when: ofLine },
    { key: 'line', label: say('Length of the line'), initial: '310', kind: 'number', unit: 'mm', when: ofLine },
    { key: 'slack', label: say('Slack wanted'), initial: '25', kind: 'number', unit: 'mm', when: ofLine },
    { key: 'extended', label: say('Drawn out'), initial: '560', kind: 'number', unit: 'mm', when: ofDamper },
    { key: 'compressed', label: say('Pushed shut'), initial: '360', kind: 'number', unit: 'mm', when: ofDamper },
    { key: 'standing', label: say('Standing, before'), initial: '450', kind: 'number', unit: 'mm', when: ofDamper },
    { key: 'stop', label: say('Wheel to the bump stop'), initial: '60', kind: 'number', unit: 'mm', when: ofDamper },
    { key: 'ratio', label: say('Damper per wheel travel'), initial: '0.8', kind: 'number', when: ofDamper },
  ],
  answer: (read) => (read.choice('what') === 'damper' ? damper(read) : line(read)),
  sources: [
    { what: say('Straight from fixing to fixing'), where: say('geometry') },
    { what: say('25 mm of slack and of droop'), where: say('common practice, no source') },
  ],
};
