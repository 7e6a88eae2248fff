import { create } from 'zustand';
import type { HandOver, HandOverInput, Session } from '#contract/session.ts';
import { api, beforeRequests, call, ProblemError, UnreachableError } from './api.ts';
import { serverNowMs } from './clock.ts';
import { canKeepKeys, closeKeys, forgetKeys, keepKeys, makeKeys, takeOver } from './device-keys.ts';

const LAST_SESSION_KEY = 'wrenchman.session';
/** What the server still has to be told of a hand-over or sign-out that happened without it. */
const OWED_KEY = 'wrenchman.owed';

type Owed = { handOver: HandOverInput } | { signOut: true };

function kept<T>(key: string): T | undefined {
  try {
    return JSON.parse(localStorage.getItem(key) ?? 'null') ?? undefined;
  } catch {
    // Cut off or not ours: as if it was not there.
    return undefined;
  }
}
/** The last session, so that a reload without the network still knows who is working. */
const lastSession = (): Session | undefined => kept<Session>(LAST_SESSION_KEY);

/** `expired`: somebody works on here, and the server wants to hear who before it takes what they give. */
export type SessionStatus = 'unknown' | 'signedOut' | 'signedIn' | 'expired';

interface SessionState {
  status: SessionStatus;
  session?: Session;
  load(): Promise<void>;
  /** Signs in at the server, in a shop where one is named; without it, by what this device keeps of the person. */
  signIn(person: string, secret: string, shop?: string): Promise<void>;
  /** Takes over a session that was begun elsewhere on this page: by a passkey. */
  begin(session: Session): Promise<void>;
  signOut(): Promise<void>;
  /** The server no longer knows this session; work goes on here and is sent after signing in again. */
  expire(): void;
}

export const useSession = create<SessionState>((set, get) => {
  function signedInAs(session: Session): void {
    localStorage.setItem(LAST_SESSION_KEY, JSON.stringify(session));
    set({ status: 'signedIn', session });
  }

  /** Takes over by the PIN alone; the server hears of it with the next request. */
  async function signInHere(person: string, secret: string): Promise<void> {
    const statement = ({ device }: { device: string }): string =>
      JSON.stringify({ purpose: 'handOver', device, person, atMs: serverNowMs() } satisfies HandOver);
    const { keys, text, signature } = await takeOver(person, secret, statement);
    const owed: Owed = { handOver: { text, key: keys.key, signature } };
    localStorage.setItem(OWED_KEY, JSON.stringify(owed));
    signedInAs({ person: keys.person, shop: keys.shop, device: keys.device, key: keys.key });
  }

  /** Tells the server what it has not heard yet, before anything else is asked of it in this person's name. */
  async function settleOwed(): Promise<void> {
    const owed = kept<Owed>(OWED_KEY);
    if (!owed) return;
    try {
      if ('signOut' in owed) await call(api.session.$delete());
      else {
        const session = await call(api.session['hand-over'].$post({ json: owed.handOver }));
        signedInAs(session);
      }
    } catch (error) {
      if (!(error instanceof ProblemError)) throw error;
      // Signed out already, or the hand-over has run out: whoever works here types their PIN.
      if ('handOver' in owed) {
        localStorage.removeItem(OWED_KEY);
        await call(api.session.$delete()).catch(() => undefined);
        get().expire();
        return;
      }
    }
    localStorage.removeItem(OWED_KEY);
  }
  beforeRequests(settleOwed);

  return {
    status: 'unknown',
    async load() {
      try {
        signedInAs(await call(api.session.$get()));
      } catch (error) {
        const known = lastSession();
        if (error instanceof UnreachableError && known) set({ status: 'signedIn', session: known });
        else if (error instanceof ProblemError || error instanceof UnreachableError) {
          await closeKeys();
          set({ status: 'signedOut', session: undefined });
        } else throw error;
      }
    },
    async signIn(person, secret, shop) {
      const made = canKeepKeys() ? await makeKeys(secret) : undefined;
      try {
        const session = await call(api.session.$post({ json: { person, secret, keys: made?.publicKeys, shop } }));
        // Whoever was here before has handed over: what is owed of that is settled by this.
        localStorage.removeItem(OWED_KEY);
        if (made) await keepKeys(made, session);
        signedInAs(session);
      } catch (error) {
        if (!(error instanceof UnreachableError)) throw error;
        await signInHere(person, secret);
      }
    },
    async begin(session) {
      localStorage.removeItem(OWED_KEY);
      await closeKeys();
      signedInAs(session);
    },
    async signOut() {
      // First of all, so that a reload in between finds nobody signed in.
      localStorage.removeItem(LAST_SESSION_KEY);
      await closeKeys();
      try {
        await call(api.session.$delete());
        localStorage.removeItem(OWED_KEY);
      } catch (error) {
        // No line: the person is out here all the same, and the server hears of it first thing.
        if (error instanceof UnreachableError) localStorage.setItem(OWED_KEY, JSON.stringify({ signOut: true }));
        else if (!(error instanceof ProblemError)) throw error;
      }
      set({ status: 'signedOut', session: undefined });
    },
    expire() {
      if (get().status === 'signedIn') set({ status: 'expired' });
    },
  };
});

/** After a PIN was changed: what this device kept of the person opens no more. */
export async function renewKeys(session: Session, secret: string): Promise<void> {
  await forgetKeys(session.person.id);
  await useSession.getState().signIn(session.person.id, secret);
}
