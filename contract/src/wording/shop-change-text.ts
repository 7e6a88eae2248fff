import type { BendableRule, Bender } from '#core/kit/house-rules.ts';
import type { OpeningHours } from '#core/shop/opening-hours.ts';
import type { ShopChangeWhat } from '../shop.ts';
import { BOOK_TEXT } from './en/moving-in.ts';
import { BENDABLE_TEXT, BENDER_TEXT, RULE_TEXT, RULE_VALUES } from './en/rules.ts';
import { gearText } from './lifting-gear-text.ts';
import { numberOf } from './number-of.ts';
import { weekText } from './opening-hours-text.ts';

const DID: Record<Extract<ShopChangeWhat, { what: 'person' }>['did'], string> = {
  added: 'taken in',
  changed: 'changed',
  resetPin: 'given a new PIN',
  lock: 'locked',
  unlock: 'unlocked',
  leave: 'left',
  return: 'came back',
};

const PROGRAM_DID: Record<Extract<ShopChangeWhat, { what: 'program' }>['did'], string> = {
  keyMade: 'Key “{name}” made',
  keyRevoked: 'Key “{name}” taken back',
  hookMade: '{name} is told of visits',
  hookOff: '{name} is told nothing any more',
};

const TABLET_DID: Record<Extract<ShopChangeWhat, { what: 'tablet' }>['did'], string> = {
  invited: 'may be let in by code',
  paired: 'let in',
  named: 'named',
  putOut: 'put out',
};

/** A setting's value as a reader says it: trays by name and size, choices as the page calls them. */
function valueText(field: string, value: string | undefined): string {
  if (value === undefined) return 'as usual';
  if (field === 'hours') {
    const { week, holidays } = JSON.parse(value) as OpeningHours;
    return [
      weekText(week).replaceAll('\n', ', ') || 'closed',
      holidays.length > 0 && numberOf(holidays.length, 'holiday'),
    ]
      .filter(Boolean)
      .join('; ');
  }
  if (field === 'againAfterKm')
    return Object.entries(JSON.parse(value) as object)
      .map(([kind, km]) => `${kind} ${km} km`)
      .join(', ');
  if (field === 'lifting') return gearText(JSON.parse(value)).replaceAll('\n', ', ');
  if (field === 'bentBy')
    return Object.entries(JSON.parse(value) as Record<BendableRule, Bender>)
      .map(([rule, bender]) => `${BENDABLE_TEXT[rule as BendableRule].title}: ${BENDER_TEXT[bender].toLowerCase()}`)
      .join('; ');
  if (field === 'stages' || field === 'gasketStages') return (JSON.parse(value) as number[]).join(', ');
  if (field !== 'trays') return RULE_VALUES[field]?.[value] ?? value;
  const trays = JSON.parse(value) as ReadonlyArray<{ name: string; rows: number; columns: number }>;
  return trays.map(({ name, rows, columns }) => `${name} ${rows} × ${columns}`).join(', ');
}

/** One line of a shop's log. */
export function shopChangeText(change: ShopChangeWhat): string {
  switch (change.what) {
    case 'opened':
      return `${change.name} opened`;
    case 'setting': {
      const name = RULE_TEXT[change.field as keyof typeof RULE_TEXT]?.title ?? change.field;
      return `${name}: ${valueText(change.field, change.to)}, before ${valueText(change.field, change.from)}`;
    }
    case 'program':
      return PROGRAM_DID[change.did].replace('{name}', change.name);
    case 'tablet':
      return `Tablet “${change.name}” ${TABLET_DID[change.did]}${change.from === undefined ? '' : `, before “${change.from}”`}`;
    case 'otherLead':
      return `${change.person} of ${change.shop} ${change.did === 'letIn' ? 'leads here too' : 'leads here no more'}`;
    case 'movedIn':
      return `${change.rows} ${BOOK_TEXT[change.book].toLowerCase()} ${change.did === 'taken' ? 'brought in' : 'taken out again'}: ${change.file}`;
    case 'person': {
      const from = change.from === undefined ? '' : `: ${change.from} → ${change.to}`;
      return `${change.person} ${DID[change.did]}${change.did === 'added' && change.to ? ` as ${change.to}` : from}`;
    }
  }
}
