export function outdatedBackups(names: readonly string[]): string[];
export function backupName(at: Date): string;
