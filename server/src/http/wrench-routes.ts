import { Hono } from 'hono';
import type { UpgradeWebSocket } from 'hono/ws';
import { WrenchStandIn } from '#devices/torque-wrench/stand-in.ts';
import type { CatalogService } from '../service/catalog-service.ts';
import type { SessionService } from '../service/session-service.ts';
import { type SignedInEnv, signedIn } from './caller.ts';
import { problem } from './problem.ts';

/** The line to a live wrench. The stand-in speaks what a real bridge would: docs/formats/wrench-stream.md. */
export function wrenchRoutes(sessions: SessionService, catalog: CatalogService, upgradeWebSocket: UpgradeWebSocket) {
  return new Hono<SignedInEnv>().use('*', signedIn(sessions)).get(
    '/wrenches/:id/stream',
    async (c, next) => {
      const wrench = (await catalog.wrenches(c.get('caller').shopId)).find((entry) => entry.id === c.req.param('id'));
      if (!wrench?.live) return problem(c, 'notFound', { detail: 'No live wrench of this shop has this id.' });
      return next();
    },
    upgradeWebSocket(() => {
      let standIn: WrenchStandIn | undefined;
      return {
        onOpen: (_, socket) => {
          standIn = new WrenchStandIn((message) => socket.send(JSON.stringify(message)));
        },
        onMessage: (event) => standIn?.receive(String(event.data)),
        onClose: () => standIn?.stop(),
      };
    }),
  );
}
