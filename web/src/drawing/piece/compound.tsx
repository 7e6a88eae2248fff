import { type Drawn, INK } from './drawn.ts';

/** The colour a compound is known by. */
const FILL: Readonly<Record<string, string>> = { red: 'var(--bad)', blue: 'var(--medium)', copper: '#a9642c' };

/** A sachet. */
export const compound: Drawn = {
  lacks: () => undefined,
  box: () => ({ left: 0, right: 32, half: 8 }),
  Draw: ({ item }) => (
    <path
      d="M0 -6h20l4-3h8v18h-8l-4-3H0z"
      fill={FILL[item.finish ?? ''] ?? '#5a7d33'}
      {...INK}
      transform="scale(1 0.85)"
    />
  ),
};
