/** Checks a hand-over pack that was unpacked: every file against the signed manifest, and the record in it. */
import { isSigned, isTheShops, sha256 } from './chain.mjs';
import { checkRecord } from './record.mjs';

const altered = (code, facts = {}) => ({ code, severity: 'altered', ...facts });

/** JSON of some bytes, or undefined. */
function parsed(bytes) {
  try {
    return JSON.parse(new TextDecoder().decode(bytes));
  } catch {
    return undefined;
  }
}

/**
 * @param manifest - manifest.json as parsed: `{ text, key, signature }`
 * @param read - gives the bytes of a file of the pack by its name, undefined where there is none
 * @param names - the files that are there, to name those the manifest does not know
 * @param key - the shop's public key where it is known from elsewhere
 */
export function checkPack(manifest, read, names, key) {
  if (typeof manifest?.text !== 'string' || !isSigned(manifest)) return [altered('manifestForged')];
  const said = JSON.parse(manifest.text);
  if (said.format !== 'wrenchman-pack' || !Array.isArray(said.files)) return [altered('notAPack')];
  const findings = [];
  const changes = parsed(read('key-changes.json') ?? new Uint8Array()) ?? [];
  if (!isTheShops(manifest.key, key, changes)) findings.push(altered('notTheShopsKey', { key: manifest.key }));
  for (const { name, sha256: hash } of said.files) {
    const bytes = read(name);
    if (bytes === undefined) findings.push(altered('fileMissing', { name }));
    else if (sha256(bytes) !== hash) findings.push(altered('fileDiffers', { name }));
  }
  const known = new Set([...said.files.map(({ name }) => name), 'manifest.json']);
  for (const name of names) if (!known.has(name)) findings.push({ code: 'fileUnknown', severity: 'note', name });
  const record = parsed(read('record.json') ?? new Uint8Array());
  if (record === undefined) return [...findings, altered('notARecord', { why: 'record.json cannot be read' })];
  const head = record.events?.at?.(-1);
  if (record.job?.id !== said.job || (said.head && (head?.seq !== said.head.seq || head?.hash !== said.head.hash)))
    findings.push(altered('recordOfAnother'));
  return [...findings, ...checkRecord(record, key, changes)];
}
