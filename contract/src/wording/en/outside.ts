import type { Scope, Told } from '../../outside.ts';
import { inLanguage } from '../say.ts';

export const SCOPE_TEXT: Record<Scope, string> = inLanguage({
  'kits:read': 'see which kits the shop fits',
  'visits:read': 'see visits and how far they are',
  'visits:write': 'open visits',
  'due:read': 'see what owners are to come back for',
});

export const TOLD_TEXT: Record<Told, string> = inLanguage({
  'visit.opened': 'a visit was opened',
  'visit.closed': 'a visit was closed',
});
