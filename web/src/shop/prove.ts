import type { Proof } from '#contract/job.ts';
import { api, call } from './api.ts';
import { canKeepKeys, keysOf, proveByPin } from './device-keys.ts';
import { useSession } from './session.ts';

/** Makes the proof for one command, over the text that is signed. */
export type Prove = (text: string, id: string) => Promise<Proof>;

/**
 * Proof by the PIN of the person at work: with the key it unlocks here, without the network too; where this browser keeps
 * none, by leave of the server.
 *
 * @throws what a wrong PIN throws, when the proof is made
 */
export function pinProof(secret: string): Prove {
  return async (text, id) => {
    const person = useSession.getState().session?.person.id ?? '';
    if (canKeepKeys() && (await keysOf(person))) {
      const sign = await proveByPin(person, secret);
      return { kind: 'pin', signature: await sign(text) };
    }
    const { leave } = await call(api.session.leave.$post({ json: { secret, command: id } }));
    return { kind: 'leave', leave };
  };
}

/** Proof by a passkey of this browser: its challenge is the hash of the text, so that it is for this command alone. */
export const passkeyProof: Prove = async (text) => {
  const { startAuthentication } = await import('@simplewebauthn/browser');
  const hash = new Uint8Array(await crypto.subtle.digest('SHA-256', new TextEncoder().encode(text)));
  const challenge = btoa(String.fromCharCode(...hash))
    .replace(/\+/g, '-')
    .replace(/\//g, '_')
    .replace(/=+$/, '');
  const response = await startAuthentication({
    optionsJSON: { challenge, rpId: location.hostname, userVerification: 'required', allowCredentials: [] },
  });
  return { kind: 'passkey', response: { ...response } };
};

/** Whether this browser knows passkeys at all. */
export const hasPasskeys = (): boolean =>
  canKeepKeys() && 'credentials' in navigator && globalThis.PublicKeyCredential !== undefined;
