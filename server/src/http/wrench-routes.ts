import { Hono } from 'hono';
import type { UpgradeWebSocket } from 'hono/ws';
import type { Wrench } from '#core/wrench/wrench.ts';
import type { ReadingProofs } from '../service/reading-proofs.ts';
import type { SessionService } from '../service/session-service.ts';
import type { ShopWrenches } from '../service/shop-wrenches.ts';
import { WrenchLine } from '../service/wrench-line.ts';
import { type SignedInEnv, signedIn } from './caller.ts';
import { problem } from './problem.ts';

interface WrenchParts {
  sessions: SessionService;
  wrenches: ShopWrenches;
  readings: ReadingProofs;
}

/** A policy that was broken: the session this line was opened in is over. @see RFC 6455, 7.4.1 */
const POLICY = 1008;

/**
 * The line to a live wrench: docs/formats/wrench-stream.md. Each reading goes out with a code of the server's, without
 * which no pull counts as live.
 */
export function wrenchRoutes({ sessions, wrenches, readings }: WrenchParts, upgradeWebSocket: UpgradeWebSocket) {
  return new Hono<SignedInEnv & { Variables: { wrench: Wrench } }>().use('*', signedIn(sessions)).get(
    '/wrenches/:id/stream',
    async (c, next) => {
      const wrench = (await wrenches.of(c.get('caller').shopId)).find((entry) => entry.id === c.req.param('id'));
      if (!wrench?.live) return problem(c, 'notFound', { detail: 'No live wrench of this shop has this id.' });
      c.set('wrench', wrench);
      return next();
    },
    upgradeWebSocket((c) => {
      const { shopId, tokenHash, sessionExpiresAtMs } = c.get('caller');
      const wrench: Wrench = c.get('wrench');
      let line: WrenchLine | undefined;
      let unwatch: () => void = () => undefined;
      let expires: NodeJS.Timeout | undefined;
      return {
        onOpen: (_, socket) => {
          const end = () => socket.close(POLICY, 'The session is over');
          unwatch = sessions.watch(tokenHash, end);
          expires = setTimeout(end, Math.max(0, sessionExpiresAtMs - Date.now()));
          line = new WrenchLine(
            wrench,
            (message) => socket.send(JSON.stringify(message)),
            (reading) => readings.issue(shopId, wrench.id, reading),
          );
        },
        onMessage: (event) => line?.receive(String(event.data)),
        onClose: () => {
          line?.stop();
          unwatch();
          clearTimeout(expires);
        },
      };
    }),
  );
}
