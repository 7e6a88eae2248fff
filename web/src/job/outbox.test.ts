import 'fake-indexeddb/auto';
import { describe, expect, it } from '@jest/globals';
import type { JobDocument } from '#contract/job.ts';
import { TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { MIRA, NOON } from '#demo/try-job.ts';
import { dropCommands, keepCommands, keepJob, keptJob, outboxOf } from './outbox.ts';
import { type OutboxEntry, unreadable } from './outbox-entry.ts';

const entry = (id: string, jobId: string, order: number): OutboxEntry => ({
  id,
  jobId,
  order,
  envelope: { id, atMs: NOON, by: MIRA, command: { type: 'undo' } },
});
const job = (id: string): JobDocument =>
  ({
    id,
    kits: [{ document: TRANSFER_CASE_GUARD, prefix: '' }],
    openedWith: [''],
    events: [],
  }) as unknown as JobDocument;

describe('the outbox', () => {
  it('gives a job’s commands in the order they were given, and no other job’s', async () => {
    await keepCommands([entry('c', 'j1', 3), entry('a', 'j1', 1), entry('x', 'j2', 2), entry('b', 'j1', 2)]);
    expect((await outboxOf('j1')).map(({ id }) => id)).toEqual(['a', 'b', 'c']);
    expect((await outboxOf('j3')).map(({ id }) => id)).toEqual([]);
  });
  it('keeps one command once, as it was last', async () => {
    await keepCommands([entry('d', 'j4', 1)]);
    await keepCommands([unreadable(entry('d', 'j4', 1), [{ path: 'text', message: 'too long' }])]);
    expect(await outboxOf('j4')).toMatchObject([{ id: 'd', refused: { code: 'commandUnreadable' } }]);
  });
  it('lets go what it is told to, and nothing on nothing', async () => {
    await keepCommands([entry('e', 'j5', 1), entry('f', 'j5', 2)]);
    await dropCommands([]);
    expect(await outboxOf('j5')).toHaveLength(2);
    await dropCommands(['e', 'never-there']);
    expect((await outboxOf('j5')).map(({ id }) => id)).toEqual(['f']);
  });
});

describe('jobs kept for working without the network', () => {
  it('come back as they were last seen; one never seen does not', async () => {
    await keepJob(job('k1'));
    expect(await keptJob('k1')).toMatchObject({ id: 'k1', openedWith: [''] });
    expect(await keptJob('k-none')).toBeUndefined();
  });
  it('make room when there are many, but never one with commands waiting', async () => {
    await keepJob(job('waiting'));
    await keepCommands([entry('w', 'waiting', 1)]);
    for (let index = 0; index < 45; index++) await keepJob(job(`m${index}`));
    expect(await keptJob('waiting')).toBeDefined();
    expect(await keptJob('m0')).toBeUndefined();
    expect(await keptJob('m44')).toBeDefined();
  });
});
