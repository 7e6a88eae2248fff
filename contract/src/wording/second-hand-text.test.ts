import { describe, expect, it } from '@jest/globals';
import type { SecondHand } from '#core/job/second-hand.ts';
import { platesSnug } from '#demo/try-job.ts';
import { holdText, letGoText } from './second-hand-text.ts';

const { plan } = platesSnug().worker.log;
const [group] = plan.groups;
const [first] = group?.stations ?? [];
const label = plan.stations.find(({ id }) => id === first)?.label;

describe('what a helper is told', () => {
  it.each<[SecondHand, string, string]>([
    [
      { holds: 'otherEnd', station: first as string, drive: { kind: 'hex', acrossFlatsMm: 18 }, until: 'pulled' },
      'Hold the other side: 18 mm socket',
      `Let go when station ${label} is pulled.`,
    ],
    [
      {
        holds: 'otherEnd',
        station: first as string,
        drive: { kind: 'hex', acrossFlatsMm: 18 },
        note: 'Hold the nut.',
        until: 'snug',
      },
      'Hold the nut (18 mm socket)',
      `Let go when station ${label} is snug.`,
    ],
    [
      { holds: 'part', group: group?.id as string, started: 1, enough: 2 },
      `Hold it up: ${group?.title}`,
      'Let go when 2 bolts are started by hand; one is yet.',
    ],
    [
      { holds: 'part', group: group?.id as string, started: 0, enough: 1 },
      `Hold it up: ${group?.title}`,
      'Let go when one bolt is started by hand; none is yet.',
    ],
    [{ holds: 'nothing' }, 'Hands free', 'Nothing to hold now. Stay clear of the handle.'],
  ])('%j', (hand, hold, letGo) => {
    expect(holdText(plan, hand)).toBe(hold);
    expect(letGoText(plan, hand)).toBe(letGo);
  });
});
