import 'reflect-metadata';
import { DataSource, type EntityManager } from 'typeorm';
import type { Config } from '../config.ts';
import { ENTITIES } from './entities.ts';
import { FirstTables1764000000000 } from './migration/0001-first-tables.ts';
import { AppendEvents1764000000001 } from './migration/0002-append-events.ts';
import { Crib1764000000002 } from './migration/0003-crib.ts';
import { KitDrafts1764000000003 } from './migration/0004-kit-drafts.ts';
import { Visits1764000000004 } from './migration/0005-visits.ts';
import { JobRules1764000000005 } from './migration/0006-job-rules.ts';
import { Trust1764000000006 } from './migration/0007-trust.ts';
import { LinePhases1764000000007 } from './migration/0008-line-phases.ts';
import { HouseRules1764000000008 } from './migration/0009-house-rules.ts';
import { KitPictures1764000000009 } from './migration/0010-kit-pictures.ts';
import { JobSlot1764000000010 } from './migration/0011-job-slot.ts';
import { GelledBottle1764000000011 } from './migration/0012-gelled-bottle.ts';
import { Shelf1764000000012 } from './migration/0013-shelf.ts';
import { Opening1764000000013 } from './migration/0014-opening.ts';
import { MovingIn1764000000014 } from './migration/0015-moving-in.ts';
import { Tablets1764000000015 } from './migration/0016-tablets.ts';
import { Outside1764000000016 } from './migration/0017-outside.ts';
import { OwnSettings1764000000017 } from './migration/0018-own-settings.ts';
import { SessionHours1764000000018 } from './migration/0019-session-hours.ts';
import { SeveralServers1764000000019 } from './migration/0020-several-servers.ts';
import { SeveralShops1764000000020 } from './migration/0021-several-shops.ts';
import { DueSettled1764000000021 } from './migration/0022-due-settled.ts';
import { OwnersFollowUp1764000000022 } from './migration/0023-owners-follow-up.ts';
import { Book1764000000023 } from './migration/0024-book.ts';
import { BookSteps1764000000024 } from './migration/0025-book-steps.ts';
import { StepPace1764000000025 } from './migration/0026-step-pace.ts';
import { Drills1764000000026 } from './migration/0027-drills.ts';

/** The connection pool to MariaDB. The schema comes from migrations only. */
export function makeDataSource(database: Config['database']): DataSource {
  return new DataSource({
    type: 'mariadb',
    ...database,
    charset: 'utf8mb4',
    timezone: 'Z',
    entities: ENTITIES,
    migrations: [
      FirstTables1764000000000,
      AppendEvents1764000000001,
      Crib1764000000002,
      KitDrafts1764000000003,
      Visits1764000000004,
      JobRules1764000000005,
      Trust1764000000006,
      LinePhases1764000000007,
      HouseRules1764000000008,
      KitPictures1764000000009,
      JobSlot1764000000010,
      GelledBottle1764000000011,
      Shelf1764000000012,
      Opening1764000000013,
      MovingIn1764000000014,
      Tablets1764000000015,
      Outside1764000000016,
      OwnSettings1764000000017,
      SessionHours1764000000018,
      SeveralServers1764000000019,
      SeveralShops1764000000020,
      DueSettled1764000000021,
      OwnersFollowUp1764000000022,
      Book1764000000023,
      BookSteps1764000000024,
      StepPace1764000000025,
      Drills1764000000026,
    ],
    synchronize: false,
    poolSize: 10,
    connectTimeout: 5000,
  });
}

/** How often a transaction is tried again that another one was in the way of. */
const MOST_TRIES = 5;

/** Whether a transaction gave way to another: of this server, or, in a cluster, one that another node had certified first. */
export const gaveWay = (error: unknown): boolean => codesOf(error).includes('ER_LOCK_DEADLOCK');

/** Does work in one transaction, and does it again where it gave way to another; what it read is read again. */
export async function inTransaction<T>(source: DataSource, work: (manager: EntityManager) => Promise<T>): Promise<T> {
  for (let tries = 1; ; tries++) {
    try {
      return await source.transaction(work);
    } catch (error) {
      if (!gaveWay(error) || tries >= MOST_TRIES) throw error;
    }
  }
}

/** Codes that mean there is no room left where the database writes. */
const FULL = new Set(['ER_DISK_FULL', 'ER_RECORD_FILE_FULL', 'ER_ERROR_ON_WRITE', 'ENOSPC']);

/** Codes of the driver that mean the database is away, not that the query was wrong. */
const AWAY = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  'ENOTFOUND',
  'ETIMEDOUT',
  'PROTOCOL_CONNECTION_LOST',
  'PROTOCOL_ENQUEUE_AFTER_FATAL_ERROR',
  'ER_SERVER_SHUTDOWN',
  'POOL_CLOSED',
]);

const codesOf = (error: unknown): string[] => {
  const { code, driverError } = (error as { code?: unknown; driverError?: { code?: unknown } } | undefined) ?? {};
  return [String(code), String(driverError?.code)];
};

/** Whether an error says that the database cannot be reached just now. */
export const isDatabaseAway = (error: unknown): boolean => codesOf(error).some((code) => AWAY.has(code));

/** Whether an error says that the disk is full. */
export const isDatabaseFull = (error: unknown): boolean => codesOf(error).some((code) => FULL.has(code));
