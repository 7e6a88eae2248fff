import { must } from '#contract/calc/joint-input.ts';
import { LIMIT_TEXT } from '#contract/wording/en/bench.ts';
import { say } from '#contract/wording/say.ts';
import { towingDay } from '#core/bench/towing.ts';
import type { BenchTool } from '../bench-tool.ts';
import { RuleBars } from '../drawing/RuleBars.tsx';
import { TowedPair } from '../drawing/TowedPair.tsx';
import { inLine } from '../show-figure.ts';

/** A vehicle and its trailer against every rating. */
export const TOW: BenchTool = {
  id: 'tow',
  title: say('May it tow that'),
  says: say('Axles, payload, ball and combination against every rating, and the heaviest trailer.'),
  example: 'may it tow 1800 kg',
  words: ['tow', 'towing', 'payload', 'axle load', 'combination', 'gross', 'gvm', 'gcm', 'heaviest trailer', 'limit'],
  wide: true,
  takes: ['trailer'],
  fields: [
    { key: 'trailer', label: say('Trailer, loaded'), initial: '1800', kind: 'number', unit: 'kg' },
    { key: 'share', label: say('Of it on the ball, %'), initial: '8', kind: 'number' },
    { key: 'kerb', label: say('Vehicle, kerb'), initial: '2100', kind: 'number', unit: 'kg' },
    { key: 'kerbFront', label: say('Of it in front, %'), initial: '55', kind: 'number' },
    { key: 'people', label: say('People'), initial: '150', kind: 'number', unit: 'kg' },
    { key: 'peopleFront', label: say('Of them in front, %'), initial: '50', kind: 'number', assumption: true },
    { key: 'cargo', label: say('Cargo'), initial: '100', kind: 'number', unit: 'kg' },
    { key: 'cargoFront', label: say('Of it in front, %'), initial: '10', kind: 'number', assumption: true },
    { key: 'roof', label: say('Of the cargo on the roof'), initial: '0', kind: 'number', unit: 'kg', assumption: true },
    { key: 'hitch', label: say('Mount and ball'), initial: '20', kind: 'number', unit: 'kg', assumption: true },
    { key: 'wheelbase', label: say('Wheelbase'), initial: '2900', kind: 'number', unit: 'mm' },
    { key: 'behind', label: say('Ball behind the rear axle'), initial: '1150', kind: 'number', unit: 'mm' },
    {
      key: 'gross',
      label: say('Rated gross'),
      initial: '2900',
      kind: 'number',
      unit: 'kg',
      hint: say('empty: not checked'),
    },
    { key: 'front', label: say('Rated front axle'), initial: '1450', kind: 'number', unit: 'kg' },
    { key: 'rear', label: say('Rated rear axle'), initial: '1600', kind: 'number', unit: 'kg' },
    { key: 'both', label: say('Rated together'), initial: '5000', kind: 'number', unit: 'kg' },
    {
      key: 'towed',
      label: say('Rated trailer'),
      initial: '2500',
      kind: 'number',
      unit: 'kg',
      hint: say('weakest of the chain'),
    },
    { key: 'roofRated', label: say('Rated roof'), initial: '', kind: 'number', unit: 'kg', assumption: true },
    {
      key: 'ball',
      label: say('Rated on the ball'),
      initial: '150',
      kind: 'number',
      unit: 'kg',
      hint: say('weakest of the chain'),
    },
  ],
  answer(read) {
    const { show } = read;
    const rated = (key: string) => read.optional(key, 1, 100_000);
    const ratings = Object.fromEntries(
      Object.entries({
        grossKg: rated('gross'),
        frontAxleKg: rated('front'),
        rearAxleKg: rated('rear'),
        combinationKg: rated('both'),
        trailerKg: rated('towed'),
        tongueKg: rated('ball'),
        roofKg: rated('roofRated'),
      }).filter(([, kg]) => kg !== undefined),
    );
    const trailerKg = read.number('trailer', 0, 100_000);
    const a = must(
      towingDay({
        wheelbaseMm: read.number('wheelbase', 1000, 10_000),
        hitchBehindMm: read.number('behind', 0, 5000),
        kerb: { kg: read.number('kerb', 100, 100_000), frontShare: read.number('kerbFront', 0, 100) / 100 },
        occupants: { kg: read.number('people', 0, 100_000), frontShare: read.number('peopleFront', -100, 200) / 100 },
        cargo: { kg: read.number('cargo', 0, 100_000), frontShare: read.number('cargoFront', -100, 200) / 100 },
        hitchHardwareKg: read.number('hitch', 0, 2000),
        onRoofKg: read.number('roof', 0, 1000),
        trailerKg,
        tongueShare: read.number('share', -50, 50) / 100,
        ratings,
      }),
    );
    const kgText = (kg: number) => `${Math.round(kg)} kg`;
    return {
      main:
        a.maxTrailerKg === undefined
          ? { label: say('No rating was given'), shown: show.text('–') }
          : {
              label: say('Heaviest trailer, by {limitText}', {
                limitText: LIMIT_TEXT[a.maxTrailerLimitedBy ?? 'trailer'],
              }),
              shown: show.mass(Math.floor(a.maxTrailerKg)),
            },
      figures: [
        { label: say('Front axle'), shown: show.mass(a.frontKg) },
        { label: say('Rear axle'), shown: show.mass(a.rearKg) },
        { label: say('Gross mass'), shown: show.mass(a.grossKg) },
        { label: say('On the ball'), shown: show.mass(a.tongueKg) },
        { label: say('Vehicle and trailer'), shown: show.mass(a.combinationKg) },
        ...(a.payloadLeftKg === undefined ? [] : [{ label: say('Payload left'), shown: show.mass(a.payloadLeftKg) }]),
      ],
      remarks: a.remarks,
      drawing: (
        <TowedPair
          answer={a}
          trailerKg={trailerKg}
          kgText={kgText}
          label={say('Vehicle and trailer from the side on scales')}
        />
      ),
      ...(a.checks.length > 0
        ? {
            chart: (
              <RuleBars
                unit="% of its rating"
                bars={a.checks.map(({ limit, actualKg, ratingKg, ok }) => ({
                  name: LIMIT_TEXT[limit],
                  value: (actualKg / ratingKg) * 100,
                  limit: 100,
                  tone: ok ? (limit === a.mostUtilised ? ('main' as const) : undefined) : ('bad' as const),
                }))}
                label={say('How much of each rating is used')}
              />
            ),
          }
        : {}),
      table: {
        head: ['limit', 'is', 'rated', 'left'],
        rows: a.checks.map(({ limit, actualKg, ratingKg, marginKg, ok }) => ({
          key: limit,
          strong: !ok || limit === a.mostUtilised,
          cells: [
            LIMIT_TEXT[limit],
            kgText(actualKg),
            kgText(ratingKg),
            `${kgText(marginKg)}${ok ? '' : say(', over')}`,
          ],
        })),
      },
      summary: say('Trailer {inLine}: front {kgText}, rear {kgText2}, ball {kgText3}{which}{which2}', {
        inLine: inLine(show.mass(trailerKg)),
        kgText: kgText(a.frontKg),
        kgText2: kgText(a.rearKg),
        kgText3: kgText(a.tongueKg),
        which: a.checks.some(({ ok }) => !ok)
          ? say(', over: {checks}', {
              checks: a.checks
                .filter(({ ok }) => !ok)
                .map(({ limit }) => LIMIT_TEXT[limit])
                .join(', '),
            })
          : '',
        which2:
          a.maxTrailerKg === undefined
            ? ''
            : say('; heaviest {kgText}', { kgText: kgText(Math.floor(a.maxTrailerKg)) }),
      }),
    };
  },
  sources: [
    { what: say('Moments about the front axle; sums'), where: say('statics') },
    {
      what: say('Gross counts the ball’s load, the combination the trailer once'),
      where: say('conventions of plates'),
    },
    { what: say('Every part to its own rating'), where: 'SAE J684, from memory' },
  ],
};
