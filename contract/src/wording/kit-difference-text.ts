import type { KitChange } from '#core/kit/kit-difference.ts';
import { inLanguage, say } from './say.ts';

const FIELD_TEXT: Record<string, string> = inLanguage({
  specs: 'torque',
  acrossFlatsMm: 'width across flats',
  lengthMm: 'length',
  thicknessMm: 'thickness',
  propertyClass: 'class',
  torqueOrder: 'torque order',
  startOrder: 'start order',
  snugOrder: 'snug order',
  atRideHeight: 'ride height',
  statedMinutes: 'stated time',
  powerTools: 'power tools',
  runDownShare: 'torque for running down',
  xMm: 'place',
  yMm: 'place',
  when: 'condition',
});

const valueText = (value: unknown): string => {
  if (value === undefined) return 'nothing';
  if (typeof value === 'string' || typeof value === 'number') return String(value);
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (Array.isArray(value) && value.every((entry) => typeof entry === 'string' || typeof entry === 'number'))
    return value.join(', ');
  const text = JSON.stringify(value);
  return text.length > 80 ? `${text.slice(0, 79)}…` : text;
};

/** `46 lbf·ft → 52 lbf·ft` is written `46 → 52 lbf·ft` where both have the unit. */
function arrow(from: string, to: string): string {
  const [, fromNumber, fromUnit] = /^([\d.,–-]+)\s+(\D+)$/.exec(from) ?? [];
  const [, toNumber, toUnit] = /^([\d.,–-]+)\s+(\D+)$/.exec(to) ?? [];
  return fromUnit !== undefined && fromUnit === toUnit ? `${fromNumber} → ${toNumber} ${toUnit}` : `${from} → ${to}`;
}

/** One change in a line: `torque of Plate to frame 46 → 52 lbf·ft`. */
export function kitChangeText({ list, kind, name, field, from, to, count }: KitChange): string {
  const where = list === 'document' ? say('the kit') : count > 1 ? `group ${name} (${count} stations)` : name;
  switch (kind) {
    case 'added':
      return `added: ${name}`;
    case 'removed':
      return say('taken out: {name}', { name });
    case 'moved':
      return say('order of the {name} changed', { name });
    case 'changed': {
      const what = FIELD_TEXT[field ?? ''] ?? field ?? '';
      return say('{what} of {where} {arrow}', { what, where, arrow: arrow(valueText(from), valueText(to)) });
    }
  }
}
