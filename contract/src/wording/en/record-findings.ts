import type { RecordFinding } from '../../verify-record.ts';

/** What a check of an exported record found, in English. */
export const RECORD_FINDINGS: Record<RecordFinding['code'], string> = {
  notARecord: 'This is no record of Wrenchman, or one that was cut: {why}.',
  chainBreaks:
    'The record was altered: entry {at} is not what follows from the one before it, or an entry there is missing.',
  breaksAcknowledged: 'The record was altered at entry {at}; a lead looked at it, and says why in the record.',
  sealDiffers: 'What the job was opened with was altered: {what}.',
  notSealed: 'Opened before openings were sealed: vehicle, kits and answers are not covered.',
  personalErased: 'What was personal of the owner was erased; its hash is still in the seal.',
  closingForged: 'The closing does not bear the signature it says it does.',
  closingOfAnother: 'The closing was signed for another job.',
  closingMissing: 'The job is closed, and its head was not signed.',
  notTheShopsKey: 'The closing was signed with another key than the shop’s: {key}.',
  signatureWrong: 'Entry {seq}: its signature is not one of the person’s key.',
  signatureMissing: 'Entry {seq}: it says that it was signed, and its signature is missing.',
  signedOtherwise: 'Entry {seq}: what was signed says another {what}.',
  unsigned:
    '{count, plural, one {# entry bears} other {# entries bear}} no signature: made over plain http, or by the server.',
};
