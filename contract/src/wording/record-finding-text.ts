import type { RecordFinding } from '../verify-record.ts';
import { RECORD_FINDINGS } from './en/record-findings.ts';
import { say } from './message.ts';

/** A finding about a record in one sentence. */
export function recordFindingText(finding: RecordFinding): string {
  const { code, severity: _, ...facts } = finding;
  return say(
    RECORD_FINDINGS[code],
    Object.fromEntries(
      Object.entries(facts).map(([name, fact]) => [name, Array.isArray(fact) ? fact.join(', ') : fact]),
    ),
  );
}
