import { useSettings } from '../../shop/settings.ts';
import { allowedDevices, bluetoothTransport } from './bluetooth-transport.ts';
import type { LineTransport } from './line-transport.ts';
import { allowedPorts, serialTransport } from './serial-transport.ts';
import { socketTransport } from './socket-transport.ts';

/** How an instrument hangs on this tablet. */
export type LineBy = 'cable' | 'air' | 'address';

/**
 * The line a wrench's instrument was last found on, opened without asking: a cable or a device in the air that the browser
 * was allowed before, or the address of a bridge. Undefined where none is remembered or the browser no longer knows which.
 */
export async function rememberedLine(wrenchId: string): Promise<LineTransport | undefined> {
  const { paired, bridge } = useSettings.getState();
  if (paired?.wrenchId !== wrenchId) return undefined;
  if (paired.by === 'address') return socketTransport(bridge.trim());
  if (paired.by === 'cable') {
    const ports = await allowedPorts();
    // Two cables: which of them it was nobody can tell, so it is chosen again.
    return ports.length === 1 ? serialTransport(async () => ports[0]) : undefined;
  }
  const devices = await allowedDevices();
  return devices.length === 1 ? bluetoothTransport(async () => devices[0]) : undefined;
}
