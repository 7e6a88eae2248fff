import { v4 as uuid } from 'uuid';
import { create } from 'zustand';
import type { Session } from '#contract/session.ts';
import { api, call, ProblemError, UnreachableError } from './api.ts';

const DEVICE_KEY = 'wrenchman.device';
const LAST_SESSION_KEY = 'wrenchman.session';

/** This tablet's own id, made once. */
export function deviceId(): string {
  const known = localStorage.getItem(DEVICE_KEY);
  if (known) return known;
  const made = uuid();
  localStorage.setItem(DEVICE_KEY, made);
  return made;
}

/** The last session, so that a reload without the network still knows who is working. */
function lastSession(): Session | undefined {
  try {
    return JSON.parse(localStorage.getItem(LAST_SESSION_KEY) ?? 'null') ?? undefined;
  } catch {
    return undefined;
  }
}

interface SessionState {
  status: 'unknown' | 'signedOut' | 'signedIn' | 'expired';
  session?: Session;
  load(): Promise<void>;
  signIn(person: string, secret: string): Promise<void>;
  signOut(): Promise<void>;
  /** The server no longer knows this session; work goes on here and is sent after signing in again. */
  expire(): void;
}

export const useSession = create<SessionState>((set, get) => ({
  status: 'unknown',
  async load() {
    try {
      const session = await call(api.session.$get());
      localStorage.setItem(LAST_SESSION_KEY, JSON.stringify(session));
      set({ status: 'signedIn', session });
    } catch (error) {
      const known = lastSession();
      if (error instanceof UnreachableError && known) set({ status: 'signedIn', session: known });
      else if (error instanceof ProblemError || error instanceof UnreachableError)
        set({ status: 'signedOut', session: undefined });
      else throw error;
    }
  },
  async signIn(person, secret) {
    const session = await call(api.session.$post({ json: { person, secret, device: deviceId() } }));
    localStorage.setItem(LAST_SESSION_KEY, JSON.stringify(session));
    set({ status: 'signedIn', session });
  },
  async signOut() {
    await call(api.session.$delete());
    localStorage.removeItem(LAST_SESSION_KEY);
    set({ status: 'signedOut', session: undefined });
  },
  expire() {
    if (get().status === 'signedIn') set({ status: 'expired' });
  },
}));
