import type { PlanStation } from '#core/kit/plan.ts';
import { showTorqueIn } from '#core/quantity/display.ts';
import { printedTorqueUnit } from '#core/quantity/parse-printed.ts';
import type { TorqueUnit } from '#core/quantity/unit.ts';
import type { JointLine, PullLine } from '#core/record/record-lines.ts';
import { asksOf } from '#core/tightening/kinds.ts';
import { FACTOR_TEXT, VERDICT_TEXT } from './en/terms.ts';
import { say } from './say.ts';
import { stageDone } from './stage-text.ts';

/** The unit a joint's figures are told in: that of its sheet first. */
const unitOf = ({ printed }: Pick<PlanStation, 'printed'>): TorqueUnit => printedTorqueUnit(printed) ?? 'N·m';
const otherUnit = (unit: TorqueUnit): TorqueUnit => (unit === 'N·m' ? 'lbf·ft' : 'N·m');

/** A pull as it is told: what was aimed at and what was pulled in the unit of the sheet, then the same in the other. */
export interface PullShown {
  aimed: string;
  pulled: string;
  inOther: string;
}

/** What was aimed at, what was pulled, in that order. The degrees turned stand behind the torque. */
export function pullShown(station: PlanStation, { pull }: PullLine): PullShown {
  const unit = unitOf(station);
  const figure = (nm: number, of: TorqueUnit) => `${showTorqueIn(nm, of).number} ${of}`;
  // A live wrench measures an angle whatever it pulls: it is told where the joint is judged by it.
  const asked = asksOf(station.spec).includes('angle');
  const turned = !asked || pull.angleDeg === undefined ? '' : ` +${Math.round(pull.angleDeg)}°`;
  return {
    aimed: figure(pull.targetNm, unit),
    pulled: `${figure(pull.torqueNm, unit)}${turned}`,
    inOther: figure(pull.torqueNm, otherUnit(unit)),
  };
}

/** What else was done to a joint, one line each: from which bottle, how it ran down, its stages. */
export function jointNotes({ station, treated, bead, runDownNm, stages }: JointLine): string[] {
  const unit = unitOf(station);
  const figure = (nm: number) => `${showTorqueIn(nm, unit).number} ${unit}`;
  const { aimed, spec } = station;
  return [
    ...(treated && bead
      ? [
          `${bead.bottle ? say('{name}, lot {lot}', { name: bead.bottle.name, lot: bead.bottle.lot }) : treated.name}, ${bead.by.name}`,
        ]
      : []),
    ...(aimed
      ? [
          aimed.use === 'asPrinted'
            ? say('as printed, although the figure counts on another thread: signed')
            : say('{factor} % of the printed figure for the same load, {factorText}: signed', {
                factor: Math.round(aimed.factor * 100),
                factorText: FACTOR_TEXT[aimed.factorFrom ?? 'friction'],
              }),
        ]
      : []),
    ...(runDownNm === undefined ? [] : [say('took {figure} to run down', { figure: figure(runDownNm) })]),
    ...stages.flatMap(({ stage, torqueNm, wrench, verdict, voided, by }) => {
      const what = spec.kind === 'procedure' ? spec.stages[stage] : undefined;
      if (!what) return [];
      const shown =
        torqueNm === undefined
          ? ''
          : say(' {figure} with {wrench}', { figure: figure(torqueNm), wrench: wrench ?? '' });
      const missed = verdict && verdict !== 'accepted' ? `, ${VERDICT_TEXT[verdict]}` : '';
      return [
        say('stage {stage}: {stageDone}{shown}{missed}{which}, {name}', {
          stage: stage + 1,
          stageDone: stageDone(what),
          shown,
          missed,
          which: voided ? say(', loosened since') : '',
          name: by.name,
        }),
      ];
    }),
  ];
}
