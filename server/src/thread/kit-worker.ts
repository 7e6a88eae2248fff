import { parentPort } from 'node:worker_threads';
import { expose } from 'comlink';
import nodeEndpoint from 'comlink/dist/esm/node-adapter.mjs';
import { faultText, readKit } from '#contract/read-kit.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { kitFaults } from '#core/kit/kit-integrity.ts';
import { lintKit } from '#core/kit/lint/lint.ts';

/** What of a kit takes longer than a request may hold the server up. */
const works = {
  read: (text: string) => readKit(text),
  judge(document: KitDocument) {
    const faults = kitFaults(document).map(faultText);
    return { faults, findings: faults.length > 0 ? [] : lintKit(document) };
  },
};
export type KitWorkerWorks = typeof works;

if (parentPort) expose(works, nodeEndpoint(parentPort));
