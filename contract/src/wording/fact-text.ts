import { describeDrive } from '#core/fastener/drive.ts';
import type { Assumption } from '#core/kit/draft/drafting.ts';
import { written } from '#core/quantity/display.ts';
import { MM_PER_INCH } from '#core/quantity/unit.ts';
import { unreachable } from '#core/result.ts';
import type { Doubt } from '#core/sheet/doubt.ts';
import type { FactKind, FactValue, SheetCompound } from '#core/sheet/fact.ts';
import { classText } from './class-text.ts';
import { COMPOUND_TEXT } from './en/terms.ts';
import { inLanguage, say } from './say.ts';

/** What a kind of fact is called in lists. */
export const FACT_KIND_TEXT: Record<FactKind, string> = inLanguage({
  torque: 'Torque',
  torqueAside: 'Not a target',
  untilContact: 'By feel',
  angleAlone: 'Angle',
  forceForTorque: 'Force for torque',
  sameAsAbove: 'Same as above',
  thread: 'Thread',
  drive: 'Drive',
  squareDrive: 'Square drive',
  propertyClass: 'Class',
  hole: 'Hole',
  length: 'Length',
  count: 'Count',
  compound: 'Compound',
  dry: 'Left dry',
  residue: 'To come off',
  condition: 'Condition',
  duration: 'Time',
  aftercare: 'Aftercare',
  pattern: 'Pattern',
  stage: 'Stage',
  rideHeight: 'Ride height',
  caution: 'Caution',
  side: 'Side',
  action: 'Action',
  need: 'Needs',
  tool: 'Tool',
  wayRound: 'Way round',
  mark: 'Mark',
  difficulty: 'Difficulty',
});

const round = (value: number, places = 2): string => String(Number(value.toFixed(places)));
const both = (mm: number): string => `${round(mm)} mm (${round(mm / MM_PER_INCH, 3)} in)`;
const range = (min: number, max: number): string => (min === max ? round(min) : `${round(min)}–${round(max)}`);

const compoundName = (compound: SheetCompound): string =>
  compound in COMPOUND_TEXT ? COMPOUND_TEXT[compound as keyof typeof COMPOUND_TEXT] : compound;

/** A fact's value as it was understood, normalised. */
export function factText(value: FactValue): string {
  switch (value.kind) {
    case 'torque': {
      // A printed tolerance is told as its middle, each way.
      const even = value.nominal !== undefined && value.toleranceNm !== undefined;
      const middleNm = (value.minNm + value.maxNm) / 2;
      const parts = [`${even ? round(value.nominal ?? 0) : range(value.min, value.max)} ${value.unit}`];
      if (value.unit !== 'N·m')
        parts.push(
          `= ${range(Number((even ? middleNm : value.minNm).toFixed(1)), Number((even ? middleNm : value.maxNm).toFixed(1)))} N·m`,
        );
      if (value.toleranceNm !== undefined) parts.push(`± ${round(value.toleranceNm, 1)} N·m`);
      if (value.stages)
        parts.push(
          say('in stages {stages}', {
            stages: value.stages
              .map((stage) =>
                'torqueNm' in stage
                  ? `${round(stage.torqueNm, 1)} N·m`
                  : say('back {which}', { which: stage.backOffDeg > 0 ? `${round(stage.backOffDeg, 0)}°` : 'off' }),
              )
              .join(', '),
          }),
        );
      if (value.only === 'floor') parts.push(say('or more; no target is given'));
      if (value.limitNm !== undefined)
        parts.push(say('never over {limitNm} N·m', { limitNm: round(value.limitNm, 1) }));
      if (value.angleDeg !== undefined) parts.push(say('then {angleDeg}°', { angleDeg: round(value.angleDeg, 0) }));
      if (value.pair)
        parts.push(
          value.pair.agrees
            ? ''
            : say('but also {range} {unit}: they disagree', {
                range: range(value.pair.min, value.pair.max),
                unit: value.pair.unit,
              }),
        );
      return parts.filter(Boolean).join(', ');
    }
    case 'torqueAside': {
      const { kind: _, role, ...torque } = value;
      const why = {
        wrench: say('of a wrench, not of a joint'),
        superseded: say('quoted as old or wrong'),
        other: say('no figure of this kit'),
      }[role];
      return `${factText({ kind: 'torque', ...torque })}: ${why}`;
    }
    case 'untilContact':
      return value.until;
    case 'angleAlone':
      return say('turned {angleDeg}° from snug', { angleDeg: round(value.angleDeg, 0) });
    case 'forceForTorque':
      return say('{value} {unit} is no torque', { value: round(value.value), unit: value.unit });
    case 'sameAsAbove':
      return say('nothing above to be the same as');
    case 'thread':
      return `${value.designation}${value.lengthMm === undefined ? '' : say(', {both} long', { both: both(value.lengthMm) })}`;
    case 'drive':
      if (value.drive.kind === 'cross' || value.drive.kind === 'square')
        return say('{kind} bit {size}', { kind: value.drive.kind, size: value.drive.size });
      return value.describes === 'tool'
        ? describeDrive(value.drive)
        : say('turned with a {describeDrive}; its thread is not said', { describeDrive: describeDrive(value.drive) });
    case 'squareDrive':
      return say('{size} square drive', { size: value.size });
    case 'propertyClass':
      return classText(value.propertyClass);
    case 'hole':
      return `${both(value.diameterMm)} ${value.role}`;
    case 'length':
      return both(value.lengthMm);
    case 'count':
      return `${value.count} × ${value.item ?? value.noun}`;
    case 'compound':
      return compoundName(value.compound);
    case 'dry':
      return value.of === undefined
        ? say('nothing goes on')
        : say('no {compoundName}', { compoundName: compoundName(value.of) });
    case 'residue':
      return say('old {compoundName} comes off', { compoundName: compoundName(value.of) });
    case 'condition':
      if (value.from !== undefined && value.to !== undefined)
        return say('model years {from} to {to}', { from: value.from, to: value.to });
      if (value.from !== undefined) return say('model year {from} and newer', { from: value.from });
      return value.to !== undefined ? say('model year {to} and older', { to: value.to }) : value.text;
    case 'duration':
      return `${value.minutes >= 120 ? `${round(value.minutes / 60, 1)} h` : `${round(value.minutes)} min`}${value.role === 'wait' ? say(', to wait') : value.role === 'job' ? say(', the whole job') : ''}`;
    case 'aftercare':
      return [
        value.repeats ? 'every' : 'after',
        value.distanceKm === undefined ? '' : `${round(value.distanceKm, 0)} km`,
        value.days === undefined ? '' : say('{days} days', { days: round(value.days, 0) }),
        value.heatCycles === undefined ? '' : say('{heatCycles} heat cycles', { heatCycles: value.heatCycles }),
        value.event ?? '',
      ]
        .filter(Boolean)
        .join(' ');
    case 'pattern':
      if (value.order) return say('in the order {order}', { order: value.order.join('-') });
      return {
        printed: say('as numbered'),
        star: 'star',
        cross: 'cross',
        circular: say('round the circle'),
        alternate: 'alternating',
        middleOut: say('middle out'),
      }[value.pattern];
    case 'stage':
      return { loose: say('by hand, loose'), snug: 'snug', final: say('final torque') }[value.stage];
    case 'rideHeight':
      return say('at ride height');
    case 'caution':
      return say('a caution');
    case 'side':
      return value.side;
    case 'action':
      return `${value.action}${value.object ? `: ${value.object}` : ''}`;
    case 'need':
      return { lift: say('a lift'), stands: 'stands', helper: say('a helper') }[value.need];
    case 'tool':
      return value.name;
    case 'wayRound':
      return value.text;
    case 'mark':
      return say('stamped {mark}', { mark: value.mark });
    case 'difficulty':
      return value.text;
    default:
      return unreachable(value);
  }
}

const ASSUMED: Record<Assumption['code'], string> = inLanguage({
  positionsUnknown: 'where the stations lie is not in the text; they stand in rows',
  countAssumed: 'how many is not said; one is assumed',
  driveFromThread: 'socket taken from the thread’s usual head',
  driveUnknown: 'no socket size is named',
  thicknessUnknown: 'how thick the parts are is not said; 5 mm stands in',
  compoundNearby: 'compound named a step before is taken to belong here',
  fateUnknown: 'comes off, and nothing says that it goes back',
  boltNotListed: 'not on the packing list; taken for one of the vehicle’s own',
  strengthAssumed: 'strength of the locker not said; medium is assumed',
  partGoesOnWith: 'taken to go on with that joint; the sheet does not say',
  toleranceAssumed: 'how far off its aim it may be is not said; what its readings may differ by stands in',
  takenForNut: 'a thread and no length: taken for a nut',
  appliedBefore: 'the sheet names what goes on its threads behind the figures; it is put on before they are started',
  rideHeightLast: 'said while the vehicle hangs; it is torqued once the vehicle stands on its wheels',
});

/** An assumption of the draft, in words. */
export const assumptionText = ({ code, about }: Assumption): string => `${about}: ${ASSUMED[code]}.`;

/** Why a fact wants a look, in words. */
export function doubtText(doubt: Doubt): string {
  switch (doubt.code) {
    case 'twelveTimes':
      return say('{ratio} times off the {usualNm} N·m of its neighbours. lbf·in and lbf·ft differ by 12.', {
        ratio: written(doubt.ratio, 1),
        usualNm: Number(doubt.usualNm.toFixed(1)),
      });
    case 'pairDisagrees':
      return say('Two units are printed and they disagree. Ask the maker.');
    case 'forceForTorque':
      return say('No torque can be made of this. Ask the maker.');
    case 'threadNotSaid':
      return say('That is the socket. The thread is not said.');
    case 'mended':
      return say('Read through what looks like a scanning error.');
    case 'carried':
      return say('Its unit stands elsewhere: in a heading, further on, or said once for all.');
    case 'noUnit':
      return say('No unit stands on this sheet: newton metres are assumed, for its threads are metric. Ask the maker.');
    case 'unsaid':
      return say('Nothing in its sentence asks for it. Is it a figure to pull to?');
    case 'nearEnough':
      return say('The sheet says about. Ask the maker for the figure to set, or take this one.');
    case 'onlyEnd':
      return say('Only an end is printed, and no figure to pull to.');
    case 'assumed':
      return say('Guessed at from the words around it.');
    default:
      return unreachable(doubt);
  }
}
