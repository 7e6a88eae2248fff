import type { KitDocument, Station } from './kit-document.ts';

const SEALS = /\bgaskets?\b|\bo-?rings?\b|\bseal(?:ing)? rings?\b/i;

/** Whether something soft that must be pressed evenly lies between what these stations hold together. */
export function isGasketed(
  { items }: Pick<KitDocument, 'items'>,
  stations: ReadonlyArray<Pick<Station, 'stack'>>,
): boolean {
  const names = new Map(items.map(({ id, name }) => [id, name]));
  return stations.some(({ stack }) =>
    stack.some((piece) => SEALS.test(piece.kind === 'clamped' ? piece.name : (names.get(piece.item) ?? ''))),
  );
}
