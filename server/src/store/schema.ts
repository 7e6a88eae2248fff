import type { DataSource } from 'typeorm';
import { grantApplication } from './application-grants.ts';
import { ensureRoutines, missingRoutines } from './routines.ts';

/** Brings a schema to this version: tables, routines, and what the server's account may do. For its owner only. */
export async function prepareSchema(
  owner: DataSource,
  applicationUser: string,
  applicationHost = '127.0.0.1',
): Promise<{ applied: number }> {
  const applied = await owner.runMigrations();
  await ensureRoutines(owner);
  await grantApplication(owner, applicationUser, applicationHost);
  return { applied: applied.length };
}

/** What the schema lacks of all that this version relies on, in words; empty when it is whole. */
export async function schemaFaults(source: DataSource): Promise<string[]> {
  const { database } = source.options as { database: string };
  const columns: Array<{ name: string }> = await source.query(
    "SELECT CONCAT(TABLE_NAME, '.', COLUMN_NAME) AS name FROM information_schema.COLUMNS WHERE TABLE_SCHEMA = ?",
    [database],
  );
  const there = new Set(columns.map(({ name }) => name));
  const missing = source.entityMetadatas.flatMap((entity) =>
    entity.columns
      .map((column) => `${entity.tableName}.${column.databaseName}`)
      .filter((name) => !there.has(name))
      .map((name) => `the column ${name} is missing`),
  );
  if (missing.length > 0) return missing;
  const pending = await source.showMigrations();
  return [
    ...(pending ? ['a migration of this version has not run'] : []),
    ...(await missingRoutines(source)).map((name) => `the routine ${name} is missing, or may not be called`),
  ];
}
