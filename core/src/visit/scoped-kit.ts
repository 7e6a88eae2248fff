import type { Condition } from '../kit/condition.ts';
import { scopedId } from '../kit/ids.ts';
import type { KitDocument, OrderRule } from '../kit/kit-document.ts';
import type { Bound } from '../kit/kit-preparation.ts';
import type { PrintedSpec } from '../kit/printed-spec.ts';
import type { StepAction } from '../kit/step-action.ts';

const FIELDS = [
  'removed',
  'disconnect',
  'item',
  'group',
  'compound',
  'station',
  'baseline',
  'check',
  'neighbour',
  'temporary',
  'irreversible',
  'choice',
] as const;

type Scope = (id: string) => string;

/** An action with the prefix before every id it names. */
function scopedAction(action: StepAction, scope: Scope): StepAction {
  const copy: Record<string, unknown> = { ...action };
  for (const field of FIELDS) {
    const id = copy[field];
    if (typeof id === 'string') copy[field] = scope(id);
  }
  if (action.figure !== undefined) copy.figure = scope(action.figure);
  if (action.type === 'shim') copy.shims = action.shims.map(scope);
  if (action.cautions) copy.cautions = action.cautions.map(scope);
  return copy as unknown as StepAction;
}

function scopedCondition(condition: Condition, scope: Scope): Condition {
  if ('all' in condition) return { all: condition.all.map((part) => scopedCondition(part, scope)) };
  if ('any' in condition) return { any: condition.any.map((part) => scopedCondition(part, scope)) };
  if ('not' in condition) return { not: scopedCondition(condition.not, scope) };
  return { ...condition, question: scope(condition.question) };
}

const scopedWhen = <T extends { when?: Condition }>(entry: T, scope: Scope): T =>
  entry.when === undefined ? entry : { ...entry, when: scopedCondition(entry.when, scope) };

const scopedOrder = (rule: OrderRule | undefined, scope: Scope): OrderRule | undefined =>
  rule && 'list' in rule ? { list: rule.list.map(scope) } : rule;

function scopedBound(bound: Bound, scope: Scope): Bound {
  if ('step' in bound) return { step: scope(bound.step) };
  return 'group' in bound ? { group: scope(bound.group) } : bound;
}

/** An optional id, as a field to be spread: absent stays absent. */
const optional = <K extends string>(field: K, id: string | undefined, scope: Scope): { [P in K]?: string } =>
  (id === undefined ? {} : { [field]: scope(id) }) as { [P in K]?: string };

/**
 * A kit document with a prefix before each of its ids, so that two kits that both have a station `s1` can stand in one
 * plan. The kit's own id stays. With an empty prefix the document itself.
 */
export function scopedKit(kit: KitDocument, prefix: string): KitDocument {
  if (prefix === '') return kit;
  const known = scopedKits.get(kit)?.get(prefix);
  if (known) return known;
  const made = scoped(kit, (id) => scopedId(prefix, id));
  scopedKits.set(kit, new Map([...(scopedKits.get(kit) ?? []), [prefix, made]]));
  return made;
}

/** A document is resolved again with every answer; its ids are told apart once. */
const scopedKits = new WeakMap<KitDocument, Map<string, KitDocument>>();

function scoped(kit: KitDocument, scope: Scope): KitDocument {
  const entries = <T extends { id: string; when?: Condition }>(list: readonly T[]): T[] =>
    list.map((entry) => scopedWhen({ ...entry, id: scope(entry.id) }, scope));
  const specs = (list: readonly PrintedSpec[]) => list.map((spec) => scopedWhen(spec, scope));
  return {
    ...kit,
    fits: kit.fits.map((fit) => ({ ...fit, when: scopedCondition(fit.when, scope) })),
    questions: kit.questions.map((question) => ({
      ...question,
      id: scope(question.id),
      ...optional('askedAt', question.askedAt, scope),
    })),
    items: entries(kit.items).map((item) => ({
      ...item,
      ...optional('sitsOn', item.sitsOn, scope),
      ...optional('fittedWith', item.fittedWith, scope),
      ...(item.quantities ? { quantities: item.quantities.map((entry) => scopedWhen(entry, scope)) } : {}),
      ...(item.facings ? { facings: item.facings.map((entry) => scopedWhen(entry, scope)) } : {}),
      ...(item.leftover ? { leftover: item.leftover.map((entry) => scopedWhen(entry, scope)) } : {}),
    })),
    compounds: entries(kit.compounds),
    stations: entries(kit.stations).map((station) => ({
      ...station,
      ...optional('compound', station.compound, scope),
      specs: specs(station.specs),
      stack: station.stack.map((piece) =>
        scopedWhen(piece.kind === 'hardware' ? { ...piece, item: scope(piece.item) } : piece, scope),
      ),
    })),
    groups: entries(kit.groups).map((group) => ({
      ...group,
      stations: group.stations.map(scope),
      ...(group.verifyOnly ? { verifyOnly: group.verifyOnly.map(scope) } : {}),
      startOrder: scopedOrder(group.startOrder, scope),
      snugOrder: scopedOrder(group.snugOrder, scope),
      torqueOrder: scopedOrder(group.torqueOrder, scope),
      after: group.after?.map((entry) => ({ ...entry, group: scope(entry.group) })),
      looseWith: group.looseWith?.map(scope),
    })),
    cautions: entries(kit.cautions).map((entry) => ({ ...entry, ...optional('group', entry.group, scope) })),
    aftercare: entries(kit.aftercare),
    prerequisites: entries(kit.prerequisites),
    baselines: entries(kit.baselines),
    choices: entries(kit.choices),
    irreversible: entries(kit.irreversible),
    temporary: entries(kit.temporary).map((entry) => ({
      ...entry,
      goneBefore: scopedBound(entry.goneBefore, scope),
      ...(entry.keptUntil ? { keptUntil: scopedBound(entry.keptUntil, scope) } : {}),
    })),
    neighbours: entries(kit.neighbours).map((entry) =>
      entry.spec ? { ...entry, spec: scopedWhen(entry.spec, scope) } : entry,
    ),
    removed: entries(kit.removed).map((entry) => ({
      ...entry,
      ...optional('replacedBy', entry.replacedBy, scope),
      ...(entry.specs ? { specs: specs(entry.specs) } : {}),
    })),
    disconnects: entries(kit.disconnects),
    checks: entries(kit.checks).map((entry) => ({
      ...entry,
      ...optional('failsTo', entry.failsTo, scope),
      ...(entry.gates ? { gates: entry.gates.map(scope) } : {}),
    })),
    tools: entries(kit.tools),
    ...(kit.figures ? { figures: kit.figures.map((figure) => ({ ...figure, id: scope(figure.id) })) } : {}),
    steps: entries(kit.steps).map((step) => ({
      ...step,
      after: step.after?.map(scope),
      actions: step.actions.map((action) => scopedAction(action, scope)),
    })),
  };
}
