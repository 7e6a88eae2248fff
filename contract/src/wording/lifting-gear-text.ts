import { toBase } from '#core/quantity/unit.ts';
import { GEAR_KG, GEAR_KINDS, type GearKind, type LiftingGear, type TooWeak } from '#core/shop/lifting-gear.ts';
import { say } from './say.ts';

const KINDS: Record<string, GearKind> = { lift: 'lift', stand: 'stands', ramp: 'ramps', jack: 'jack' };

/** `Two-post lift 4000 kg`, one a line. */
export const gearText = (gear: readonly LiftingGear[] = []): string =>
  gear.map(({ name, ratedKg }) => `${name} ${ratedKg} kg`).join('\n');

/** What was typed as gear, or why it cannot be: a name that says what it is, then what it bears. */
export function readGear(typed: string): LiftingGear[] | string {
  const gear: LiftingGear[] = [];
  for (const line of typed.split('\n').filter((text) => text.trim() !== '')) {
    const said = `“${line.trim()}”`;
    const read = /^\s*(.+?)[\s,:]+([\d.,]+)\s*(kg|t|tonnes?|lbs?)\s*$/i.exec(line);
    const [, name = '', figure = '', unit = ''] = read ?? [];
    if (!read) return say('{said}: a name, then what it bears, like Two-post lift 4000 kg.', { said });
    // Jack stands are stands: what a thing is stands last in its name.
    const word = [...name.matchAll(/\b(lift|stand|ramp|jack)s?\b/gi)].at(-1)?.[1]?.toLowerCase();
    const kind = word === undefined ? undefined : KINDS[word];
    if (!kind) return say('{said} is no lift, stands, ramps or jack by its name.', { said });
    // 3,000 and 3.000 kg are thousands; 2.5 t and 2,5 t are not.
    const thousands = /^\d{1,3}([.,])\d{3}$/.test(figure);
    const value = Number(thousands ? figure.replace(/[.,]/, '') : figure.replace(',', '.'));
    const ratedKg = Math.round(value * (/^t/i.test(unit) ? 1000 : /^l/i.test(unit) ? toBase(1, 'lb') : 1));
    if (!(ratedKg >= GEAR_KG.least && ratedKg <= GEAR_KG.most))
      return say('{said}: from {least} to {most} kg.', { said, least: GEAR_KG.least, most: GEAR_KG.most });
    if (gear.some((one) => one.name === name)) return say('Two are called {name}.', { name });
    gear.push({ name, kind, ratedKg });
  }
  return gear.sort((a, b) => GEAR_KINDS.indexOf(a.kind) - GEAR_KINDS.indexOf(b.kind));
}

/** Why nothing of a kind holds this vehicle. */
export const tooWeakText = ({ name, ratedKg, needKg }: TooWeak): string =>
  say('{name} bears {ratedKg} kg; it would have to bear {needKg} kg.', { name, ratedKg, needKg });
