/** How a vehicle may be held up while it is worked on. Never by the jack that raised it. */
export const HELD_UP_BY = ['lift', 'stands', 'ramps', 'floor'] as const;
export type HeldUpBy = (typeof HELD_UP_BY)[number];

export const isHeldUpBy = (value: unknown): value is HeldUpBy => HELD_UP_BY.some((by) => by === value);

/** Wheels come off only where the vehicle does not stand on them. */
export const wheelsFree = (by: HeldUpBy): boolean => by === 'lift' || by === 'stands';
