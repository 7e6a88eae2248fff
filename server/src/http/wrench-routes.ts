import { Hono } from 'hono';
import type { UpgradeWebSocket } from 'hono/ws';
import { packTrace } from '#core/trace/pack-trace.ts';
import { MOST_SAMPLES, type TraceSample } from '#core/trace/pull-trace.ts';
import { WrenchStandIn } from '#devices/torque-wrench/stand-in.ts';
import type { ReadingProofs } from '../service/reading-proofs.ts';
import type { SessionService } from '../service/session-service.ts';
import type { ShopWrenches } from '../service/shop-wrenches.ts';
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
 * The line to a live wrench. The stand-in speaks what a real bridge would: docs/formats/wrench-stream.md. Each reading
 * goes out with a code of the server's, without which no pull counts as live.
 */
export function wrenchRoutes({ sessions, wrenches, readings }: WrenchParts, upgradeWebSocket: UpgradeWebSocket) {
  return new Hono<SignedInEnv>().use('*', signedIn(sessions)).get(
    '/wrenches/:id/stream',
    async (c, next) => {
      const wrench = (await wrenches.of(c.get('caller').shopId)).find((entry) => entry.id === c.req.param('id'));
      if (!wrench?.live) return problem(c, 'notFound', { detail: 'No live wrench of this shop has this id.' });
      return next();
    },
    upgradeWebSocket((c) => {
      const { shopId, tokenHash, sessionExpiresAtMs } = c.get('caller');
      const wrench = c.req.param('id') ?? '';
      let standIn: WrenchStandIn | undefined;
      let unwatch: () => void = () => undefined;
      let expires: NodeJS.Timeout | undefined;
      return {
        onOpen: (_, socket) => {
          const end = () => socket.close(POLICY, 'The session is over');
          unwatch = sessions.watch(tokenHash, end);
          expires = setTimeout(end, Math.max(0, sessionExpiresAtMs - Date.now()));
          let frames: TraceSample[] = [];
          standIn = new WrenchStandIn((message) => {
            if (message.type === 'armed') frames = [];
            if (message.type === 'frame' && frames.length < MOST_SAMPLES) frames.push(message);
            if (message.type !== 'end') return socket.send(JSON.stringify(message));
            const { station, peakNm: torqueNm, angleDeg, movementDeg, gradientShare } = message;
            const trace = packTrace(frames);
            frames = [];
            const reading = { station, torqueNm, angleDeg, movementDeg, gradientShare, trace };
            return socket.send(JSON.stringify({ ...message, trace, issued: readings.issue(shopId, wrench, reading) }));
          });
        },
        onMessage: (event) => standIn?.receive(String(event.data)),
        onClose: () => {
          standIn?.stop();
          unwatch();
          clearTimeout(expires);
        },
      };
    }),
  );
}
