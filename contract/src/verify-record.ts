import { z } from 'zod';
import { checkChain, type Sha256, UNSEALED } from '#core/record/chain.ts';
import { type Closing, readSeal, type SealFault, type SignedText, sealFaults } from '#core/record/seal.ts';
import { RECORD_FORMAT } from './record.ts';

/** What is found out about an exported record. `altered`: it is not what was recorded. */
export type RecordFinding =
  | { code: 'notARecord'; severity: 'altered'; why: string }
  | { code: 'chainBreaks'; severity: 'altered'; at: number[] }
  | { code: 'breaksAcknowledged'; severity: 'note'; at: number[] }
  | { code: 'sealDiffers'; severity: 'altered'; what: SealFault[] }
  | { code: 'notSealed'; severity: 'note' }
  | { code: 'personalErased'; severity: 'note' }
  | { code: 'closingForged'; severity: 'altered' }
  | { code: 'closingOfAnother'; severity: 'altered' }
  | { code: 'closingMissing'; severity: 'note' }
  | { code: 'notTheShopsKey'; severity: 'altered'; key: string }
  | { code: 'signatureWrong'; severity: 'altered'; seq: number }
  | { code: 'signatureMissing'; severity: 'altered'; seq: number }
  | { code: 'signedOtherwise'; severity: 'altered'; seq: number; what: string }
  | { code: 'unsigned'; severity: 'note'; count: number };

/** What the check needs of the machine it runs on. */
export interface RecordCrypto {
  sha256: Sha256;
  /** Ed25519 over a text. */
  isSigned(signed: SignedText): boolean;
  /** ECDSA over P-256 and SHA-256: SPKI key and P1363 signature, base64. */
  isSignedBy(spki: string, text: string, signature: string): boolean;
}

/** As much of a record as the check reads; everything else goes into the hashes as it stands. */
const RawRecordSchema = z.looseObject({
  format: z.literal(RECORD_FORMAT),
  version: z.number(),
  job: z.looseObject({ id: z.string(), number: z.string(), odometerKm: z.number().optional() }),
  shop: z.looseObject({ name: z.string() }),
  vehicle: z.looseObject({}),
  kits: z.array(
    z.looseObject({
      document: z.looseObject({ id: z.string(), revision: z.number() }),
      prefix: z.string(),
      side: z.enum(['left', 'right']).optional(),
    }),
  ),
  openedWith: z.array(z.string()),
  answers: z.record(z.string(), z.union([z.string(), z.number(), z.boolean()])),
  seal: z.string().optional(),
  personalSalt: z.string().optional(),
  closing: z.looseObject({ text: z.string(), key: z.string(), signature: z.string() }).optional(),
  keys: z
    .array(z.looseObject({ id: z.string(), person: z.string(), session: z.string(), proof: z.string() }))
    .optional(),
  events: z.array(
    z.looseObject({
      seq: z.number(),
      hash: z.string(),
      event: z.looseObject({ type: z.string(), commandId: z.string(), by: z.looseObject({ id: z.string() }) }),
      signed: z.string().optional(),
    }),
  ),
});
type RawRecord = z.infer<typeof RawRecordSchema>;

const SignedCommandSchema = z.looseObject({
  text: z.string(),
  key: z.string(),
  signature: z.string(),
  proof: z.looseObject({ kind: z.string(), signature: z.string().optional() }).optional(),
});
const SaidSchema = z.looseObject({
  id: z.string(),
  job: z.string(),
  by: z.string(),
  command: z.looseObject({ type: z.string() }),
});

const parsed = (text: string): unknown => {
  try {
    return JSON.parse(text);
  } catch {
    // Not JSON: nothing that follows can read it either.
    return undefined;
  }
};

/**
 * Checks an exported record against itself, with no server: its seal, its chain, its closing and the signatures of what was
 * done. docs/formats/record.md says how, so that anybody can write another.
 *
 * @param raw - the file as parsed JSON, in any version
 * @param shopKey - the shop's public key where it is known from elsewhere; without it the record proves only that
 *   whoever made it held some key
 */
export function verifyRecord(raw: unknown, crypto: RecordCrypto, shopKey?: string): RecordFinding[] {
  const read = RawRecordSchema.safeParse(raw);
  if (!read.success) {
    const [issue] = read.error.issues;
    return [{ code: 'notARecord', severity: 'altered', why: `${issue?.path.join('.')}: ${issue?.message}` }];
  }
  const record = read.data;
  const first = record.seal === undefined ? UNSEALED : crypto.sha256(record.seal);
  const closing = closingOf(record, crypto, shopKey);
  const { breaks, open } = checkChain(crypto.sha256, first, record.events, closing.head ? [closing.head] : []);
  const acknowledged = breaks.filter((at) => !open.includes(at));
  return [
    ...sealFindings(record, crypto),
    ...(open.length > 0 ? [{ code: 'chainBreaks' as const, severity: 'altered' as const, at: open }] : []),
    ...(acknowledged.length > 0
      ? [{ code: 'breaksAcknowledged' as const, severity: 'note' as const, at: acknowledged }]
      : []),
    ...closing.findings,
    ...signatureFindings(record, crypto),
  ];
}

function sealFindings(record: RawRecord, { sha256 }: RecordCrypto): RecordFinding[] {
  if (record.seal === undefined) return [{ code: 'notSealed', severity: 'note' }];
  let what: SealFault[];
  try {
    const seal = readSeal(record.seal);
    const { id, number, odometerKm } = record.job;
    what = sealFaults(sha256, seal, {
      job: { id, number, odometerKm },
      // A shop may be named anew: its name is the seal's own.
      shop: { ...record.shop, name: seal.shop.name },
      vehicle: record.vehicle as never,
      salt: record.personalSalt,
      kits: record.kits.map(({ document, prefix, side }) => ({
        prefix,
        side,
        id: document.id,
        revision: document.revision,
        document,
      })),
      openedWith: record.openedWith,
      answers: record.answers,
    });
  } catch {
    what = ['seal'];
  }
  const erased: RecordFinding[] =
    record.personalSalt === undefined ? [{ code: 'personalErased', severity: 'note' }] : [];
  return what.length > 0 ? [{ code: 'sealDiffers', severity: 'altered', what }, ...erased] : erased;
}

function closingOf(
  record: RawRecord,
  crypto: RecordCrypto,
  shopKey: string | undefined,
): { findings: RecordFinding[]; head?: { seq: number; hash: string } } {
  const closed = record.events.some(({ event }) => event.type === 'jobClosed');
  const { closing } = record;
  if (!closing) return { findings: closed ? [{ code: 'closingMissing', severity: 'note' }] : [] };
  if (!crypto.isSigned(closing)) return { findings: [{ code: 'closingForged', severity: 'altered' }] };
  const findings: RecordFinding[] =
    shopKey !== undefined && closing.key !== shopKey
      ? [{ code: 'notTheShopsKey', severity: 'altered', key: closing.key }]
      : [];
  const head = parsed(closing.text) as Partial<Closing> | undefined;
  if (head?.job !== record.job.id || head.number !== record.job.number || !head.hash || head.seq === undefined)
    return { findings: [...findings, { code: 'closingOfAnother', severity: 'altered' }] };
  return { findings, head: { seq: head.seq, hash: head.hash } };
}

function signatureFindings(record: RawRecord, crypto: RecordCrypto): RecordFinding[] {
  const keys = new Map((record.keys ?? []).map((key) => [key.id, key]));
  const findings: RecordFinding[] = [];
  const signedBefore = new Set<string>();
  let unsigned = 0;
  for (const { seq, event, signed: text } of record.events) {
    const { signingKey, commandId, proof } = event as { signingKey?: string; commandId: string; proof?: string };
    const wrong = (what: string) => findings.push({ code: 'signedOtherwise', severity: 'altered', seq, what });
    if (signingKey === undefined) {
      unsigned += 1;
      continue;
    }
    // One command may have made several events: the first carries its signature.
    if (text === undefined) {
      if (!signedBefore.has(commandId)) findings.push({ code: 'signatureMissing', severity: 'altered', seq });
      continue;
    }
    signedBefore.add(commandId);
    const signed = SignedCommandSchema.safeParse(parsed(text)).data;
    const said = signed && SaidSchema.safeParse(parsed(signed.text)).data;
    const key = keys.get(signingKey);
    if (
      !signed ||
      !said ||
      !key ||
      signed.key !== signingKey ||
      !crypto.isSignedBy(key.session, signed.text, signed.signature)
    ) {
      findings.push({ code: 'signatureWrong', severity: 'altered', seq });
      continue;
    }
    if (said.id !== commandId) wrong('command');
    if (said.job !== record.job.id) wrong('job');
    if (said.by !== event.by.id || key.person !== event.by.id) wrong('person');
    for (const fact of ['station', 'torqueNm', 'wrench'] as const) {
      const recorded = fact === 'wrench' ? (event.wrench as { id?: string } | undefined)?.id : event[fact];
      if (event.type === 'pullRecorded' && said.command[fact] !== recorded) wrong(fact);
    }
    if (proof === 'pin' && signed.proof?.kind === 'pin')
      if (!crypto.isSignedBy(key.proof, `proof\n${signed.text}`, signed.proof.signature ?? ''))
        findings.push({ code: 'signatureWrong', severity: 'altered', seq });
  }
  return unsigned > 0 ? [...findings, { code: 'unsigned', severity: 'note', count: unsigned }] : findings;
}
