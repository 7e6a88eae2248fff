import { WebSocketServer } from 'ws';

/**
 * A stand-in for a program that understands speech: what it is told to have heard goes out as its lines do, to whatever
 * tablet listens on this device.
 */
export interface ListenerStandIn {
  address: string;
  /** Says that it heard this; `confidence` 0 to 1. */
  hear(text: string, confidence?: number): void;
  /** How many listen. */
  listeners(): number;
  stop(): Promise<void>;
}

/** Starts one on loopback. `port` 0: any that is free. */
export async function startListener(port = 9300): Promise<ListenerStandIn> {
  const server = new WebSocketServer({ host: '127.0.0.1', port });
  await new Promise<void>((resolve, reject) => {
    server.once('listening', resolve);
    server.once('error', reject);
  });
  const place = server.address();
  if (typeof place !== 'object' || place === null) throw new Error('The listener has no port.');
  return {
    address: `ws://127.0.0.1:${place.port}`,
    hear(text, confidence = 0.95) {
      const line = `${JSON.stringify({ heard: text, confidence })}\n`;
      for (const tablet of server.clients) tablet.send(line);
    },
    listeners: () => server.clients.size,
    stop: () =>
      new Promise((resolve, reject) => {
        for (const tablet of server.clients) tablet.terminate();
        server.close((error) => (error ? reject(error) : resolve()));
      }),
  };
}
