import { createServer, type Server } from 'node:http';
import { Counter, collectDefaultMetrics, Gauge, Histogram, Registry } from 'prom-client';

/** Seconds a request takes, from a press on the floor to a long report. */
const SECONDS = [0.002, 0.005, 0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 10];

/** What a monitor reads of the running server. No name, plate or record is ever in it. */
export interface Figures {
  registry: Registry;
  /** One request that was answered; the route is its pattern, so that a monitor keeps few series. */
  answered(method: string, route: string, status: number, seconds: number): void;
  /** Events that were recorded in jobs. */
  recorded(events: number): void;
}

/**
 * Figures of a server, with Node's own.
 *
 * @param openSockets - live wrenches connected now
 * @see OpenMetrics and the Prometheus text format, written by its own client library
 */
export function makeFigures(openSockets: () => number): Figures {
  const registry = new Registry();
  collectDefaultMetrics({ register: registry });
  const requests = new Histogram({
    name: 'wrenchman_request_seconds',
    help: 'Requests by method, route and status, and how long they took',
    labelNames: ['method', 'route', 'status'],
    buckets: SECONDS,
    registers: [registry],
  });
  const events = new Counter({
    name: 'wrenchman_events_recorded_total',
    help: 'Events recorded in jobs since the server started',
    registers: [registry],
  });
  new Gauge({
    name: 'wrenchman_live_sockets',
    help: 'Live wrenches connected now',
    registers: [registry],
    collect() {
      this.set(openSockets());
    },
  });
  return {
    registry,
    answered: (method, route, status, seconds) => requests.observe({ method, route, status: String(status) }, seconds),
    recorded: (count) => events.inc(count),
  };
}

/** Serves the figures on loopback, apart from the application: whoever reaches that does not reach these. */
export const figuresServer = ({ registry }: Figures): Server =>
  createServer((request, response) => {
    if (request.url !== '/metrics' || (request.method !== 'GET' && request.method !== 'HEAD'))
      return void response.writeHead(404, { 'Content-Type': 'text/plain' }).end('Figures are at /metrics.\n');
    registry.metrics().then(
      (text) => response.writeHead(200, { 'Content-Type': registry.contentType }).end(text),
      (error: unknown) => response.writeHead(500, { 'Content-Type': 'text/plain' }).end(`${String(error)}\n`),
    );
  });
