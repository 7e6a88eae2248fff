import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import type { JobDocument } from '#contract/job.ts';
import type { OutboxEntry } from '../job/outbox-entry.ts';
import type { PersonKeys } from './person-keys.ts';

/** A job as last seen, for working without the network. */
export interface KeptJob {
  id: string;
  document: JobDocument;
  seenAtMs: number;
}

/** A photo that the server does not have yet; `refused`: it never will, and it is kept here. */
export interface KeptPhoto {
  id: string;
  jobId: string;
  body: Blob;
  takenAtMs: number;
  refused?: true;
}

interface DeviceSchema extends DBSchema {
  outbox: { key: string; value: OutboxEntry; indexes: { byJob: [string, number] } };
  jobs: { key: string; value: KeptJob };
  /** What people sign with on this device, locked by their PINs. */
  keys: { key: string; value: PersonKeys };
  /** The device's own key, which no script can read. */
  device: { key: string; value: CryptoKey };
  photos: { key: string; value: KeptPhoto };
}

let opened: Promise<IDBPDatabase<DeviceSchema>> | undefined;

/** What this device must not lose: survives reload, crash and a day without the network. */
export function deviceStore(): Promise<IDBPDatabase<DeviceSchema>> {
  opened ??= openDB<DeviceSchema>('wrenchman', 3, {
    upgrade(database, from) {
      if (from < 1) {
        database.createObjectStore('outbox', { keyPath: 'id' }).createIndex('byJob', ['jobId', 'order']);
        database.createObjectStore('jobs', { keyPath: 'id' });
      }
      if (from < 2) {
        database.createObjectStore('keys', { keyPath: 'person.id' });
        database.createObjectStore('device');
      }
      if (from < 3) database.createObjectStore('photos', { keyPath: 'id' });
    },
    blocking: (_from, _to, event) => (event.target as IDBDatabase).close(),
    terminated: () => {
      // The browser closed it, as it does when the disk fails: the next use opens it anew, or says why it cannot.
      opened = undefined;
    },
  }).catch((error: unknown) => {
    opened = undefined;
    throw error;
  });
  return opened;
}
