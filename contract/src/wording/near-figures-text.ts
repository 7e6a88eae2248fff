import type { NearFigure } from '#core/line/near-figures.ts';
import { conditionText } from './condition-text.ts';
import { wantedText } from './measured-text.ts';

/** `rear left and rear right: -1.5 to -0.5 °`, `Model year ≥ 2019: -1 to 0 °`: whose figure it is, and not this one's. */
export function nearFigureText({ check, kit, elsewhere }: NearFigure): string {
  const places = check.places && check.places.length > 0 ? check.places.join(' and ') : check.text;
  const when = check.when && !elsewhere ? conditionText(kit, check.when) : undefined;
  return `${when ?? places}: ${wantedText(check)}`;
}
