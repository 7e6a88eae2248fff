import type { Aftercare } from '#core/kit/kit-document.ts';
import type { UnitSystem } from '#core/quantity/display.ts';
import { bothText } from '#core/quantity/show-both.ts';
import { say } from './say.ts';

type Due = Pick<Aftercare, 'afterKm' | 'afterDays' | 'afterHours' | 'afterHeatCycles' | 'event' | 'repeats'>;

/** What a sheet says of when, as it says it: `every evening`, `after the first long tow`; a bare name is a moment. */
const eventText = (event: string): string => {
  if (/^(?:after|at|before|by|each|every|on|when|whenever|with)\b/i.test(event)) return event;
  if (/^\d/.test(event)) return say('after {event}', { event });
  return say('at {which}{event}', { which: /^the\b/i.test(event) ? '' : 'the ', event });
};

/** When it is due: `after 80 km (50 mi), after 2 days or at the first tow, and again each time`; empty where nobody says. */
export function dueText(
  { afterKm, afterDays, afterHours, afterHeatCycles, event, repeats }: Due,
  system: UnitSystem,
): string {
  const due = [
    afterKm === undefined ? '' : say('after {bothText}', { bothText: bothText(afterKm, 'distance', system) }),
    afterHours === undefined ? '' : say('after {afterHours} h', { afterHours }),
    afterDays === undefined ? '' : say('after {afterDays} {afterDays, plural, one {day} other {days}}', { afterDays }),
    afterHeatCycles === undefined
      ? ''
      : say('after {afterHeatCycles} heat {afterHeatCycles, plural, one {cycle} other {cycles}}', { afterHeatCycles }),
    event === undefined ? '' : eventText(event),
  ].filter(Boolean);
  const [last] = due.slice(-1);
  if (!last) return repeats ? say('again and again') : '';
  const first = due.slice(0, -1).join(', ');
  return `${first ? say('{first} or ', { first }) : ''}${last}${repeats ? say(', and again each time') : ''}`;
}

/** An aftercare line with when it is due. */
export function aftercareText(entry: Due & Pick<Aftercare, 'text'>, system: UnitSystem = 'metric'): string {
  const due = dueText(entry, system);
  const text = /[.!?]$/.test(entry.text.trim()) ? entry.text.trim() : `${entry.text.trim()}.`;
  return due ? say('{text} Due {due}.', { text, due }) : text;
}
