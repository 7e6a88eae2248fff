import { getConnInfo } from '@hono/node-server/conninfo';
import type { Context } from 'hono';
import { siteOf } from './caller.ts';

const LOOPBACK = /^(127\.|::1$|::ffff:127\.)/;

/**
 * Where requests come from.
 * @param proxied - whether a proxy of the shop's own stands in front: then it says who asks, and nobody is local
 */
export const addresses = (proxied: boolean) => ({
  /** The address that asks, for counting; a proxy adds it last, whatever stood there before may be anybody's claim. */
  of(c: Context): string {
    const named = proxied ? c.req.header('x-forwarded-for')?.split(',').at(-1)?.trim() : undefined;
    return named || (getConnInfo(c).remote.address ?? 'unknown');
  },
  /** Whether the server's own machine asks, by its own name for itself and with no proxy in between. */
  isLocal(c: Context): boolean {
    if (proxied) return false;
    const { host } = siteOf(c);
    const forwarded = c.req.header('x-forwarded-for') ?? c.req.header('forwarded') ?? c.req.header('x-real-ip');
    const named = host === 'localhost' || host === '127.0.0.1' || host === '[::1]';
    return named && forwarded === undefined && LOOPBACK.test(getConnInfo(c).remote.address ?? '');
  },
});
export type Addresses = ReturnType<typeof addresses>;
