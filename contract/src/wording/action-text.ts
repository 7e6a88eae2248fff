import type { KitDocument } from '#core/kit/kit-document.ts';
import type { StepAction } from '#core/kit/kit-step.ts';
import { ACTION_TEXT } from './en/terms.ts';

/** The lists an action's object is taken from; actions without one say it themselves. */
export function actionObjects(
  kit: KitDocument,
  type: StepAction['type'],
): Array<{ id: string; name: string }> | undefined {
  const named = (list: ReadonlyArray<{ id: string; name: string }>) => list.map(({ id, name }) => ({ id, name }));
  switch (type) {
    case 'remove':
    case 'refit':
      return kit.removed.map(({ id, name, count }) => ({ id, name: count > 1 ? `${name} (${count})` : name }));
    case 'disconnect':
    case 'reconnect':
      return named(kit.disconnects);
    case 'fit':
      return kit.items.map(({ id, line, name }) => ({ id, name: `${line} ${name}` }));
    case 'start':
    case 'snug':
    case 'torque':
    case 'verify':
      return kit.groups.map(({ id, title }) => ({ id, name: title }));
    case 'apply':
      return named(kit.compounds);
    case 'measure':
      return named(kit.baselines);
    case 'check':
      return kit.checks.map(({ id, text }) => ({ id, name: text }));
    case 'loosen':
    case 'retighten':
      return named(kit.neighbours);
    case 'clear':
      return named(kit.temporary);
    case 'decide':
      return kit.irreversible.map(({ id, text }) => ({ id, name: text }));
    default:
      return undefined;
  }
}

/** The field of an action that names its object. */
export const ACTION_FIELD: Partial<Record<StepAction['type'], string>> = {
  remove: 'removed',
  refit: 'removed',
  disconnect: 'disconnect',
  reconnect: 'disconnect',
  fit: 'item',
  start: 'group',
  snug: 'group',
  torque: 'group',
  verify: 'group',
  apply: 'compound',
  measure: 'baseline',
  check: 'check',
  loosen: 'neighbour',
  retighten: 'neighbour',
  clear: 'temporary',
  decide: 'irreversible',
};

/** One action in words: `Remove: cover bolts (6)`. */
export function actionText(kit: KitDocument, action: StepAction): string {
  const verb = ACTION_TEXT[action.type];
  switch (action.type) {
    case 'drill':
      return `${verb} ${action.diameterMm} mm`;
    case 'wait':
      return `${verb} ${action.minutes >= 120 ? `${Number((action.minutes / 60).toFixed(1))} h` : `${action.minutes} min`}`;
    case 'do':
      return action.text;
    case 'lift':
    case 'lower':
      return verb;
    case 'followKit':
      return `${verb}: ${action.kit}${action.part ? `, ${action.part}` : ''}`;
    default: {
      const id = (action as unknown as Record<string, string>)[ACTION_FIELD[action.type] ?? ''];
      const object = actionObjects(kit, action.type)?.find((entry) => entry.id === id);
      const count = action.type === 'refit' && action.count !== undefined ? `, ${action.count} of them` : '';
      return `${verb}: ${object?.name ?? `${id}, which is not there`}${count}`;
    }
  }
}
