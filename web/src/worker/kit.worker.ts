import { expose } from 'comlink';
import type { KitDocument } from '#core/kit/kit-document.ts';
import type { Finding } from '#core/kit/lint/finding.ts';
import { lintKit } from '#core/kit/lint/lint.ts';
import { type VariantRow, variantTable } from '#core/kit/variant-table.ts';

/** What is worked out about a kit as it is written, off the screen's thread: a large one takes longer than a keystroke. */
const worker = {
  lint: (kit: KitDocument): Finding[] => lintKit(kit),
  variants: (kit: KitDocument): VariantRow[] | undefined => variantTable(kit),
};
export type KitWorker = typeof worker;
expose(worker);
