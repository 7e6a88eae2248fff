export const USER: string;
export interface RunningDatabase {
  host: string;
  port: number;
  pid: number;
  socket: string;
  env: Record<'DB_HOST' | 'DB_PORT' | 'DB_USER' | 'DB_PASSWORD' | 'DB_NAME', string>;
  ownerEnv: RunningDatabase['env'] & Record<'DB_OWNER' | 'DB_OWNER_PASSWORD', string>;
  exited: Promise<unknown>;
  stop(): Promise<void>;
  recreate(schema: string): Promise<void>;
}
export function startDatabase(
  folder: string,
  options?: { say?: (text: string) => void; port?: number },
): Promise<RunningDatabase>;
