import { randomUUID } from 'node:crypto';
import type { Book } from '#contract/moving-in/book.ts';
import type { Brought, MovedIn, PersonRow, RowVerdict, TakenIn, WrenchRow } from '#contract/moving-in/brought.ts';
import { judgeCheck } from '#core/crib/check-pull.ts';
import { fail, ok, type Result } from '#core/result.ts';
import type { CatalogRepository } from '../../store/catalog-repository.ts';
import type { CribRepository } from '../../store/crib-repository.ts';
import type { KitEntity, UserEntity, VehicleEntity, WrenchEntity } from '../../store/entities.ts';
import { InUseSince, kitRef, type MovingInRepository, type NewRows } from '../../store/moving-in-repository.ts';
import type { ShelfRepository } from '../../store/shelf-repository.ts';
import type { ShopRepository } from '../../store/shop-repository.ts';
import type { Caller } from '../caller.ts';
import { lockReason } from '../crib-service.ts';
import type { KitDraftService } from '../kit-draft-service.ts';
import { hashSecret } from '../session-service.ts';
import { newPin } from '../shop-service.ts';
import { judgeBottles, judgeDrawers, judgePeople, judgeTools, judgeVehicles, judgeWrenches } from './judge-rows.ts';

export type MovingInError =
  | { code: 'rowsFaulty'; verdicts: RowVerdict[] }
  | { code: 'unknownImport' }
  | { code: 'notTheLast' }
  | { code: 'inUseSince'; detail: string };

/** How many imports are listed. */
const SHOWN = 50;
/** How many names of what is in use a refusal tells. */
const NAMED = 12;

/** What stands between rows and the shop, and what they are once they are in. */
interface Judged {
  verdicts: RowVerdict[];
  /** Rows of what is new, and the ids by which an undo finds them. */
  make(): Promise<{ rows: NewRows; made: string[]; pins?: TakenIn['pins'] }>;
}

interface Parts {
  imports: MovingInRepository;
  catalog: CatalogRepository;
  crib: CribRepository;
  shelf: ShelfRepository;
  shops: ShopRepository;
  drafts: KitDraftService;
  /** Told when wrenches came or went. */
  wrenchesChanged: (shopId: string) => void;
  now?: () => number;
}

/** Brings a shop's own books in: judged row by row, taken whole or not at all, and the last undone. */
export class MovingInService {
  private readonly now: () => number;

  constructor(private readonly parts: Parts) {
    this.now = parts.now ?? Date.now;
  }

  async list(shopId: string): Promise<MovedIn[]> {
    return (await this.parts.imports.list(shopId, SHOWN)).map(
      ({ id, book, file, made, atMs, byName, undoneAtMs, undoneBy }) => ({
        id,
        book,
        file,
        rows: made.length,
        atMs,
        byName,
        ...(undoneAtMs ? { undoneAtMs, undoneBy: undoneBy ?? '' } : {}),
      }),
    );
  }

  /** What would become of every row. */
  async preview(caller: Caller, brought: Brought): Promise<RowVerdict[]> {
    return (await this.judge(caller, brought)).verdicts;
  }

  /** Takes everything new, where no row has a fault. */
  async take(caller: Caller, brought: Brought): Promise<Result<TakenIn, MovingInError>> {
    const judged = await this.judge(caller, brought);
    const { verdicts } = judged;
    if (verdicts.some(({ verdict }) => verdict === 'fault')) return fail({ code: 'rowsFaulty', verdicts });
    const there = verdicts.filter(({ verdict }) => verdict === 'there').length;
    if (there === verdicts.length) return ok({ id: '', taken: 0, there });
    const { rows, made, pins } = await judged.make();
    const id = randomUUID();
    const { shopId, person } = caller;
    const { book, file } = brought;
    await this.parts.imports.take(
      { id, shopId, book, file, made, atMs: this.now(), byName: person.name },
      rows,
      person,
    );
    this.told(book, shopId);
    return ok({ id, taken: made.length, there, ...(pins ? { pins } : {}) });
  }

  async undo(caller: Caller, id: string): Promise<Result<{ id: string }, MovingInError>> {
    const all = await this.parts.imports.list(caller.shopId, SHOWN);
    const wanted = all.find((entry) => entry.id === id);
    if (!wanted || wanted.undoneAtMs) return fail({ code: 'unknownImport' });
    // What came later may stand on it: a person's mentor, a kit's earlier revision.
    if (all.find(({ undoneAtMs }) => !undoneAtMs) !== wanted) return fail({ code: 'notTheLast' });
    try {
      await this.parts.imports.undo(wanted, this.now(), caller.person);
    } catch (error) {
      if (!(error instanceof InUseSince)) throw error;
      const { names } = error;
      const more = names.length > NAMED ? ` and ${names.length - NAMED} more` : '';
      return fail({ code: 'inUseSince', detail: `${names.slice(0, NAMED).join(', ')}${more}.` });
    }
    this.told(wanted.book, caller.shopId);
    return ok({ id });
  }

  private told(book: Book, shopId: string): void {
    if (book === 'wrenches') this.parts.wrenchesChanged(shopId);
  }

  private async judge(caller: Caller, brought: Brought): Promise<Judged> {
    const { shopId } = caller;
    const { catalog, crib, shelf } = this.parts;
    const atMs = this.now();
    switch (brought.book) {
      case 'vehicles': {
        const verdicts = judgeVehicles(brought.rows, await catalog.vehicles(shopId), new Date(atMs).getUTCFullYear());
        return made(
          brought.rows,
          verdicts,
          'vehicles',
          (card, id): VehicleEntity => ({ id, shopId, card: { ...card, id }, version: 1 }),
        );
      }
      case 'wrenches': {
        const verdicts = judgeWrenches(brought.rows, await catalog.allWrenchLabels(shopId));
        return madeWrenches(brought.rows, verdicts, caller, atMs);
      }
      case 'tools': {
        const verdicts = judgeTools(brought.rows, await crib.tools(shopId));
        return made(brought.rows, verdicts, 'tools', (card, id) => ({ id, shopId, card: { ...card, id } }));
      }
      case 'compounds': {
        const verdicts = judgeBottles(brought.rows, await crib.bottles(shopId));
        return made(brought.rows, verdicts, 'bottles', (row, id) => ({
          id,
          shopId,
          ...row,
          receivedAtMs: atMs,
          adjustedMl: 0,
        }));
      }
      case 'fasteners': {
        const verdicts = judgeDrawers(brought.rows, await shelf.shelf(shopId));
        return made(brought.rows, verdicts, 'drawers', ({ counted, lowAt, ...card }, id) => ({
          id,
          shopId,
          card,
          counted,
          countedAtMs: atMs,
          lowAt,
        }));
      }
      case 'people':
        return this.judgedPeople(caller, brought.rows);
      case 'kits':
        return this.judgedKits(caller, brought);
    }
  }

  private async judgedPeople({ shopId }: Caller, rows: readonly PersonRow[]): Promise<Judged> {
    const [known, shop] = await Promise.all([this.parts.shops.people(shopId), this.parts.shops.shop(shopId)]);
    const verdicts = judgePeople(rows, known);
    return {
      verdicts,
      make: async () => {
        const fresh = rows.filter((_, at) => verdicts[at]?.verdict === 'new').map((row) => ({ row, id: randomUUID() }));
        const byInitials = new Map(
          [...known.filter(({ leftAtMs }) => !leftAtMs), ...fresh.map(({ row, id }) => ({ ...row, id }))].map(
            ({ initials, id }) => [initials.toUpperCase(), id],
          ),
        );
        const people: UserEntity[] = [];
        const pins: NonNullable<TakenIn['pins']> = [];
        for (const { row, id } of fresh) {
          const { name, role, mentor, skills = [] } = row;
          const initials = row.initials.toUpperCase();
          const pin = newPin(shop?.secretDigits);
          const mentorId = mentor === undefined ? null : (byInitials.get(mentor.toUpperCase()) ?? null);
          people.push({ id, shopId, name, initials, role, mentorId, skills, secretHash: await hashSecret(pin) });
          pins.push({ name, initials, pin });
        }
        return { rows: { people }, made: people.map(({ id }) => id), pins };
      },
    };
  }

  private async judgedKits(caller: Caller, { rows, waive }: Extract<Brought, { book: 'kits' }>): Promise<Judged> {
    const verdicts: RowVerdict[] = [];
    const kits: KitEntity[] = [];
    const refs = new Set<string>();
    for (const row of rows) {
      const examined = await this.parts.drafts.examine(caller, JSON.stringify(row), waive);
      if (!examined.ok) {
        const { error } = examined;
        const faults = 'faults' in error && error.faults ? error.faults : [];
        verdicts.push({
          verdict: 'fault',
          faults:
            faults.length > 0
              ? faults.map(({ path, message }) => ({ field: path, reason: message }))
              : [{ field: '', reason: 'detail' in error && error.detail ? error.detail : error.code }],
        });
        continue;
      }
      const { kit, release } = examined.value;
      const ref = kitRef(kit);
      if (!release) verdicts.push({ verdict: 'there', what: `${kit.title}, revision ${kit.revision}` });
      else if (refs.has(ref))
        verdicts.push({ verdict: 'fault', faults: [{ field: 'revision', reason: `${ref} stands in the file twice` }] });
      else {
        refs.add(ref);
        const standing = release.waivers.length;
        verdicts.push({ verdict: 'new', ...(standing > 0 ? { remark: `${standing} warnings stand` } : {}) });
        kits.push({ shopId: caller.shopId, id: kit.id, revision: kit.revision, document: kit, ...release });
      }
    }
    return { verdicts, make: async () => ({ rows: { kits }, made: kits.map(kitRef) }) };
  }
}

/** Rows of one table, each with an id of its own. */
function made<Row, Name extends keyof NewRows>(
  rows: readonly Row[],
  verdicts: RowVerdict[],
  name: Name,
  entity: (row: Row, id: string) => NonNullable<NewRows[Name]>[number],
): Judged {
  return {
    verdicts,
    make: async () => {
      const list = rows
        .filter((_, at) => verdicts[at]?.verdict === 'new')
        .map((row) => {
          const id = randomUUID();
          return { id, entity: entity(row, id) };
        });
      return { rows: { [name]: list.map((entry) => entry.entity) }, made: list.map(({ id }) => id) };
    },
  };
}

/** Wrenches with the calibration that came along; one out of limits is locked from its first day here. */
function madeWrenches(
  rows: readonly WrenchRow[],
  verdicts: RowVerdict[],
  { shopId, person }: Caller,
  atMs: number,
): Judged {
  return {
    verdicts,
    make: async () => {
      const wrenches: WrenchEntity[] = [];
      const checks: NonNullable<NewRows['checks']> = [];
      rows.forEach(({ calibration, ...row }, at) => {
        if (verdicts[at]?.verdict !== 'new') return;
        const id = randomUUID();
        const verdict = calibration && judgeCheck(row, calibration.readings);
        const locked =
          verdict && !verdict.within ? { lockedAtMs: atMs, lockedBecause: lockReason('calibration', verdict) } : {};
        wrenches.push({ id, shopId, ...row, ...locked });
        if (calibration && verdict)
          checks.push({
            id: randomUUID(),
            shopId,
            wrenchId: id,
            kind: 'calibration',
            // The certificate names a day; of a later one than today nobody could have brought it.
            atMs: Math.min(atMs - 1, Date.parse(`${calibration.on}T12:00:00Z`)),
            byName: `brought along by ${person.name}`.slice(0, 120),
            readings: calibration.readings,
            certificate: calibration.certificate,
            ...verdict,
          });
      });
      return { rows: { wrenches, checks }, made: wrenches.map(({ id }) => id) };
    },
  };
}
