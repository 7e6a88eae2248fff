import { describeDrive } from '#core/fastener/drive.ts';
import type { Assumption } from '#core/kit/draft/drafting.ts';
import { MM_PER_INCH } from '#core/quantity/unit.ts';
import { unreachable } from '#core/result.ts';
import type { Doubt } from '#core/sheet/doubt.ts';
import type { FactKind, FactValue, SheetCompound } from '#core/sheet/fact.ts';
import { classText } from './class-text.ts';
import { COMPOUND_TEXT } from './en/terms.ts';

/** What a kind of fact is called in lists. */
export const FACT_KIND_TEXT: Record<FactKind, string> = {
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
};

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
          `in stages ${value.stages.map((stage) => ('torqueNm' in stage ? `${round(stage.torqueNm, 1)} N·m` : `back ${stage.backOffDeg > 0 ? `${round(stage.backOffDeg, 0)}°` : 'off'}`)).join(', ')}`,
        );
      if (value.only === 'floor') parts.push('or more; no target is given');
      if (value.limitNm !== undefined) parts.push(`never over ${round(value.limitNm, 1)} N·m`);
      if (value.angleDeg !== undefined) parts.push(`then ${round(value.angleDeg, 0)}°`);
      if (value.pair)
        parts.push(
          value.pair.agrees
            ? ''
            : `but also ${range(value.pair.min, value.pair.max)} ${value.pair.unit}: they disagree`,
        );
      return parts.filter(Boolean).join(', ');
    }
    case 'torqueAside': {
      const { kind: _, role, ...torque } = value;
      const why = {
        wrench: 'of a wrench, not of a joint',
        superseded: 'quoted as old or wrong',
        other: 'no figure of this kit',
      }[role];
      return `${factText({ kind: 'torque', ...torque })}: ${why}`;
    }
    case 'untilContact':
      return value.until;
    case 'angleAlone':
      return `turned ${round(value.angleDeg, 0)}° from snug`;
    case 'forceForTorque':
      return `${round(value.value)} ${value.unit} is no torque`;
    case 'sameAsAbove':
      return 'nothing above to be the same as';
    case 'thread':
      return `${value.designation}${value.lengthMm === undefined ? '' : `, ${both(value.lengthMm)} long`}`;
    case 'drive':
      if (value.drive.kind === 'cross' || value.drive.kind === 'square')
        return `${value.drive.kind} bit ${value.drive.size}`;
      return value.describes === 'tool'
        ? describeDrive(value.drive)
        : `turned with a ${describeDrive(value.drive)}; its thread is not said`;
    case 'squareDrive':
      return `${value.size} square drive`;
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
      return value.of === undefined ? 'nothing goes on' : `no ${compoundName(value.of)}`;
    case 'residue':
      return `old ${compoundName(value.of)} comes off`;
    case 'condition':
      if (value.from !== undefined && value.to !== undefined) return `model years ${value.from} to ${value.to}`;
      if (value.from !== undefined) return `model year ${value.from} and newer`;
      return value.to !== undefined ? `model year ${value.to} and older` : value.text;
    case 'duration':
      return `${value.minutes >= 120 ? `${round(value.minutes / 60, 1)} h` : `${round(value.minutes)} min`}${value.role === 'wait' ? ', to wait' : value.role === 'job' ? ', the whole job' : ''}`;
    case 'aftercare':
      return [
        value.repeats ? 'every' : 'after',
        value.distanceKm === undefined ? '' : `${round(value.distanceKm, 0)} km`,
        value.days === undefined ? '' : `${round(value.days, 0)} days`,
        value.heatCycles === undefined ? '' : `${value.heatCycles} heat cycles`,
        value.event ?? '',
      ]
        .filter(Boolean)
        .join(' ');
    case 'pattern':
      if (value.order) return `in the order ${value.order.join('-')}`;
      return {
        printed: 'as numbered',
        star: 'star',
        cross: 'cross',
        circular: 'round the circle',
        alternate: 'alternating',
        middleOut: 'middle out',
      }[value.pattern];
    case 'stage':
      return { loose: 'by hand, loose', snug: 'snug', final: 'final torque' }[value.stage];
    case 'rideHeight':
      return 'at ride height';
    case 'caution':
      return 'a caution';
    case 'side':
      return value.side;
    case 'action':
      return `${value.action}${value.object ? `: ${value.object}` : ''}`;
    case 'need':
      return { lift: 'a lift', stands: 'stands', helper: 'a helper' }[value.need];
    case 'tool':
      return value.name;
    case 'wayRound':
      return value.text;
    case 'mark':
      return `stamped ${value.mark}`;
    case 'difficulty':
      return value.text;
    default:
      return unreachable(value);
  }
}

const ASSUMED: Record<Assumption['code'], string> = {
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
};

/** An assumption of the draft, in words. */
export const assumptionText = ({ code, about }: Assumption): string => `${about}: ${ASSUMED[code]}.`;

/** Why a fact wants a look, in words. */
export function doubtText(doubt: Doubt): string {
  switch (doubt.code) {
    case 'twelveTimes':
      return `${doubt.ratio.toFixed(1)} times off the ${Number(doubt.usualNm.toFixed(1))} N·m of its neighbours. lbf·in and lbf·ft differ by 12.`;
    case 'pairDisagrees':
      return 'Two units are printed and they disagree. Ask the maker.';
    case 'forceForTorque':
      return 'No torque can be made of this. Ask the maker.';
    case 'threadNotSaid':
      return 'That is the socket. The thread is not said.';
    case 'mended':
      return 'Read through what looks like a scanning error.';
    case 'carried':
      return 'Its unit stands further on, or in the heading.';
    case 'unsaid':
      return 'Nothing in its sentence asks for it. Is it a figure to pull to?';
    case 'nearEnough':
      return 'The sheet says about. Ask the maker for the figure to set, or take this one.';
    case 'onlyEnd':
      return 'Only an end is printed, and no figure to pull to.';
    case 'assumed':
      return 'Guessed at from the words around it.';
    default:
      return unreachable(doubt);
  }
}
