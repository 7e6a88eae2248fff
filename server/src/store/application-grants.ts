import type { DataSource } from 'typeorm';

/** What is added to and never changed: the running server may read it and append to it, and no more. */
const APPEND_ONLY: ReadonlySet<string> = new Set([
  'job_event',
  'kit_picture',
  'migrations',
  'shop_change',
  'due_settled',
  'owner_report',
]);

/**
 * Gives the server's account what it needs, table by table. Run by the schema's owner after its migrations: a table
 * that is not named here by then is not for the server.
 */
export async function grantApplication(source: DataSource, user: string, host: string): Promise<void> {
  const { database } = source.options as { database: string };
  const account = `'${user}'@'${host}'`;
  const tables: Array<{ name: string }> = await source.query(
    "SELECT TABLE_NAME AS name FROM information_schema.TABLES WHERE TABLE_SCHEMA = ? AND TABLE_TYPE = 'BASE TABLE'",
    [database],
  );
  for (const { name } of tables) {
    const rights = APPEND_ONLY.has(name) ? 'SELECT, INSERT' : 'SELECT, INSERT, UPDATE, DELETE';
    await source.query(`GRANT ${rights} ON \`${database}\`.\`${name}\` TO ${account}`);
  }
  await source.query(`GRANT EXECUTE ON \`${database}\`.* TO ${account}`);
}
