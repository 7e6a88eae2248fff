import type { Finding } from './verify.d.mts';

export function checkRecord(record: unknown, key?: string, changes?: readonly object[]): Finding[];
