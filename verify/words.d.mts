import type { Finding } from './verify.d.mts';

export const FINDING_CODES: string[];
export function inWords(finding: Finding): string;
