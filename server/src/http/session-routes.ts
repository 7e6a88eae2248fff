import { getConnInfo } from '@hono/node-server/conninfo';
import { Hono } from 'hono';
import { deleteCookie, getCookie, setCookie } from 'hono/cookie';
import { rateLimiter } from 'hono-rate-limiter';
import { SignInSchema } from '#contract/session.ts';
import { SESSION_MS, type SessionService } from '../service/session-service.ts';
import { SESSION_COOKIE, type SignedInEnv, signedIn } from './caller.ts';
import { problem } from './problem.ts';
import { validate } from './validate.ts';

/** Signing in, out, and passing a shared tablet on. */
export function sessionRoutes(sessions: SessionService) {
  /** Beside the lock per person: one address guessing at everybody. */
  const limit = rateLimiter<SignedInEnv>({
    windowMs: 60_000,
    limit: 60,
    keyGenerator: (c) => getConnInfo(c).remote.address ?? 'unknown',
    handler: (c) => problem(c, 'tooManyAttempts', { retryAfterS: 60 }),
  });

  return new Hono<SignedInEnv>()
    .get('/options', async (c) => c.json(await sessions.options()))
    .get('/', signedIn(sessions), async (c) => c.json(await sessions.session(c.get('caller'))))
    .post('/', limit, validate('json', SignInSchema), async (c) => {
      const outcome = await sessions.signIn(c.req.valid('json'), getCookie(c, SESSION_COOKIE));
      if (!outcome.ok) {
        const { code } = outcome.error;
        return problem(c, code, code === 'tooManyAttempts' ? { retryAfterS: outcome.error.retryAfterS } : {});
      }
      setCookie(c, SESSION_COOKIE, outcome.value.token, {
        httpOnly: true,
        sameSite: 'Lax',
        path: '/',
        maxAge: SESSION_MS / 1000,
        // Over plain loopback or shop Wi-Fi a Secure cookie would never come back.
        secure: c.req.header('x-forwarded-proto') === 'https' || new URL(c.req.url).protocol === 'https:',
      });
      return c.json(outcome.value.session, 201);
    })
    .delete('/', signedIn(sessions), async (c) => {
      await sessions.signOut(c.get('caller'));
      deleteCookie(c, SESSION_COOKIE, { path: '/' });
      return c.body(null, 204);
    });
}
