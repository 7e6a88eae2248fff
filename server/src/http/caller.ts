import type { Context, MiddlewareHandler } from 'hono';
import { getCookie } from 'hono/cookie';
import type { Caller, Site } from '../service/caller.ts';
import type { SessionService } from '../service/session-service.ts';
import { problem } from './problem.ts';

export const SESSION_COOKIE = 'wrenchman_session';
export const DEVICE_COOKIE = 'wrenchman_device';

/** What handlers behind {@link signedIn} find on the context. */
export interface SignedInEnv {
  Variables: { caller: Caller; requestId: string };
}

/** Whether the page came over TLS, here or at a proxy in front. */
export const isSecure = (c: Context): boolean =>
  c.req.header('x-forwarded-proto') === 'https' || c.req.url.startsWith('https:');

/** Where the page that asks came from; its host was checked before. */
export function siteOf(c: Context): Site {
  const host = c.req.header('host') ?? '';
  return { origin: `${isSecure(c) ? 'https' : 'http'}://${host}`, host: host.replace(/:\d+$/, '') };
}

/** Lets only leads through; stands behind {@link signedIn}. */
export const leadOnly: MiddlewareHandler<SignedInEnv> = async (c, next) => {
  if (c.get('caller').person.role !== 'lead') return problem(c, 'notPermitted');
  await next();
  return undefined;
};

/** Lets only signed-in people through. */
export function signedIn(sessions: SessionService): MiddlewareHandler<SignedInEnv> {
  return async (c, next) => {
    const caller = await sessions.caller(getCookie(c, SESSION_COOKIE), siteOf(c));
    if (!caller) return problem(c, 'notSignedIn');
    c.set('caller', caller);
    await next();
    return undefined;
  };
}
