import { type Context, Hono } from 'hono';
import { deleteCookie, getCookie, setCookie } from 'hono/cookie';
import { rateLimiter } from 'hono-rate-limiter';
import { z } from 'zod';
import { OwnSettingsSchema } from '#contract/own-settings.ts';
import {
  ChangeSecretSchema,
  HandOverInputSchema,
  PasskeyRegisterSchema,
  PasskeySignInSchema,
  ProofInputSchema,
  SecretRuleSchema,
  SignInSchema,
  SwitchShopSchema,
} from '#contract/session.ts';
import { PairingSchema } from '#contract/tablet.ts';
import type { Leaves } from '../service/leaves.ts';
import type { PasskeyService } from '../service/passkey-service.ts';
import {
  DEVICE_MS,
  type From,
  LONGEST_SESSION_MS,
  type SessionService,
  type SignedIn,
  type SignInError,
} from '../service/session-service.ts';
import type { TabletService } from '../service/tablet-service.ts';
import type { Addresses } from './address.ts';
import { DEVICE_COOKIE, isSecure, SESSION_COOKIE, type SignedInEnv, signedIn, siteOf } from './caller.ts';
import { problem } from './problem.ts';
import { validate } from './validate.ts';

/** What a device is called until somebody names it: its system, as far as its browser tells. */
function deviceName(agent: string): string {
  const system = /Android|iPad|iPhone|Windows|Macintosh|CrOS|Linux/.exec(agent)?.[0];
  return system ? `${system === 'Macintosh' ? 'Mac' : system} device` : 'Device';
}

function refuse(c: Context, error: SignInError) {
  return error.code === 'tooManyAttempts'
    ? problem(c, error.code, { retryAfterS: error.retryAfterS })
    : problem(c, error.code);
}

/** What a device is known by from now on. */
const keepDevice = (c: Context, deviceToken: string) =>
  setCookie(c, DEVICE_COOKIE, deviceToken, {
    httpOnly: true,
    path: '/',
    secure: isSecure(c),
    sameSite: 'Strict',
    maxAge: DEVICE_MS / 1000,
  });

function admit(c: Context, { token, deviceToken, session }: SignedIn) {
  // Over plain loopback or shop Wi-Fi a Secure cookie would never come back.
  const cookie = { httpOnly: true, path: '/', secure: isSecure(c) };
  setCookie(c, SESSION_COOKIE, token, { ...cookie, sameSite: 'Lax', maxAge: LONGEST_SESSION_MS / 1000 });
  if (deviceToken !== undefined) keepDevice(c, deviceToken);
  return c.json(session, 201);
}

/** Signing in, out, and passing a shared tablet on. */
export function sessionRoutes(
  sessions: SessionService,
  passkeys: PasskeyService,
  leaves: Leaves,
  tablets: TabletService,
  addresses: Addresses,
) {
  const from = (c: Context): From => ({
    session: getCookie(c, SESSION_COOKIE),
    device: getCookie(c, DEVICE_COOKIE),
    deviceName: deviceName(c.req.header('user-agent') ?? ''),
    site: siteOf(c),
    local: addresses.isLocal(c),
  });
  /** Beside the counts per person and device: one address guessing at everybody. */
  const limit = rateLimiter<SignedInEnv>({
    windowMs: 60_000,
    limit: 60,
    keyGenerator: addresses.of,
    handler: (c) => problem(c, 'tooManyAttempts', { retryAfterS: 60 }),
  });
  const mine = signedIn(sessions);

  return new Hono<SignedInEnv>()
    .get('/options', validate('query', z.object({ shop: z.string().max(64).optional() })), async (c) =>
      c.json(await sessions.options(getCookie(c, DEVICE_COOKIE), c.req.valid('query').shop)),
    )
    .get('/', mine, async (c) => {
      const session = await sessions.session(c.get('caller'));
      return session ? c.json(session) : problem(c, 'notSignedIn');
    })
    .put('/own', mine, validate('json', OwnSettingsSchema), async (c) => {
      await sessions.keepOwn(c.get('caller'), c.req.valid('json'));
      return c.body(null, 204);
    })
    .post('/', limit, validate('json', SignInSchema), async (c) => {
      const outcome = await sessions.signIn(c.req.valid('json'), from(c));
      return outcome.ok ? admit(c, outcome.value) : refuse(c, outcome.error);
    })
    .put('/shop', mine, validate('json', SwitchShopSchema), async (c) => {
      const outcome = await sessions.switchShop(c.get('caller'), c.req.valid('json').shop, from(c));
      return outcome.ok ? c.json(outcome.value) : problem(c, outcome.error.code);
    })
    .post('/hand-over', limit, validate('json', HandOverInputSchema), async (c) => {
      const outcome = await sessions.handOver(c.req.valid('json'), from(c));
      return outcome.ok ? admit(c, outcome.value) : problem(c, outcome.error.code);
    })
    .post('/pairing', limit, validate('json', PairingSchema), async (c) => {
      const known = await sessions.deviceBy(getCookie(c, DEVICE_COOKIE));
      const outcome = await tablets.pair(c.req.valid('json').code, known);
      if (!outcome.ok) return problem(c, outcome.error.code);
      const { name, deviceToken } = outcome.value;
      if (deviceToken !== undefined) keepDevice(c, deviceToken);
      return c.json({ name }, 201);
    })
    .delete('/', mine, async (c) => {
      await sessions.signOut(c.get('caller'));
      deleteCookie(c, SESSION_COOKIE, { path: '/' });
      return c.body(null, 204);
    })
    .put('/secret', limit, mine, validate('json', ChangeSecretSchema), async (c) => {
      const outcome = await sessions.changeSecret(c.get('caller'), c.req.valid('json'));
      if (outcome.ok) return c.body(null, 204);
      const { error } = outcome;
      return error.code === 'secretTooShort' ? problem(c, error.code, { digits: error.digits }) : refuse(c, error);
    })
    .put('/secret-rule', mine, validate('json', SecretRuleSchema), async (c) => {
      if (c.get('caller').person.role !== 'lead') return problem(c, 'notPermitted');
      await sessions.setSecretRule(c.get('caller'), c.req.valid('json').digits);
      return c.body(null, 204);
    })
    .post('/leave', limit, mine, validate('json', ProofInputSchema), async (c) => {
      const caller = c.get('caller');
      const { secret, command } = c.req.valid('json');
      const outcome = await sessions.prove(caller, secret);
      return outcome.ok ? c.json({ leave: leaves.give(caller.person.id, command) }) : refuse(c, outcome.error);
    })
    .get('/passkeys', mine, async (c) => c.json(await passkeys.list(c.get('caller').person.id)))
    .post('/passkeys/options', mine, async (c) => c.json(await passkeys.registration(siteOf(c), c.get('caller'))))
    .post('/passkeys', mine, validate('json', PasskeyRegisterSchema), async (c) => {
      const { name, response } = c.req.valid('json');
      const kept = await passkeys.register(siteOf(c), c.get('caller'), name, response);
      return kept ? c.body(null, 204) : problem(c, 'passkeyRefused');
    })
    .delete('/passkeys/:id', mine, validate('param', z.object({ id: z.string().max(400) })), async (c) => {
      const removed = await passkeys.remove(c.get('caller'), c.req.valid('param').id);
      return removed ? c.body(null, 204) : problem(c, 'notFound');
    })
    .post('/passkey/options', limit, async (c) => c.json(await passkeys.signInOptions(siteOf(c))))
    .post('/passkey', limit, validate('json', PasskeySignInSchema), async (c) => {
      const outcome = await sessions.signInByPasskey(c.req.valid('json').response, from(c));
      if (outcome.ok) return admit(c, outcome.value);
      return problem(c, outcome.error.code === 'deviceNotPaired' ? 'deviceNotPaired' : 'passkeyRefused');
    });
}
