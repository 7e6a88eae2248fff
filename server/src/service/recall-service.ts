import type { RecallBy, RecallHit, RecallMessage, RecallTold } from '#contract/recall.ts';
import { numberOf } from '#contract/wording/number-of.ts';
import { isSameThreadText } from '#core/fastener/same-thread-text.ts';
import type { CatalogRepository } from '../store/catalog-repository.ts';
import { currentKit } from '../store/catalog-repository.ts';
import type { Found, RecallRepository } from '../store/recall-repository.ts';
import type { Caller } from './caller.ts';
import type { MessageService } from './message-service.ts';

/** Vehicles that carry something that turned out wrong: found, listed, and their owners told. */
export class RecallService {
  constructor(
    private readonly store: RecallRepository,
    private readonly catalog: CatalogRepository,
    private readonly messages: MessageService,
  ) {}

  private async found(shopId: string, by: RecallBy): Promise<Found> {
    switch (by.by) {
      case 'kit': {
        const revisions = await this.store.revisions(shopId);
        const meant = revisions.filter(({ id, revision }) => id === by.kit && (by.revision ?? revision) === revision);
        return this.store.byKits(
          shopId,
          meant.map(({ id, revision, document }) => ({
            id,
            revision,
            what: `${currentKit(document).title}, revision ${revision}`,
          })),
        );
      }
      case 'class': {
        const revisions = await this.store.revisions(shopId);
        const meant = revisions.flatMap(({ id, revision, document }) => {
          const pieces = currentKit(document).items.filter(
            ({ propertyClass, thread, source }) =>
              source === 'kit' &&
              propertyClass === by.propertyClass &&
              (by.thread === undefined || by.thread === '' || isSameThreadText(thread ?? '', by.thread)),
          );
          return pieces.length > 0
            ? [{ id, revision, what: pieces.map(({ line, name }) => `${line} ${name}`).join(', ') }]
            : [];
        });
        return this.store.byKits(shopId, meant);
      }
      case 'wrench': {
        const pulls = await this.store.byWrench(shopId, by.wrench, by.from, by.to);
        return new Map([...pulls].map(([job, count]) => [job, numberOf(count, 'pull')]));
      }
      case 'lot': {
        const bottles = await this.store.byLot(shopId, by.lot);
        return new Map([...bottles].map(([job, name]) => [job, `${name}, lot ${by.lot}`]));
      }
    }
  }

  /** Visits that answer to it, the newest first; the vehicle as it is on its card now. */
  async hits(shopId: string, by: RecallBy): Promise<RecallHit[]> {
    const found = await this.found(shopId, by);
    const [rows, vehicles] = await Promise.all([
      this.store.jobs(shopId, [...found.keys()]),
      this.catalog.vehicles(shopId),
    ]);
    const cards = new Map(vehicles.map((card) => [card.id, card]));
    return rows.map((row): RecallHit => {
      const { id, make, model, plate, owner, contact } = cards.get(row.vehicleId) ?? row.vehicle;
      return {
        job: row.id,
        number: row.number,
        vehicle: { id, make, model, plate, owner, ...(contact ? { contact } : {}) },
        openedAtMs: row.openedAtMs,
        ...(row.closedAtMs == null ? {} : { closedAtMs: row.closedAtMs }),
        what: found.get(row.id) ?? '',
      };
    });
  }

  /** Writes to the owner of each of those vehicles once; who cannot be written to is named. */
  async tell(caller: Caller, { by, text }: RecallMessage): Promise<RecallTold> {
    const told: RecallTold = { sent: 0, noAddress: [], refused: [], before: 0 };
    const seen = new Set<string>();
    for (const { job, vehicle } of await this.hits(caller.shopId, by)) {
      if (seen.has(vehicle.id)) continue;
      seen.add(vehicle.id);
      const outcome = await this.messages.recall(caller, {
        job,
        vehicle: vehicle.id,
        contact: vehicle.contact,
        text,
        by,
      });
      if (outcome === 'sent') told.sent += 1;
      else if (outcome === 'before') told.before += 1;
      else told[outcome].push(`${vehicle.plate || vehicle.model}, ${vehicle.owner}`);
    }
    return told;
  }
}
