import { randomUUID } from 'node:crypto';
import type { DataSource } from 'typeorm';
import type { JobEvent } from '#core/job/acts.ts';
import { ShopEntity } from './entities.ts';
import { chainHash, FIRST_HASH } from './hash-chain.ts';
import { JobRepository } from './job-repository.ts';

/**
 * Records an event on a job of its own and reads it back: proof that a restored schema takes work again. Leaves that
 * job behind, so it is done on a copy.
 *
 * @throws what the database says where it does not, or where it reads back otherwise
 */
export async function proveRecording(source: DataSource, nowMs: number): Promise<void> {
  const jobs = new JobRepository(source);
  const shops = source.getRepository(ShopEntity);
  const [known] = await shops.find({ take: 1 });
  const shop = known ?? { id: 'proof', name: 'Proof', bays: 1 };
  if (!known) await shops.insert(shop);
  const id = randomUUID();
  const vehicle = { id: 'proof', make: '', model: 'Proof', plate: '', owner: '' } as never;
  const progress = { phases: {}, title: 'Proof', estimatedMinutes: 0 } as never;
  await jobs.insert(
    {
      id,
      shopId: shop.id,
      bay: 1,
      plannedStartMs: nowMs,
      vehicleId: 'proof',
      vehicle,
      kits: [],
      answers: {},
      passRule: {},
      openedAtMs: nowMs,
      seq: 0,
      hash: FIRST_HASH,
      progress,
    },
    'proof',
    () => ({ hash: FIRST_HASH }),
  );
  const event: JobEvent = {
    type: 'problemRaised',
    problem: id,
    text: 'Proof that the restored shop records.',
    commandId: randomUUID(),
    atMs: nowMs,
    by: { id: 'proof', name: 'Proof', role: 'lead' },
  };
  const hash = chainHash(FIRST_HASH, 1, event);
  const rows = [{ seq: 1, hash, event, commandIndex: 0 }];
  await jobs.append({ jobId: id, fromSeq: 0, rows, received: { atMs: nowMs }, progress });
  const [back] = await jobs.eventsAfter(id, 0);
  if (back?.hash !== hash || chainHash(FIRST_HASH, 1, back.event) !== hash)
    throw new Error('What was recorded did not read back the same.');
}
