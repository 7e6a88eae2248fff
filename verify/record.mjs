/** Checks an exported torque record against itself, with no server. */
import { canonical, followChain, isSigned, isSignedBy, isTheShops, sha256 } from './chain.mjs';

/** What is personal of a vehicle: it enters the seal as one salted hash, so that it can be erased and the seal holds. */
const PERSONAL = ['owner', 'contact', 'plate', 'vin', 'note'];

const altered = (code, facts = {}) => ({ code, severity: 'altered', ...facts });
const note = (code, facts = {}) => ({ code, severity: 'note', ...facts });

/** JSON, or undefined where it is none. */
function parsed(text) {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

/** What keeps a file from being a record at all; undefined where nothing does. */
function shapeFault(record) {
  if (record === null || typeof record !== 'object') return 'not an object';
  if (record.format !== 'wrenchman-record') return 'format: not "wrenchman-record"';
  for (const field of ['job', 'shop', 'vehicle', 'answers'])
    if (record[field] === null || typeof record[field] !== 'object') return `${field}: missing`;
  for (const field of ['kits', 'openedWith', 'events'])
    if (!Array.isArray(record[field])) return `${field}: not a list`;
  if (record.kits.some((kit) => typeof kit?.document !== 'object' || kit.document === null))
    return 'kits: one has no document';
  const bad = record.events.findIndex(
    (entry) =>
      typeof entry?.seq !== 'number' || typeof entry.hash !== 'string' || typeof entry.event?.type !== 'string',
  );
  return bad < 0 ? undefined : `events.${bad}: not an entry`;
}

/**
 * What is found out about a record; nothing of severity `altered` means that it is what was recorded.
 *
 * @param record - the file as parsed JSON, in any version
 * @param key - the shop's public key where it is known from elsewhere; without it the record proves only that whoever
 *   made it held some key
 * @param changes - the shop's changes of key since
 */
export function checkRecord(record, key, changes = []) {
  const fault = shapeFault(record);
  if (fault !== undefined) return [altered('notARecord', { why: fault })];
  const first = record.seal === undefined ? '0'.repeat(64) : sha256(record.seal);
  const closing = checkClosing(record, key, changes);
  const { breaks, open } = followChain(first, record.events, closing.head);
  const seen = breaks.filter((at) => !open.includes(at));
  return [
    ...checkSeal(record),
    ...(open.length > 0 ? [altered('chainBreaks', { at: open })] : []),
    ...(seen.length > 0 ? [note('breaksAcknowledged', { at: seen })] : []),
    ...closing.findings,
    ...checkSignatures(record),
  ];
}

/** Holds what the job was opened with against its seal. */
function checkSeal({ seal: text, job, shop, vehicle, kits, openedWith, answers, personalSalt }) {
  if (text === undefined) return [note('notSealed')];
  const erased = personalSalt === undefined ? [note('personalErased')] : [];
  const seal = parsed(text);
  if (seal?.format !== 'wrenchman-seal' || seal.version !== 1)
    return [altered('sealDiffers', { what: ['seal'] }), ...erased];
  const own = Object.entries(vehicle);
  const personal = Object.fromEntries(own.filter(([field]) => PERSONAL.includes(field)));
  const rest = Object.fromEntries(own.filter(([field]) => !PERSONAL.includes(field)));
  const { openedAtMs: _, ...sealedJob } = seal.job ?? {};
  const sealedKits = kits
    .filter(({ prefix }) => openedWith.includes(prefix))
    .map(({ prefix, side, document }) => ({
      prefix,
      id: document.id,
      revision: document.revision,
      side,
      sha256: sha256(canonical(document)),
    }));
  const same = (a, b) => canonical(a ?? null) === canonical(b ?? null);
  const what = [];
  if (!same(sealedJob, { id: job.id, number: job.number, odometerKm: job.odometerKm })) what.push('job');
  // A shop may be named anew: its name is the seal's own.
  if (!same(seal.shop, { ...shop, name: seal.shop?.name })) what.push('shop');
  if (!same(seal.vehicle, rest)) what.push('vehicle');
  if (personalSalt !== undefined && seal.personal !== sha256(`${personalSalt}\n${canonical(personal)}`))
    what.push('personal');
  if (!same(seal.kits, sealedKits) || !same(seal.openedWith, openedWith)) what.push('kits');
  if (!same(seal.answers, answers)) what.push('answers');
  return [...(what.length > 0 ? [altered('sealDiffers', { what })] : []), ...erased];
}

/** The head of a closed job, signed with the shop's key. */
function checkClosing({ closing, events, job }, key, changes) {
  if (!closing)
    return { findings: events.some(({ event }) => event.type === 'jobClosed') ? [note('closingMissing')] : [] };
  if (!isSigned(closing)) return { findings: [altered('closingForged')] };
  const findings = isTheShops(closing.key, key, changes) ? [] : [altered('notTheShopsKey', { key: closing.key })];
  const head = parsed(closing.text);
  if (head?.job !== job.id || head.number !== job.number || !head.hash || head.seq === undefined)
    return { findings: [...findings, altered('closingOfAnother')] };
  return { findings, head };
}

/** Signatures of what was done, and that what was signed is what stands in the record. */
function checkSignatures({ events, keys = [], job }) {
  const byId = new Map(keys.map((entry) => [entry.id, entry]));
  const findings = [];
  const signedBefore = new Set();
  let unsigned = 0;
  for (const { seq, event, signed: text } of events) {
    if (event.signingKey === undefined) {
      unsigned += 1;
      continue;
    }
    // One command may have made several entries: the first carries its signature.
    if (text === undefined) {
      if (!signedBefore.has(event.commandId)) findings.push(altered('signatureMissing', { seq }));
      continue;
    }
    signedBefore.add(event.commandId);
    const signed = parsed(text);
    const said = signed && parsed(signed.text);
    const key = byId.get(event.signingKey);
    if (
      !said?.command ||
      !key ||
      signed.key !== event.signingKey ||
      !isSignedBy(key.session, signed.text, signed.signature)
    ) {
      findings.push(altered('signatureWrong', { seq }));
      continue;
    }
    const otherwise = (what) => findings.push(altered('signedOtherwise', { seq, what }));
    if (said.id !== event.commandId) otherwise('command');
    if (said.job !== job.id) otherwise('job');
    if (said.by !== event.by?.id || key.person !== event.by?.id) otherwise('person');
    if (event.type === 'pullRecorded') {
      if (said.command.station !== event.station) otherwise('station');
      if (said.command.torqueNm !== event.torqueNm) otherwise('torqueNm');
      if (said.command.wrench !== event.wrench?.id) otherwise('wrench');
    }
    const pin = event.proof === 'pin' && signed.proof?.kind === 'pin';
    if (pin && !isSignedBy(key.proof, `proof\n${signed.text}`, signed.proof.signature ?? ''))
      findings.push(altered('signatureWrong', { seq }));
  }
  return unsigned > 0 ? [...findings, note('unsigned', { count: unsigned })] : findings;
}
