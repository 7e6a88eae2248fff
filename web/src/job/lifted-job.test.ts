import { describe, expect, it } from '@jest/globals';
import type { JobDocument } from '#contract/job.ts';
import { openLog } from '#core/job/job-log.ts';
import { KIT_VERSION } from '#core/kit/kit-document.ts';
import { TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { liftedJob } from './lifted-job.ts';

const rest = { id: 'j', vehicle: { drivenWheels: 'four' }, answers: {}, shop: { name: 'Shop' }, events: [] };

describe('a job kept on a tablet before the application was renewed', () => {
  it('with one kit of an older version opens as today’s', () => {
    const { tools: _, ...kit } = { ...TRANSFER_CASE_GUARD, version: 2 };
    const lifted = liftedJob({ ...rest, kit } as unknown as JobDocument);
    expect(lifted.kits).toMatchObject([{ prefix: '', document: { version: KIT_VERSION, tools: [] } }]);
    expect(openLog({ ...lifted, shop: {} }).ok).toBe(true);
  });
  it('of today is left as it is', () => {
    const today = {
      ...rest,
      kits: [{ document: TRANSFER_CASE_GUARD, prefix: '' }],
      openedWith: [''],
      integrity: { breaks: [3], open: [], sealed: true },
      unheard: [],
    };
    expect(liftedJob(today as unknown as JobDocument)).toEqual(today);
  });
});
