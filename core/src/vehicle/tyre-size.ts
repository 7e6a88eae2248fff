/** A tyre size as it stands on the sidewall, in mm. */
export interface TyreSize {
  sectionMm: number;
  aspect: number;
  rimIn: number;
  /** Free outside diameter, mm. */
  diameterMm: number;
}

const MM_PER_IN = 25.4;

/**
 * Reads a tyre size.
 *
 * Metric sizes: outside diameter = rim + 2 · section · aspect. Flotation sizes print the diameter in inches.
 *
 * @returns undefined for a text that is no tyre size
 * @see ETRTO Standards Manual, general notes: designation 265/65 R 17 and design overall diameter
 */
export function readTyreSize(text: string): TyreSize | undefined {
  const plain = text.toUpperCase().replaceAll(/\s+/g, '').replaceAll(',', '.');
  const metric = /^(?:LT|P)?(\d{3})\/(\d{2,3})Z?[RBD]F?(\d{2}(?:\.\d)?)/.exec(plain);
  if (metric) {
    const [section = 0, aspect = 0, rim = 0] = metric.slice(1).map(Number);
    return {
      sectionMm: section,
      aspect,
      rimIn: rim,
      diameterMm: rim * MM_PER_IN + (2 * section * aspect) / 100,
    };
  }
  const flotation = /^(?:LT)?(\d{2}(?:\.\d)?)[X×](\d{1,2}(?:\.\d{1,2})?)[RBD](\d{2}(?:\.\d)?)/.exec(plain);
  if (!flotation) return undefined;
  const [diameter = 0, width = 0, rim = 0] = flotation.slice(1).map(Number);
  const sectionMm = width * MM_PER_IN;
  const diameterMm = diameter * MM_PER_IN;
  return { sectionMm, aspect: (100 * (diameterMm - rim * MM_PER_IN)) / (2 * sectionMm), rimIn: rim, diameterMm };
}
