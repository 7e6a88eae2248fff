import { standardThreads } from '../../fastener/standard-thread.ts';
import { metricThread, parseThread, unifiedThread } from '../../fastener/thread.ts';
import { MM_PER_INCH } from '../../quantity/unit.ts';
import type { Ask, AskOption } from '../ask.ts';
import { type ActionOf, kindOf, tickEach } from '../line-kind.ts';

export const clean = kindOf<ActionOf<'clean'>>({ picture: 'list', asks: ({ action }) => tickEach(action.places) });
export const dry = kindOf<ActionOf<'dry'>>({ picture: 'list', asks: ({ action }) => tickEach(action.places) });

/** Chasers that could be taken by mistake: of the same diameter, in another pitch. */
function chasers(thread: string): AskOption[] {
  const own = parseThread(thread);
  if (!own.ok) return [{ value: thread, label: thread, is: 'right' }];
  const { nominalMm, pitchMm } = own.value.thread;
  const others = standardThreads()
    .filter((other) => Math.abs(other.nominalMm - nominalMm) < 0.6 && Math.abs(other.pitchMm - pitchMm) > 0.01)
    .map((other) =>
      other.system === 'metric'
        ? metricThread(other.nominalMm, other.pitchMm).designation
        : unifiedThread(other.nominalMm / MM_PER_INCH, Math.round(MM_PER_INCH / other.pitchMm), other.numberSize)
            .designation,
    );
  return [
    { value: thread, label: thread, is: 'right' as const },
    ...[...new Set(others)].slice(0, 3).map((name) => ({ value: name, label: name, is: 'refused' as const })),
  ].sort((a, b) => a.value.localeCompare(b.value));
}

/** A thread is chased with a tool of its own size and pitch: the size in the hand is asked. */
export const chase = kindOf<ActionOf<'chase'>>({
  picture: 'hole',
  asks: ({ action }) => [
    { kind: 'oneOf', key: 'chaser', about: 'chaserSize', what: action.thread, options: chasers(action.thread) },
    ...tickEach(action.places),
  ],
});

export const soak = kindOf<ActionOf<'soak'>>({ picture: 'clock', clock: ({ minutes }) => ({ minutes }) });
export const wait = kindOf<ActionOf<'wait'>>({ picture: 'clock', clock: ({ minutes }) => ({ minutes }) });

/** The thermometer that ends it, earlier than the clock or in its stead; nothing where the sheet gives no temperature. */
const thermometer = (
  { what, minutes }: { what: string; minutes?: number },
  limit: { min?: number; max?: number },
): Ask[] =>
  limit.min === undefined && limit.max === undefined
    ? []
    : [
        {
          kind: 'number',
          key: 'temperature',
          about: 'temperature',
          what,
          unit: '°C',
          ...limit,
          outside: 'refused',
          ...(minutes === undefined ? {} : { optional: true }),
        },
      ];
export const coolDown = kindOf<ActionOf<'coolDown'>>({
  picture: 'clock',
  clock: ({ minutes }) => ({ minutes }),
  asks: ({ action }) => thermometer(action, { max: action.belowC }),
});
export const warmUp = kindOf<ActionOf<'warmUp'>>({
  picture: 'clock',
  clock: ({ minutes }) => ({ minutes }),
  asks: ({ action }) => thermometer(action, { min: action.aboveC }),
});
