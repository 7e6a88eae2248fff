import { type DataSource, In, IsNull } from 'typeorm';
import type { Telling, Told } from '#contract/outside.ts';
import { inTransaction } from './data-source.ts';
import { ShopChangeEntity } from './entities.ts';
import { ApiKeyEntity, ApiRequestEntity, TellingEntity, WebhookEntity } from './outside-entities.ts';
import { type Done, logged } from './tablet-repository.ts';

/** A telling that is to be sent, with where and how it is signed. */
export interface DueTelling {
  id: number;
  url: string;
  secret: string;
  tries: number;
  body: Telling;
}

/** Which event of a job makes which telling. */
const WHEN: Record<Told, 'opened_at_ms' | 'closed_at_ms'> = {
  'visit.opened': 'opened_at_ms',
  'visit.closed': 'closed_at_ms',
};
/** How far back is looked for what was not told yet: jobs are made by servers, and each looks every two seconds. */
const NOTED_MS = 7 * 86_400_000;
/** Tellings that are shown of a hook. */
const SHOWN = 20;

const isDuplicate = (error: unknown): boolean =>
  (error as { driverError?: { code?: string } }).driverError?.code === 'ER_DUP_ENTRY';

/** Keys, requests, hooks and tellings of other programs. */
export class OutsideRepository {
  constructor(private readonly source: DataSource) {}

  keys(shopId: string): Promise<ApiKeyEntity[]> {
    return this.source.getRepository(ApiKeyEntity).find({ where: { shopId }, order: { madeAtMs: 'DESC' } });
  }

  async key(keyHash: string): Promise<ApiKeyEntity | undefined> {
    return (await this.source.getRepository(ApiKeyEntity).findOneBy({ keyHash, revokedAtMs: IsNull() })) ?? undefined;
  }

  async used(id: string, usedAtMs: number): Promise<void> {
    await this.source.getRepository(ApiKeyEntity).update({ id }, { usedAtMs });
  }

  async addKey(key: ApiKeyEntity, done: Done): Promise<void> {
    await inTransaction(this.source, async (manager) => {
      await manager.insert(ApiKeyEntity, key as never);
      await manager.insert(ShopChangeEntity, logged(done));
    });
  }

  /** @returns false where there is none that counts */
  revokeKey(id: string, done: Done): Promise<boolean> {
    return inTransaction(this.source, async (manager) => {
      const { shopId, atMs } = done;
      const { affected } = await manager.update(
        ApiKeyEntity,
        { shopId, id, revokedAtMs: IsNull() },
        { revokedAtMs: atMs },
      );
      if (affected === 1) await manager.insert(ShopChangeEntity, logged(done));
      return affected === 1;
    });
  }

  /** Takes a request on; where it was sent before, what it was. */
  async begin(request: ApiRequestEntity): Promise<ApiRequestEntity | undefined> {
    const requests = this.source.getRepository(ApiRequestEntity);
    try {
      await requests.insert(request);
      return undefined;
    } catch (error) {
      if (!isDuplicate(error)) throw error;
      const { keyId, idempotencyKey } = request;
      return (await requests.findOneBy({ keyId, idempotencyKey })) ?? undefined;
    }
  }

  async finish({ keyId, idempotencyKey }: ApiRequestEntity, jobId: string): Promise<void> {
    await this.source.getRepository(ApiRequestEntity).update({ keyId, idempotencyKey }, { jobId });
  }

  /** A request that was refused may be sent again, mended. */
  async forget({ keyId, idempotencyKey }: ApiRequestEntity): Promise<void> {
    await this.source.getRepository(ApiRequestEntity).delete({ keyId, idempotencyKey });
  }

  async hooks(shopId: string): Promise<Array<WebhookEntity & { tellings: TellingEntity[] }>> {
    const hooks = await this.source
      .getRepository(WebhookEntity)
      .find({ where: { shopId }, order: { madeAtMs: 'DESC' } });
    return Promise.all(
      hooks.map(async (hook) => ({
        ...hook,
        tellings: await this.source
          .getRepository(TellingEntity)
          .find({ where: { hookId: hook.id }, order: { id: 'DESC' }, take: SHOWN }),
      })),
    );
  }

  async addHook(hook: WebhookEntity, done: Done): Promise<void> {
    await inTransaction(this.source, async (manager) => {
      await manager.insert(WebhookEntity, hook as never);
      await manager.insert(ShopChangeEntity, logged(done));
    });
  }

  /** Nothing is told there any more; what waits is given up. */
  hookOff(id: string, done: Done): Promise<boolean> {
    return inTransaction(this.source, async (manager) => {
      const { shopId, atMs } = done;
      const { affected } = await manager.update(WebhookEntity, { shopId, id, offAtMs: IsNull() }, { offAtMs: atMs });
      if (affected !== 1) return false;
      await manager.update(TellingEntity, { hookId: id, doneAtMs: IsNull() }, { nextAtMs: null });
      await manager.insert(ShopChangeEntity, logged(done));
      return true;
    });
  }

  /** A telling that was given up is tried again from now on. */
  async again(shopId: string, id: number, nowMs: number): Promise<boolean> {
    const { affectedRows } = await this.source.query(
      `UPDATE telling t JOIN webhook h ON h.id = t.hook_id SET t.next_at_ms = ?, t.tries = 0
        WHERE t.id = ? AND h.shop_id = ? AND t.done_at_ms IS NULL AND h.off_at_ms IS NULL`,
      [nowMs, id, shopId],
    );
    return affectedRows === 1;
  }

  /**
   * Notes what has happened since each hook was made, each thing once, whichever server sees it first: the jobs
   * themselves are what is counted from, so nothing that was stored is left untold.
   */
  async note(nowMs: number): Promise<void> {
    const sinceMs = nowMs - NOTED_MS;
    for (const [event, at] of Object.entries(WHEN)) {
      // Looked for first, and without a lock: nearly always there is nothing, and jobs must not wait for this.
      const fresh: Array<{ hookId: string; jobId: string; atMs: string }> = await this.source.query(
        `SELECT h.id AS hookId, j.id AS jobId, j.${at} AS atMs
          FROM webhook h JOIN job j ON j.shop_id = h.shop_id AND j.${at} >= GREATEST(h.made_at_ms, ?)
          WHERE h.off_at_ms IS NULL AND JSON_CONTAINS(h.events, JSON_QUOTE(?))
            AND NOT EXISTS (SELECT 1 FROM telling t WHERE t.hook_id = h.id AND t.event = ? AND t.job_id = j.id)
          LIMIT 500`,
        [sinceMs, event, event],
      );
      for (const { hookId, jobId, atMs } of fresh)
        await this.source.query(
          `INSERT IGNORE INTO telling (hook_id, event, job_id, at_ms, made_at_ms, next_at_ms) VALUES (?, ?, ?, ?, ?, ?)`,
          [hookId, event, jobId, Number(atMs), nowMs, nowMs],
        );
    }
  }

  /** Takes some that are due, so that no other server sends them meanwhile. */
  async claim(nowMs: number, untilMs: number, most: number): Promise<DueTelling[]> {
    // Of the tellings alone: a lock must not reach the jobs they tell of.
    const ids = await inTransaction(this.source, async (manager) => {
      const due: Array<{ id: string }> = await manager.query(
        `SELECT id FROM telling WHERE next_at_ms <= ? AND done_at_ms IS NULL
          ORDER BY next_at_ms LIMIT ? FOR UPDATE SKIP LOCKED`,
        [nowMs, most],
      );
      const taken = due.map(({ id }) => String(id));
      if (taken.length > 0) await manager.update(TellingEntity, { id: In(taken) }, { nextAtMs: untilMs });
      return taken;
    });
    if (ids.length === 0) return [];
    const rows: Array<Record<string, string>> = await this.source.query(
      `SELECT t.id, t.event, t.at_ms AS atMs, t.tries, t.job_id AS jobId, h.url, h.secret, j.number, j.vehicle
        FROM telling t JOIN webhook h ON h.id = t.hook_id JOIN job j ON j.id = t.job_id
        WHERE t.id IN (?) AND h.off_at_ms IS NULL`,
      [ids],
    );
    return rows.map(({ id, event, atMs, tries, jobId, url, secret, number, vehicle }) => {
      const card = typeof vehicle === 'string' ? (JSON.parse(vehicle) as object) : (vehicle as unknown as object);
      const { make, model, plate } = card as Telling['visit']['vehicle'];
      return {
        id: Number(id),
        url: url ?? '',
        secret: secret ?? '',
        tries: Number(tries),
        body: {
          id: String(id),
          event: event as Told,
          at: new Date(Number(atMs)).toISOString(),
          visit: { id: jobId ?? '', number: number ?? '', vehicle: { make, model, plate } },
        },
      };
    });
  }

  /** What became of a try: it arrived, is tried again, or is given up. */
  async tried(id: number, set: Pick<TellingEntity, 'tries' | 'answer' | 'nextAtMs' | 'doneAtMs'>): Promise<void> {
    await this.source.getRepository(TellingEntity).update({ id: String(id) }, set);
  }
}
