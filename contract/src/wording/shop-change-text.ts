import type { ShopChangeWhat } from '../shop.ts';
import { RULE_TEXT } from './en/rules.ts';

const DID: Record<Extract<ShopChangeWhat, { what: 'person' }>['did'], string> = {
  added: 'taken in',
  changed: 'changed',
  resetPin: 'given a new PIN',
  lock: 'locked',
  unlock: 'unlocked',
  leave: 'left',
  return: 'came back',
};

/** One line of a shop's log. */
export function shopChangeText(change: ShopChangeWhat): string {
  switch (change.what) {
    case 'opened':
      return `${change.name} opened`;
    case 'setting': {
      const name = RULE_TEXT[change.field as keyof typeof RULE_TEXT]?.title ?? change.field;
      return `${name}: ${change.to ?? 'as usual'}, before ${change.from ?? 'as usual'}`;
    }
    case 'person': {
      const from = change.from === undefined ? '' : `: ${change.from} → ${change.to}`;
      return `${change.person} ${DID[change.did]}${change.did === 'added' && change.to ? ` as ${change.to}` : from}`;
    }
  }
}
