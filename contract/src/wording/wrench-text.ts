import type { WrenchKind } from '#core/wrench/wrench.ts';
import { inLanguage } from './say.ts';

/** How a wrench says that its figure is reached. */
export const WRENCH_KIND_TEXT: Readonly<Record<WrenchKind, string>> = inLanguage({
  click: 'click wrench',
  digital: 'digital wrench',
  beam: 'beam wrench',
});
