import { expect, it } from '@jest/globals';
import { plate } from '#demo/try-job.ts';
import { againText, evenWayText, givesText, settlesText } from './load-text.ts';

const { plan } = plate().log;
const [a, b, c] = plan.stations;
const bolts = [a, b, c].map((station, at) => ({ station: station?.id ?? '', share: 0.8 + at / 20 }));

it('says which joints are pulled once more, one or several, and that none needs it', () => {
  const left = { bolts, settles: [], gives: 0.4, measured: true };
  const [one, two] = [a?.label, b?.label];
  expect(againText(plan, { ...left, again: [] })).toBe(
    'All that were pulled still hold nine tenths of their load or more.',
  );
  expect(againText(plan, { ...left, again: [a?.id ?? ''] })).toBe(
    `Station ${one} holds 80 % of its load: pull it once more, after this round.`,
  );
  expect(againText(plan, { ...left, again: [a?.id ?? '', b?.id ?? ''] })).toBe(
    `Stations ${one} and ${two} hold 80 % and 85 % of their load: pull them once more, after this round.`,
  );
});

it('says which joints settle, and nothing where none does', () => {
  const left = { bolts, again: [], gives: 3, measured: true };
  expect(settlesText(plan, { ...left, settles: [] })).toBeUndefined();
  expect(settlesText(plan, { ...left, settles: [a?.id ?? ''] })).toContain(`Station ${a?.label} moved by more than`);
});

it('says where the give of the plate comes from', () => {
  expect(givesText({ bolts, again: [], settles: [], gives: 0.4, measured: false })).toContain('chosen by us');
  expect(givesText({ bolts, again: [], settles: [], gives: 0.4, measured: true })).toContain(
    'how far the check pulls moved',
  );
});

it('tells a way by order, stages, single pulls and what it leaves', () => {
  const way = {
    pattern: 'star' as const,
    order: [0, 2, 1],
    stages: [0.5, 1],
    extra: [2],
    pulls: 7,
    unevenness: 0.06,
    left: [1, 1, 0.94],
  };
  expect(evenWayText(way, ['1', '2', '3'])).toBe(
    'star, 50 % and 100 %, then 3 once more: 7 pulls, 6 % between least and most',
  );
  expect(evenWayText({ ...way, pattern: 'printed', extra: [] }, ['1', '2', '3'])).toBe(
    '50 % and 100 %: 7 pulls, 6 % between least and most',
  );
  expect(evenWayText(undefined, [])).toBe('not even to a tenth within four rounds');
});
