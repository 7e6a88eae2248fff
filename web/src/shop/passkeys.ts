import type { PublicKeyCredentialCreationOptionsJSON } from '@simplewebauthn/browser';
import type { PasskeyCard } from '#contract/session.ts';
import { say } from '#contract/wording/say.ts';
import { api, call } from './api.ts';
import { failureText } from './failure-text.ts';
import { useSession } from './session.ts';

/** The browser's own word that its owner said no, or that there is none here. */
const isDeclined = (error: unknown): boolean => error instanceof Error && error.name === 'NotAllowedError';
const DECLINED = say('No passkey was given.');

/** Signs in with a passkey of this browser. @returns why not, undefined where it did */
export async function signInByPasskey(): Promise<string | undefined> {
  try {
    const { startAuthentication } = await import('@simplewebauthn/browser');
    const options = await call(api.session.passkey.options.$post());
    const response = await startAuthentication({ optionsJSON: options });
    await useSession.getState().begin(await call(api.session.passkey.$post({ json: { response: { ...response } } })));
    return undefined;
  } catch (error) {
    return isDeclined(error) ? DECLINED : failureText(error);
  }
}

/** Makes a passkey for the person at work. @returns why not, undefined where it did */
export async function addPasskey(name: string): Promise<string | undefined> {
  try {
    const { startRegistration } = await import('@simplewebauthn/browser');
    const options = await call(api.session.passkeys.options.$post());
    const response = await startRegistration({
      optionsJSON: options as PublicKeyCredentialCreationOptionsJSON,
    });
    await call(api.session.passkeys.$post({ json: { name, response: { ...response } } }));
    return undefined;
  } catch (error) {
    if (error instanceof Error && error.name === 'InvalidStateError') return say('This device has a passkey already.');
    return isDeclined(error) ? DECLINED : failureText(error);
  }
}

export const passkeysOf = async (): Promise<PasskeyCard[]> => call(api.session.passkeys.$get());

export const removePasskey = (id: string): Promise<unknown> =>
  call(api.session.passkeys[':id'].$delete({ param: { id } }));
