import type { BendableRule, Bender } from '#core/kit/house-rules.ts';
import type { OpeningHours } from '#core/shop/opening-hours.ts';
import type { ShopChangeWhat } from '../shop.ts';
import { BOOK_TEXT } from './en/moving-in.ts';
import { BENDABLE_TEXT, BENDER_TEXT, RULE_TEXT, RULE_VALUES } from './en/rules.ts';
import { gearText } from './lifting-gear-text.ts';
import { numberOf } from './number-of.ts';
import { weekText } from './opening-hours-text.ts';
import { inLanguage, midSentence, say } from './say.ts';

const DID: Record<Extract<ShopChangeWhat, { what: 'person' }>['did'], string> = inLanguage({
  added: 'taken in',
  changed: 'changed',
  resetPin: 'given a new PIN',
  lock: 'locked',
  unlock: 'unlocked',
  leave: 'left the shop',
  return: 'came back',
});

const PROGRAM_DID: Record<Extract<ShopChangeWhat, { what: 'program' }>['did'], string> = inLanguage({
  keyMade: 'Key “{name}” made',
  keyRevoked: 'Key “{name}” taken back',
  hookMade: '{name} is told of visits',
  hookOff: '{name} is told nothing any more',
});

const TABLET_DID: Record<Extract<ShopChangeWhat, { what: 'tablet' }>['did'], string> = inLanguage({
  invited: 'may be let in by code',
  paired: 'let in',
  named: 'named',
  putOut: 'put out',
});

/** A setting's value as a reader says it: trays by name and size, choices as the page calls them. */
function valueText(field: string, value: string | undefined): string {
  if (value === undefined) return say('as usual');
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
      .map(([rule, bender]) => `${BENDABLE_TEXT[rule as BendableRule].title}: ${midSentence(BENDER_TEXT[bender])}`)
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
      return say('{name} opened', { name: change.name });
    case 'setting': {
      const name = RULE_TEXT[change.field as keyof typeof RULE_TEXT]?.title ?? change.field;
      return say('{name}: {valueText}, before {valueText2}', {
        name,
        valueText: valueText(change.field, change.to),
        valueText2: valueText(change.field, change.from),
      });
    }
    case 'program':
      return PROGRAM_DID[change.did].replace('{name}', change.name);
    case 'tablet':
      return say('Tablet “{name}” {tabletDid}{which}', {
        name: change.name,
        tabletDid: TABLET_DID[change.did],
        which: change.from === undefined ? '' : say(', before “{from}”', { from: change.from }),
      });
    case 'otherLead':
      return say('{person} of {shop} {which}', {
        person: change.person,
        shop: change.shop,
        which: change.did === 'letIn' ? say('leads here too') : say('leads here no more'),
      });
    case 'movedIn':
      return `${change.rows} ${midSentence(BOOK_TEXT[change.book])} ${change.did === 'taken' ? say('brought in') : say('taken out again')}: ${change.file}`;
    case 'person': {
      const from = change.from === undefined ? '' : `: ${change.from} → ${change.to}`;
      return `${change.person} ${DID[change.did]}${change.did === 'added' && change.to ? say(' as {to}', { to: change.to }) : from}`;
    }
  }
}
