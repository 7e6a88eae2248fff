import type { JobDocument } from '#contract/job.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { upgradeKit } from '#core/kit/upgrade-kit.ts';

/** A job as tablets kept it while a job had one kit. */
type OneKitJob = Omit<JobDocument, 'kits' | 'openedWith'> & { kit: KitDocument };

/**
 * A job this device kept, in today's shape: one kept before the application was renewed opens without the network too,
 * and what waits to be sent still finds its plan.
 */
export function liftedJob(kept: JobDocument | OneKitJob): JobDocument {
  // What no earlier version kept: nothing is known against it, until the server is heard.
  const unsaid = { integrity: { breaks: [], open: [], sealed: false }, unheard: [] };
  const current = (kit: KitDocument) => upgradeKit(kit) as KitDocument;
  if ('kits' in kept)
    return { ...unsaid, ...kept, kits: kept.kits.map((kit) => ({ ...kit, document: current(kit.document) })) };
  const { kit, ...rest } = kept;
  return { ...unsaid, ...rest, kits: [{ document: current(kit), prefix: '' }], openedWith: [''] };
}
