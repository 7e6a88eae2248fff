import type { KitDocument, Station } from '../kit/kit-document.ts';
import { toBase } from '../quantity/unit.ts';
import type { PlacedFault } from './drill.ts';

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
  if (printed?.spec.kind !== 'torque') return station;
  const { targetNm } = printed.spec;
  const with_ = (nm: number, text: string): Station => ({
    ...station,
    specs: [{ ...printed, printed: text, spec: { ...printed.spec, kind: 'torque', targetNm: nm } }],
  });
  switch (kind) {
    case 'lostDecimal':
      return with_(tenfoldNm(targetNm), `${oneDecimal(tenfoldNm(targetNm))} N·m`);
    case 'unitSlip':
      return with_(slippedNm(targetNm), `${oneDecimal(targetNm)} lbf·ft`);
    case 'missingFigure':
      return {
        ...station,
        specs: [{ printed: '', spec: { kind: 'missing', why: 'notGiven', note: 'The sheet gives none.' } }],
      };
    default:
      return station;
  }
}

/**
 * The kit as the learner's sheet has it: with the slips that are not yet found.
 *
 * @param kit - the kit as it is meant
 */
export function stagedKit(kit: KitDocument, faults: readonly PlacedFault[]): KitDocument {
  const byGroup = new Map(faults.map((fault) => [fault.target, fault.kind]));
  const groupOf = new Map(kit.groups.flatMap(({ id, stations }) => stations.map((station) => [station, id] as const)));
  const contradicted = kit.groups.find(({ id }) => byGroup.get(id) === 'contradiction');
  const figure = contradicted && kit.stations.find(({ id }) => id === contradicted.stations[0])?.specs[0]?.spec;
  const at = kit.steps.findIndex(({ actions }) =>
    actions.some((action) => action.type === 'torque' && action.group === contradicted?.id),
  );
  return {
    ...kit,
    stations: kit.stations.map((station) => {
      const kind = byGroup.get(groupOf.get(station.id) ?? '');
      return kind === undefined ? station : slipped(station, kind);
    }),
    steps: kit.steps.map((step, index) =>
      index === at && figure?.kind === 'torque'
        ? { ...step, text: `${step.text} ${contradictionText(figure.targetNm)}` }
        : step,
    ),
  };
}

/** What the sheet says beside its own figure. */
export const contradictionText = (targetNm: number): string =>
  `Torque as in the drawing: ${contradictingNm(targetNm)} N·m.`;
