import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it, jest } from '@jest/globals';
import type { Session } from '#contract/session.ts';
import {
  canKeepKeys,
  closeKeys,
  forgetKeys,
  keepKeys,
  keysOf,
  makeKeys,
  NoKeys,
  PinWait,
  peopleHere,
  proveByPin,
  signAs,
  takeOver,
  WrongPin,
} from './device-keys.ts';
import { deviceStore } from './device-store.ts';
import type { PersonKeys } from './person-keys.ts';

const session = (id: string, name: string): Session => ({
  person: { id, name, initials: name.slice(0, 2), role: 'fitter' },
  shop: { id: 's', name: 'Harrow Lane', bays: 4, secretDigits: 4 },
  device: 'd-1',
  key: `key-of-${id}`,
});
const { subtle } = globalThis.crypto;
/** Whether a text bears the signature of a public key: by the platform's own cryptography. */
async function holds(spki: string, text: string, signature: string): Promise<boolean> {
  const curve = { name: 'ECDSA', namedCurve: 'P-256' };
  const key = await subtle.importKey('spki', Buffer.from(spki, 'base64'), curve, false, ['verify']);
  const bytes = Buffer.from(signature, 'base64');
  return subtle.verify({ name: 'ECDSA', hash: 'SHA-256' }, key, bytes, Buffer.from(text));
}
async function signedIn(id: string, name: string, pin: string) {
  const made = await makeKeys(pin);
  await keepKeys(made, session(id, name));
  return made.publicKeys;
}
const statement = ({ device }: { device: string }) => `${device} is handed over`;

beforeEach(async () => {
  await closeKeys();
  await (await deviceStore()).clear('keys');
});

describe('keys of a person on a device', () => {
  it('sign what they do while they are signed in; nobody else can sign here then', async () => {
    expect(canKeepKeys()).toBe(true);
    const mira = await signedIn('u-vane', 'Mira Vane', '2468');
    const signed = await signAs('u-vane', 'a pull');
    expect(signed?.key).toBe('key-of-u-vane');
    expect(await holds(mira.session, 'a pull', signed?.signature ?? '')).toBe(true);
    expect(await holds(mira.proof, 'a pull', signed?.signature ?? '')).toBe(false);
    await signedIn('u-orrin', 'Rafe Orrin', '1357');
    expect(await signAs('u-vane', 'a pull')).toBeUndefined();
    expect((await peopleHere()).map(({ name }) => name)).toEqual(['Mira Vane', 'Rafe Orrin']);
  });
  it('a key held ready is let go when another tab closes it', async () => {
    await signedIn('u-vane', 'Mira Vane', '2468');
    expect(await signAs('u-vane', 'a pull')).toBeDefined();
    const kept = await keysOf('u-vane');
    await (await deviceStore()).put('keys', { ...(kept as PersonKeys), open: undefined });
    const otherTab = new BroadcastChannel('wrenchman.keys');
    otherTab.postMessage('changed');
    let signed = await signAs('u-vane', 'a pull');
    for (let tries = 0; signed && tries < 200; tries++) {
      await new Promise((settle) => setTimeout(settle, 10));
      signed = await signAs('u-vane', 'a pull');
    }
    otherTab.close();
    expect(signed).toBeUndefined();
  });
  it('no script reads the secret halves: what is kept is locked, and what is open cannot be exported', async () => {
    await signedIn('u-vane', 'Mira Vane', '2468');
    const kept = await keysOf('u-vane');
    expect(kept?.open?.extractable).toBe(false);
    await expect(subtle.exportKey('pkcs8', kept?.open as CryptoKey)).rejects.toThrow();
    const device = await (await deviceStore()).get('device', 'lock');
    expect(device?.extractable).toBe(false);
    await closeKeys();
    expect((await keysOf('u-vane'))?.open).toBeUndefined();
    expect(await signAs('u-vane', 'a pull')).toBeUndefined();
  });
  it('taking over without the server takes the PIN, and says so in the hand of the key behind it', async () => {
    const mira = await signedIn('u-vane', 'Mira Vane', '2468');
    await closeKeys();
    await expect(takeOver('u-vane', '0000', statement)).rejects.toBeInstanceOf(WrongPin);
    const { text, signature, keys } = await takeOver('u-vane', '2468', statement);
    expect([text, keys.key]).toEqual(['d-1 is handed over', 'key-of-u-vane']);
    expect(await holds(mira.proof, text, signature)).toBe(true);
    expect(await signAs('u-vane', 'a pull')).toBeDefined();
    await expect(takeOver('u-nobody', '2468', statement)).rejects.toBeInstanceOf(NoKeys);
  });
  it('proof of one act is over that act alone', async () => {
    const mira = await signedIn('u-vane', 'Mira Vane', '2468');
    await expect(proveByPin('u-vane', '1111')).rejects.toBeInstanceOf(WrongPin);
    const prove = await proveByPin('u-vane', '2468');
    const signature = await prove('close it');
    expect(await holds(mira.proof, 'proof\nclose it', signature)).toBe(true);
    expect(await holds(mira.proof, 'close it', signature)).toBe(false);
  });
  it('wrong PINs are counted before they are tried, wait longer each time, and at last throw the keys away', async () => {
    await signedIn('u-vane', 'Mira Vane', '2468');
    // The clock stands: on a busy machine the tries alone outlast the wait.
    const clock = jest.spyOn(Date, 'now').mockReturnValue(Date.now());
    for (let slip = 0; slip < 4; slip++) await expect(proveByPin('u-vane', '0000')).rejects.toBeInstanceOf(WrongPin);
    // Even the right one is not looked at while it waits.
    await expect(proveByPin('u-vane', '2468')).rejects.toBeInstanceOf(PinWait);
    const store = await deviceStore();
    const kept = await keysOf('u-vane');
    if (!kept) throw new Error('thrown away too soon');
    await store.put('keys', { ...kept, waitUntilMs: 0 });
    await expect(proveByPin('u-vane', '2468')).resolves.toBeDefined();
    expect((await keysOf('u-vane'))?.wrong).toBe(0);
    await store.put('keys', { ...kept, wrong: 11, waitUntilMs: 0 });
    await expect(proveByPin('u-vane', '0000')).rejects.toBeInstanceOf(WrongPin);
    expect(await keysOf('u-vane')).toBeUndefined();
    clock.mockRestore();
  });
  it('are gone when the server counts them no more', async () => {
    await signedIn('u-vane', 'Mira Vane', '2468');
    await forgetKeys('u-vane');
    expect(await peopleHere()).toEqual([]);
  });
});
