import { randomUUID } from 'node:crypto';
import type { DrawerInput } from '#contract/shelf.ts';
import { leftOnShelf, type ShelfLine } from '#core/crib/shelf.ts';
import { fail, ok, type Result } from '#core/result.ts';
import type { ShelfRepository } from '../store/shelf-repository.ts';
import type { Caller } from './caller.ts';

type ShelfError = { code: 'unknownDrawer' };

/** The shop's own fasteners, drawer by drawer. */
export class ShelfService {
  constructor(
    private readonly drawers: ShelfRepository,
    private readonly now: () => number = Date.now,
  ) {}

  shelf(shopId: string): Promise<ShelfLine[]> {
    return this.drawers.shelf(shopId);
  }

  /** Drawers with no more in them than they are ordered at. */
  async low(shopId: string): Promise<Array<{ name: string; left: number }>> {
    const lines = await this.drawers.shelf(shopId);
    return lines
      .filter((line) => leftOnShelf(line) <= (line.lowAt ?? -1))
      .map((line) => ({ name: `${line.name}, drawer ${line.bin}`, left: leftOnShelf(line) }));
  }

  /** Puts drawers up, all or none. */
  async add(caller: Caller, inputs: readonly DrawerInput[]): Promise<string[]> {
    const rows = inputs.map(({ counted, lowAt, ...card }) => ({ id: randomUUID(), card, counted, lowAt }));
    await this.drawers.addDrawers(caller.shopId, rows, this.now());
    return rows.map(({ id }) => id);
  }

  async change(caller: Caller, id: string, input: DrawerInput): Promise<Result<{ id: string }, ShelfError>> {
    const { counted, lowAt, ...card } = input;
    const known = (await this.drawers.shelf(caller.shopId)).find((line) => line.id === id);
    if (!known) return fail({ code: 'unknownDrawer' });
    // Only a new count ends what was taken since the last.
    const count = counted === leftOnShelf(known) ? {} : { counted, countedAtMs: this.now() };
    await this.drawers.changeDrawer(caller.shopId, id, { card, lowAt: lowAt ?? null, ...count });
    return ok({ id });
  }

  async retire(caller: Caller, id: string): Promise<Result<{ id: string }, ShelfError>> {
    return (await this.drawers.changeDrawer(caller.shopId, id, { retiredAtMs: this.now() }))
      ? ok({ id })
      : fail({ code: 'unknownDrawer' });
  }
}
