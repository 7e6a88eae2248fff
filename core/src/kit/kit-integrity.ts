import { parseThread } from '../fastener/thread.ts';
import { parsePrinted } from '../quantity/parse-printed.ts';
import { acceptBand, canBeVerified, type TighteningSpec } from '../tightening/kinds.ts';
import { askedBy, isFinding } from './asked.ts';
import { type Condition, questionsIn } from './condition.ts';
import { KIT_LISTS, type KitDocument, type KitList, type OrderRule } from './kit-document.ts';
import { formsOf } from './piece-kind.ts';
import type { PrintedSpec } from './printed-spec.ts';
import { stepsBefore } from './step-order.ts';

/** Lists whose entries have a condition and nothing else to be checked here. */
const CONDITIONAL_LISTS = KIT_LISTS.filter(
  (list): list is Exclude<KitList, 'questions' | 'items' | 'compounds' | 'stations' | 'groups' | 'cautions'> =>
    !['questions', 'items', 'compounds', 'stations', 'groups', 'cautions'].includes(list),
);

/** A fault of a kit document that its shape alone does not show. `path` leads to the value in the file. */
export interface KitFault {
  path: string;
  code:
    | 'duplicateId'
    | 'unknownItem'
    | 'unknownCompound'
    | 'unknownStation'
    | 'unknownGroup'
    | 'unknownQuestion'
    | 'stationInNoGroup'
    | 'stationInTwoGroups'
    | 'orderIncomplete'
    | 'stagesNotRising'
    | 'verifyImpossible'
    | 'bandEmpty'
    | 'printedDisagrees'
    | 'threadUnreadable'
    | 'quantityBelowNeed'
    | 'choicesMissing'
    | 'groupsInCircle'
    | 'empty'
    | 'groupEmpty'
    /** An action, a fate or a part names something the kit does not have. */
    | 'unknownReference'
    | 'stepsInCircle'
    /** What the vehicle carries answers yes or no, or with its figure; never with one of several words. */
    | 'fittedInWords'
    /** Whether a kit fits cannot hang on what is found or chosen when it is being fitted. */
    | 'fitToldLater'
    /** Only what is asked at a step is asked at several places. */
    | 'placesAskedBefore'
    /** Shims are chosen by their thickness. */
    | 'shimWithoutThickness'
    /** Which side was bought is answered with left or right, among others. */
    | 'sidesMissing'
    /** A form belongs to its kind: a circlip is no nut. */
    | 'formOfAnotherKind'
    /** Only a part has an outline of its own. */
    | 'outlineOfHardware';
  /** The offending value or name. */
  value: string;
}

/** The printed torque, where it can be read as one value or range, must be the value it stands for (M01, M05). */
function printedDisagrees(spec: TighteningSpec, printed: string): boolean {
  if (spec.kind === 'missing') return false;
  const read = parsePrinted(printed, 'torque');
  if (!read.ok) return false;
  const band = acceptBand(spec);
  if (!band) return true;
  const middle = (read.value.minBase + read.value.maxBase) / 2;
  return Math.abs(middle - band.targetNm) > 0.02 * band.targetNm;
}

const bandEmpty = (spec: TighteningSpec): boolean => {
  const band = acceptBand(spec);
  return (
    band !== undefined &&
    !(band.minNm > 0 && band.minNm <= band.maxNm && band.targetNm <= (band.absoluteMaximumNm ?? Infinity))
  );
};

/** Things that wait for each other, found by taking away those that wait for nobody until none is left to take. */
function inCircle(waiting: ReadonlyArray<{ id: string; after?: string[] }>): string[] {
  let rest = waiting;
  for (;;) {
    const ids = new Set(rest.map((group) => group.id));
    const still = rest.filter((group) => group.after?.some((id) => ids.has(id)));
    if (still.length === rest.length) return rest.map((group) => group.id);
    rest = still;
  }
}

/**
 * Checks a kit document harder than its shape: references, orders, bands, printed values, arithmetic.
 *
 * @returns every fault with its path, in document order; empty for a kit that can be worked from
 */
export function kitFaults(kit: KitDocument): KitFault[] {
  const faults: KitFault[] = [];
  const add = (path: string, code: KitFault['code'], value: string) => faults.push({ path, code, value });
  const answerIds = new Set(askedBy(kit).map(({ id }) => id));
  const choiceIds = new Set(kit.choices.map(({ id }) => id));
  const told = new Set([...kit.questions.filter(isFinding), ...kit.choices].map(({ id }) => id));
  const itemIds = new Set(kit.items.map((item) => item.id));
  const compoundIds = new Set(kit.compounds.map((compound) => compound.id));
  const stationIds = new Set(kit.stations.map((station) => station.id));
  const groupIds = new Set(kit.groups.map((group) => group.id));
  const condition = (path: string, when: Condition | undefined) => {
    for (const id of questionsIn(when)) if (!answerIds.has(id)) add(path, 'unknownQuestion', id);
  };

  const specs = (path: string, list: readonly PrintedSpec[]) => {
    list.forEach((printed, place) => {
      condition(`${path}.specs[${place}].when`, printed.when);
      if (bandEmpty(printed.spec)) add(`${path}.specs[${place}].spec`, 'bandEmpty', printed.printed);
      else if (printedDisagrees(printed.spec, printed.printed))
        add(`${path}.specs[${place}].printed`, 'printedDisagrees', printed.printed);
    });
  };

  for (const list of ['items', 'stations', 'groups'] as const) if (kit[list].length === 0) add(list, 'empty', list);
  for (const list of KIT_LISTS) {
    const seen = new Set<string>();
    kit[list].forEach((entry, index) => {
      if (seen.has(entry.id)) add(`${list}[${index}].id`, 'duplicateId', entry.id);
      seen.add(entry.id);
    });
  }
  kit.fits.forEach((fit, index) => {
    condition(`fits[${index}].when`, fit.when);
    for (const id of questionsIn(fit.when))
      if (told.has(id.split('@')[0] ?? id)) add(`fits[${index}].when`, 'fitToldLater', id);
  });
  kit.questions.forEach((question, index) => {
    if (question.kind === 'choice' && (question.choices ?? []).length < 2)
      add(`questions[${index}].choices`, 'choicesMissing', question.id);
    if (question.fitted !== undefined && question.kind === 'choice')
      add(`questions[${index}].fitted`, 'fittedInWords', question.id);
    // Conditions name both alike.
    if (choiceIds.has(question.id)) add(`questions[${index}].id`, 'duplicateId', question.id);
    if (question.askedAt !== undefined && !kit.steps.some(({ id }) => id === question.askedAt))
      add(`questions[${index}].askedAt`, 'unknownReference', question.askedAt);
    if (question.places !== undefined && question.askedAt === undefined)
      add(`questions[${index}].places`, 'placesAskedBefore', question.id);
    if (
      question.bought === 'side' &&
      !['left', 'right'].every((side) => question.choices?.some(({ value }) => value === side))
    )
      add(`questions[${index}].choices`, 'sidesMissing', question.id);
  });
  kit.items.forEach((item, index) => {
    condition(`items[${index}].when`, item.when);
    for (const list of ['quantities', 'facings'] as const)
      item[list]?.forEach((entry, place) => {
        condition(`items[${index}].${list}[${place}].when`, entry.when);
      });
    if (item.thread !== undefined && !parseThread(item.thread).ok)
      add(`items[${index}].thread`, 'threadUnreadable', item.thread);
    if (item.form !== undefined && !formsOf(item.kind).includes(item.form))
      add(`items[${index}].form`, 'formOfAnotherKind', item.form);
    if (item.outline !== undefined && item.kind !== 'part')
      add(`items[${index}].outline`, 'outlineOfHardware', item.kind);
    if (item.fittedWith !== undefined && !groupIds.has(item.fittedWith))
      add(`items[${index}].fittedWith`, 'unknownGroup', item.fittedWith);
  });

  kit.compounds.forEach((compound, index) => {
    condition(`compounds[${index}].when`, compound.when);
  });

  const use = new Map<string, number>();
  const groupsOfStation = new Map<string, number>();
  for (const id of kit.groups.flatMap((group) => group.stations))
    groupsOfStation.set(id, (groupsOfStation.get(id) ?? 0) + 1);
  kit.stations.forEach((station, index) => {
    const path = `stations[${index}]`;
    condition(`${path}.when`, station.when);
    const memberships = groupsOfStation.get(station.id) ?? 0;
    if (memberships === 0) add(`${path}.id`, 'stationInNoGroup', station.id);
    if (memberships > 1) add(`${path}.id`, 'stationInTwoGroups', station.id);
    if (station.compound !== undefined && !compoundIds.has(station.compound))
      add(`${path}.compound`, 'unknownCompound', station.compound);
    station.stack.forEach((piece, layer) => {
      condition(`${path}.stack[${layer}].when`, piece.when);
      if (piece.kind !== 'hardware') return;
      if (!itemIds.has(piece.item)) add(`${path}.stack[${layer}].item`, 'unknownItem', piece.item);
      if (station.when === undefined && piece.when === undefined) use.set(piece.item, (use.get(piece.item) ?? 0) + 1);
    });
    specs(path, station.specs);
  });
  // Only stations that are always there: a conditional one may take the place of another.
  kit.items.forEach((item, index) => {
    if ((use.get(item.id) ?? 0) > item.quantity)
      add(`items[${index}].quantity`, 'quantityBelowNeed', `${item.quantity} of ${use.get(item.id)}`);
  });

  const specsOf = new Map(kit.stations.map((station) => [station.id, station.specs]));
  const circle = new Set(
    inCircle(kit.groups.map(({ id, after }) => ({ id, after: after?.map(({ group }) => group) }))),
  );
  kit.groups.forEach((group, index) => {
    const path = `groups[${index}]`;
    condition(`${path}.when`, group.when);
    if (group.stations.length === 0) add(`${path}.stations`, 'groupEmpty', group.id);
    group.stations.forEach((id, place) => {
      if (!stationIds.has(id)) add(`${path}.stations[${place}]`, 'unknownStation', id);
    });
    const order = (name: 'startOrder' | 'snugOrder' | 'torqueOrder', rule: OrderRule | undefined) => {
      if (!rule || !('list' in rule)) return;
      const listed = new Set(rule.list);
      const same =
        listed.size === rule.list.length &&
        listed.size === group.stations.length &&
        group.stations.every((id) => listed.has(id));
      if (!same) add(`${path}.${name}.list`, 'orderIncomplete', group.id);
    };
    order('startOrder', group.startOrder);
    order('snugOrder', group.snugOrder);
    order('torqueOrder', group.torqueOrder);
    const stages = group.stages ?? [1];
    const rising =
      // A second round at full torque is one that the sheet asks for, and no plain second look.
      stages.every((share, place) => share <= 1 && (share > (stages[place - 1] ?? 0) || stages[place - 1] === 1)) &&
      stages.at(-1) === 1;
    if (!rising) add(`${path}.stages`, 'stagesNotRising', stages.join(', '));
    for (const id of group.verifyOnly ?? [])
      if (!group.stations.includes(id)) add(`${path}.verifyOnly`, 'unknownStation', id);
    if (group.verify && !group.stations.some((id) => specsOf.get(id)?.some((printed) => canBeVerified(printed.spec)))) {
      add(`${path}.verify`, 'verifyImpossible', group.id);
    }
    for (const { group: id } of group.after ?? []) if (!groupIds.has(id)) add(`${path}.after`, 'unknownGroup', id);
    for (const id of group.looseWith ?? []) if (!groupIds.has(id)) add(`${path}.looseWith`, 'unknownGroup', id);
    if (circle.has(group.id)) add(`${path}.after`, 'groupsInCircle', group.id);
  });
  kit.cautions.forEach((caution, index) => {
    condition(`cautions[${index}].when`, caution.when);
    if (caution.group !== undefined && !groupIds.has(caution.group))
      add(`cautions[${index}].group`, 'unknownGroup', caution.group);
  });
  // Those above name their conditions with what else is wrong with them.
  for (const list of CONDITIONAL_LISTS) {
    kit[list].forEach((entry, index) => {
      condition(`${list}[${index}].when`, entry.when);
    });
  }
  kit.items.forEach((item, index) => {
    if (item.sitsOn !== undefined && !itemIds.has(item.sitsOn))
      add(`items[${index}].sitsOn`, 'unknownReference', item.sitsOn);
    item.leftover?.forEach((entry, place) => {
      condition(`items[${index}].leftover[${place}].when`, entry.when);
    });
  });
  kit.removed.forEach((entry, index) => {
    specs(`removed[${index}]`, entry.specs ?? []);
    if (entry.replacedBy !== undefined && !itemIds.has(entry.replacedBy))
      add(`removed[${index}].replacedBy`, 'unknownItem', entry.replacedBy);
  });
  kit.temporary.forEach((entry, index) => {
    for (const [field, bound] of Object.entries({ goneBefore: entry.goneBefore, keptUntil: entry.keptUntil })) {
      if (bound && 'group' in bound && !groupIds.has(bound.group))
        add(`temporary[${index}].${field}`, 'unknownGroup', bound.group);
      if (bound && 'step' in bound && !kit.steps.some(({ id }) => id === bound.step))
        add(`temporary[${index}].${field}`, 'unknownReference', bound.step);
    }
  });
  const idsOf = (list: ReadonlyArray<{ id: string }>) => new Set(list.map((entry) => entry.id));
  const known = {
    removed: idsOf(kit.removed),
    disconnect: idsOf(kit.disconnects),
    item: itemIds,
    group: groupIds,
    compound: compoundIds,
    station: stationIds,
    baseline: idsOf(kit.baselines),
    check: idsOf(kit.checks),
    neighbour: idsOf(kit.neighbours),
    temporary: idsOf(kit.temporary),
    irreversible: idsOf(kit.irreversible),
    choice: idsOf(kit.choices),
  };
  const stepIds = idsOf(kit.steps);
  const cautionIds = idsOf(kit.cautions);
  const figureIds = idsOf(kit.figures ?? []);
  if (figureIds.size < (kit.figures ?? []).length) add('figures', 'duplicateId', 'figures');
  kit.checks.forEach((entry, index) => {
    if (entry.failsTo !== undefined && !stepIds.has(entry.failsTo))
      add(`checks[${index}].failsTo`, 'unknownReference', entry.failsTo);
    for (const id of entry.gates ?? []) if (!groupIds.has(id)) add(`checks[${index}].gates`, 'unknownGroup', id);
  });
  const before = stepsBefore(kit.steps);
  const stepCircle = new Set(inCircle(kit.steps.map(({ id }) => ({ id, after: before.get(id) ?? [] }))));
  kit.steps.forEach((step, index) => {
    const path = `steps[${index}]`;
    for (const id of step.after ?? []) if (!stepIds.has(id)) add(`${path}.after`, 'unknownReference', id);
    if (stepCircle.has(step.id)) add(`${path}.after`, 'stepsInCircle', step.id);
    step.actions.forEach((action, place) => {
      for (const [field, ids] of Object.entries(known)) {
        const id = (action as unknown as Record<string, unknown>)[field];
        if (typeof id === 'string' && !ids.has(id)) add(`${path}.actions[${place}].${field}`, 'unknownReference', id);
      }
      if (action.type === 'shim')
        for (const id of action.shims)
          if (!itemIds.has(id)) add(`${path}.actions[${place}].shims`, 'unknownReference', id);
          else if (kit.items.find((item) => item.id === id)?.thicknessMm === undefined)
            add(`${path}.actions[${place}].shims`, 'shimWithoutThickness', id);
      if (action.figure !== undefined && !figureIds.has(action.figure))
        add(`${path}.actions[${place}].figure`, 'unknownReference', action.figure);
      for (const id of action.cautions ?? [])
        if (!cautionIds.has(id)) add(`${path}.actions[${place}].cautions`, 'unknownReference', id);
    });
  });
  return faults;
}
