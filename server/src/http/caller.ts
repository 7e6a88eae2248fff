import type { MiddlewareHandler } from 'hono';
import { getCookie } from 'hono/cookie';
import type { Caller, SessionService } from '../service/session-service.ts';
import { problem } from './problem.ts';

export const SESSION_COOKIE = 'wrenchman_session';

/** What handlers behind {@link signedIn} find on the context. */
export interface SignedInEnv {
  Variables: { caller: Caller; requestId: string };
}

/** Lets only signed-in people through. */
export function signedIn(sessions: SessionService): MiddlewareHandler<SignedInEnv> {
  return async (c, next) => {
    const caller = await sessions.caller(getCookie(c, SESSION_COOKIE));
    if (!caller) return problem(c, 'notSignedIn');
    c.set('caller', caller);
    await next();
    return undefined;
  };
}
