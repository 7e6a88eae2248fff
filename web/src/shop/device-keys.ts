import type { PublicKeys, Session } from '#contract/session.ts';
import { say } from '#contract/wording/say.ts';
import { deviceStore } from './device-store.ts';
import type { Locked, PersonKeys } from './person-keys.ts';

/** Keys just made, before the server has given them their id. */
export interface NewKeys {
  publicKeys: PublicKeys;
  salt: Uint8Array<ArrayBuffer>;
  session: Locked;
  proof: Locked;
  open: CryptoKey;
}

export class WrongPin extends Error {}
export class PinWait extends Error {
  constructor(readonly seconds: number) {
    super(say('Try again in {seconds} s.', { seconds }));
  }
}
/** This person has never signed in here with the server's answer, or too many PINs were wrong. */
export class NoKeys extends Error {}

const CURVE = { name: 'ECDSA', namedCurve: 'P-256' } as const;
const SIGN = { name: 'ECDSA', hash: 'SHA-256' } as const;
/** Rounds of PBKDF2 over SHA-256. @see OWASP Password Storage Cheat Sheet, 2023: 600 000 */
const ROUNDS = 600_000;
const FREE_TRIES = 3;
const FIRST_WAIT_MS = 1000;
/** After so many wrong PINs in a row the keys are thrown away, and only the server can let the person in. */
const MOST_TRIES = 12;

/** Whether this browser can make keys here: over plain http, away from this machine, it has none. */
export const canKeepKeys = (): boolean => globalThis.crypto?.subtle !== undefined && 'indexedDB' in globalThis;

const bytesOf = (text: string): Uint8Array<ArrayBuffer> => new TextEncoder().encode(text);
const base64 = (bytes: ArrayBuffer): string => btoa(String.fromCharCode(...new Uint8Array(bytes)));

/** The device's own key, made once; it can be used here and read by nobody. */
async function deviceKey(): Promise<CryptoKey> {
  const store = await deviceStore();
  const known = await store.get('device', 'lock');
  if (known) return known;
  const made = await crypto.subtle.generateKey({ name: 'HMAC', hash: 'SHA-256' }, false, ['sign']);
  // Two tabs may make one at the same time: the first stands.
  const write = store.transaction('device', 'readwrite');
  const first = await write.store.get('lock');
  if (!first) await write.store.put(made, 'lock');
  await write.done;
  return first ?? made;
}

/** The key that locks a person's keys: from their PIN, and from the device's key over it. */
async function lockOf(secret: string, salt: Uint8Array<ArrayBuffer>): Promise<CryptoKey> {
  const typed = await crypto.subtle.importKey('raw', bytesOf(secret), 'PBKDF2', false, ['deriveBits']);
  const stretched = await crypto.subtle.deriveBits(
    { name: 'PBKDF2', hash: 'SHA-256', salt, iterations: ROUNDS },
    typed,
    256,
  );
  const bound = await crypto.subtle.sign('HMAC', await deviceKey(), stretched);
  return crypto.subtle.importKey('raw', bound, 'AES-GCM', false, ['encrypt', 'decrypt']);
}

async function lockAway(pair: CryptoKeyPair, lock: CryptoKey): Promise<Locked> {
  const iv = crypto.getRandomValues(new Uint8Array(12));
  const secret = await crypto.subtle.exportKey('pkcs8', pair.privateKey);
  return { iv, bytes: await crypto.subtle.encrypt({ name: 'AES-GCM', iv }, lock, secret) };
}

/** @throws WrongPin where the lock is not the one it was closed with */
async function unlock({ iv, bytes }: Locked, lock: CryptoKey): Promise<CryptoKey> {
  const secret = await crypto.subtle.decrypt({ name: 'AES-GCM', iv }, lock, bytes).catch(() => {
    throw new WrongPin();
  });
  return crypto.subtle.importKey('pkcs8', secret, CURVE, false, ['sign']);
}

const publicHalf = async ({ publicKey }: CryptoKeyPair): Promise<string> =>
  base64(await crypto.subtle.exportKey('spki', publicKey));

/** Makes a person's keys, locked by the PIN they have just typed. */
export async function makeKeys(secret: string): Promise<NewKeys> {
  const salt = crypto.getRandomValues(new Uint8Array(16));
  const [lock, sessionPair, proofPair] = await Promise.all([
    lockOf(secret, salt),
    crypto.subtle.generateKey(CURVE, true, ['sign', 'verify']),
    crypto.subtle.generateKey(CURVE, true, ['sign', 'verify']),
  ]);
  const session = await lockAway(sessionPair, lock);
  return {
    publicKeys: { session: await publicHalf(sessionPair), proof: await publicHalf(proofPair) },
    salt,
    session,
    proof: await lockAway(proofPair, lock),
    open: await unlock(session, lock),
  };
}

/** The key that is open here, held so that a press need not wait for the store. */
let atHand: { person: string; key: string; open: CryptoKey } | undefined;
/** Counts the changes of what is open: what was read before one of them is not held. */
let changes = 0;
function letGo(): void {
  atHand = undefined;
  changes += 1;
}
/** Other tabs of this device let go with this one. */
const otherTabs = 'BroadcastChannel' in globalThis ? new BroadcastChannel('wrenchman.keys') : undefined;
if (otherTabs) otherTabs.onmessage = letGo;
// Where there are no tabs, as in tests, it must not keep the process alive.
(otherTabs as { unref?(): void } | undefined)?.unref?.();
/** Told after every change of what is open here. */
function openChanged(): void {
  letGo();
  otherTabs?.postMessage('changed');
}

/** Keeps keys that the server has taken, and lets nobody else be signed in here. */
export async function keepKeys(made: NewKeys, { person, shop, device, key }: Session): Promise<void> {
  if (key === undefined) return;
  const { publicKeys: _, ...locked } = made;
  const store = await deviceStore();
  const write = store.transaction('keys', 'readwrite');
  for (const other of await write.store.getAll()) if (other.open) await write.store.put({ ...other, open: undefined });
  await write.store.put({ person, shop, device, key, ...locked, wrong: 0, waitUntilMs: 0 });
  await write.done;
  openChanged();
}

/** What this device keeps for a person. */
export const keysOf = async (person: string): Promise<PersonKeys | undefined> =>
  canKeepKeys() ? (await deviceStore()).get('keys', person) : undefined;

/** People who can take over on this device without the server. */
export async function peopleHere(): Promise<Array<Session['person']>> {
  if (!canKeepKeys()) return [];
  const all = await (await deviceStore()).getAll('keys');
  return all.map(({ person }) => person).sort((a, b) => a.name.localeCompare(b.name, 'en'));
}

/** Nobody is signed in here any more: what is open is closed, and stays locked by its PIN. */
export async function closeKeys(): Promise<void> {
  if (!canKeepKeys()) return;
  const write = (await deviceStore()).transaction('keys', 'readwrite');
  for (const keys of await write.store.getAll()) if (keys.open) await write.store.put({ ...keys, open: undefined });
  await write.done;
  openChanged();
}

/** The server counts these keys no more. */
export async function forgetKeys(person: string): Promise<void> {
  if (!canKeepKeys()) return;
  await (await deviceStore()).delete('keys', person);
  openChanged();
}

const signed = async (key: CryptoKey, text: string): Promise<string> =>
  base64(await crypto.subtle.sign(SIGN, key, bytesOf(text)));

/** Signs what a person does, where their key is open here. */
export async function signAs(person: string, text: string): Promise<{ key: string; signature: string } | undefined> {
  if (atHand?.person !== person) {
    const before = changes;
    const keys = await keysOf(person);
    if (!keys?.open) return undefined;
    const read = { person, key: keys.key, open: keys.open };
    if (before === changes) atHand = read;
    return { key: read.key, signature: await signed(read.open, text) };
  }
  const { key, open: held } = atHand;
  return { key, signature: await signed(held, text) };
}

/** A person's keys, opened by their PIN: counted before it is tried, so that pulling the plug buys no further try. */
async function open(person: string, secret: string): Promise<{ keys: PersonKeys; lock: CryptoKey }> {
  const keys = await keysOf(person);
  if (!keys) throw new NoKeys();
  const nowMs = Date.now();
  // A clock that was put back must not shorten the wait to nothing, nor stretch it for ever.
  const waitMs = Math.min(keys.waitUntilMs - nowMs, waitAfter(keys.wrong));
  if (waitMs > 0) throw new PinWait(Math.ceil(waitMs / 1000));
  const wrong = keys.wrong + 1;
  const store = await deviceStore();
  await store.put('keys', { ...keys, wrong, waitUntilMs: nowMs + waitAfter(wrong) });
  const lock = await lockOf(secret, keys.salt);
  try {
    await unlock(keys.session, lock);
  } catch (error) {
    if (wrong >= MOST_TRIES) await forgetKeys(person);
    throw error;
  }
  const right = { ...keys, wrong: 0, waitUntilMs: 0 };
  await store.put('keys', right);
  return { keys: right, lock };
}

const waitAfter = (wrong: number): number => (wrong <= FREE_TRIES ? 0 : FIRST_WAIT_MS * 2 ** (wrong - FREE_TRIES - 1));

/** A text over which only the key behind the PIN signs. The server checks the same one. */
const proofText = (text: string): string => `proof\n${text}`;

/**
 * Lets a person take over here without the server, by their PIN.
 *
 * @param statement - makes the text that tells the server of it later, signed by the key behind the PIN
 * @throws WrongPin, PinWait, NoKeys
 */
export async function takeOver(
  person: string,
  secret: string,
  statement: (keys: PersonKeys) => string,
): Promise<{ keys: PersonKeys; text: string; signature: string }> {
  const { keys, lock } = await open(person, secret);
  const text = statement(keys);
  const signature = await signed(await unlock(keys.proof, lock), text);
  await closeKeys();
  await (await deviceStore()).put('keys', { ...keys, open: await unlock(keys.session, lock) });
  openChanged();
  return { keys, text, signature };
}

/** Proves by the PIN that it is this person who gives a command. @throws WrongPin, PinWait, NoKeys */
export async function proveByPin(person: string, secret: string): Promise<(text: string) => Promise<string>> {
  const { keys, lock } = await open(person, secret);
  const key = await unlock(keys.proof, lock);
  return (text) => signed(key, proofText(text));
}
