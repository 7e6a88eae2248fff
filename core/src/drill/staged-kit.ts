import type { JointGroup, KitDocument, Station } from '../kit/kit-document.ts';
import { toBase } from '../quantity/unit.ts';
import type { TighteningSpec } from '../tightening/kinds.ts';
import { COUNTED_SHORT } from './amounts.ts';
import type { PlacedFault } from './drill.ts';
import type { FaultKind } from './fault-kind.ts';
import { calledByHeadMm, plainFigureNm } from './place-faults.ts';

/** What a contradicting figure is of the right one: far enough to tell, near enough to pass (chosen by us). */
const CONTRADICTS = 1.4;

const oneDecimal = (value: number): number => Math.round(value * 10) / 10;

/** A figure in another unit's place: the number of newton metres, printed as foot-pounds. */
export const slippedNm = (targetNm: number): number => toBase(targetNm, 'lbf·ft');
/** A figure whose point was lost: ten times as much. */
export const tenfoldNm = (targetNm: number): number => 10 * targetNm;
export const contradictingNm = (targetNm: number): number => oneDecimal(targetNm * CONTRADICTS);

/** A station as a slip of the sheet has it. */
function slipped(station: Station, kind: PlacedFault['kind']): Station {
  const [printed] = station.specs;
  const figure = printed && plainFigureNm(printed.spec);
  if (printed === undefined || figure === undefined) return station;
  const times = (factor: number, text: string): Station => ({
    ...station,
    specs: [{ ...printed, printed: text, spec: scaled(printed.spec, factor) }],
  });
  const shown = (factor: number): string =>
    printed.spec.kind === 'range'
      ? `${oneDecimal(factor * printed.spec.minNm)} to ${oneDecimal(factor * printed.spec.maxNm)}`
      : String(oneDecimal(factor * figure));
  switch (kind) {
    case 'lostDecimal':
      return times(10, `${shown(10)} N·m`);
    case 'unitSlip':
      return times(slippedNm(1), `${shown(1)} lbf·ft`);
    case 'forceForTorque':
      return {
        ...station,
        specs: [
          {
            printed: `${shown(1)} kg`,
            spec: { kind: 'missing', why: 'notGiven', note: 'The sheet gives a weight.' },
          },
        ],
      };
    case 'missingFigure':
      return {
        ...station,
        specs: [{ printed: '', spec: { kind: 'missing', why: 'notGiven', note: 'The sheet gives none.' } }],
      };
    default:
      return station;
  }
}

const scaled = (spec: TighteningSpec, factor: number): TighteningSpec => {
  if (spec.kind === 'torque') return { ...spec, targetNm: factor * spec.targetNm };
  return spec.kind === 'range' ? { ...spec, minNm: factor * spec.minNm, maxNm: factor * spec.maxNm } : spec;
};

/**
 * The kit as the learner's sheet has it: with the slips that are not yet found.
 *
 * @param kit - the kit as it is meant
 */
export function stagedKit(kit: KitDocument, faults: readonly PlacedFault[]): KitDocument {
  const byGroup = new Map(faults.map((fault) => [fault.target, fault.kind]));
  const groupOf = new Map(kit.groups.flatMap(({ id, stations }) => stations.map((station) => [station, id] as const)));
  const saidOf = new Map(
    kit.groups.flatMap((group) => {
      const kind = byGroup.get(group.id);
      const words = kind === undefined ? undefined : wordsBeside(kit, group, kind);
      const at = kit.steps.findIndex(({ actions }) =>
        actions.some((action) => action.type === 'torque' && action.group === group.id),
      );
      return words === undefined || at < 0 ? [] : [[at, words] as const];
    }),
  );
  return {
    ...kit,
    stations: kit.stations.map((station) => {
      const kind = byGroup.get(groupOf.get(station.id) ?? '');
      return kind === undefined ? station : slipped(station, kind);
    }),
    steps: kit.steps.map((step, index) =>
      saidOf.has(index) ? { ...step, text: `${step.text} ${saidOf.get(index)}` } : step,
    ),
  };
}

/** What a sheet says of a group beside its figure, where that is what is wrong with it. */
function wordsBeside(kit: KitDocument, group: JointGroup, kind: FaultKind): string | undefined {
  const members = group.stations.flatMap((id) => kit.stations.find((station) => station.id === id) ?? []);
  switch (kind) {
    case 'contradiction': {
      const said = members[0]?.specs[0]?.spec;
      const figure = said && plainFigureNm(said);
      return figure === undefined ? undefined : `Torque as in the drawing: ${contradictingNm(figure)} N·m.`;
    }
    case 'lockerOnLockNut':
      return 'Threadlocker on the lock nuts.';
    case 'wrongCount':
      return `${members.length - COUNTED_SHORT} bolts in all.`;
    case 'calledByHead': {
      const sizes = calledByHeadMm(members, (id) => kit.items.find((item) => item.id === id)?.thread);
      return sizes && `These are M${sizes.headMm} bolts.`;
    }
    default:
      return undefined;
  }
}
