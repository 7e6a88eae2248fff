import type { LineTransport } from './line-transport.ts';

/** A serial line in the air as common radio modules offer it: one characteristic to write, one that notifies. */
const SERVICE = '6e400001-b5a3-f393-e0a9-e50e24dcca9e';
const WRITE = '6e400002-b5a3-f393-e0a9-e50e24dcca9e';
const NOTIFY = '6e400003-b5a3-f393-e0a9-e50e24dcca9e';
/** What one write may carry at least. @see Bluetooth Core, ATT_MTU 23 less three */
const PIECE = 20;

/** What is used of the Web Bluetooth API. @see https://webbluetoothcg.github.io/web-bluetooth/ */
export interface CharacteristicLike extends EventTarget {
  value?: DataView;
  writeValue(bytes: Uint8Array): Promise<void>;
  startNotifications(): Promise<unknown>;
}
export interface BluetoothDeviceLike extends EventTarget {
  gatt?: {
    connect(): Promise<{
      getPrimaryService(id: string): Promise<{ getCharacteristic(id: string): Promise<CharacteristicLike> }>;
    }>;
    disconnect(): void;
  };
}
interface BluetoothLike {
  requestDevice(options: { filters: Array<{ services: string[] }> }): Promise<BluetoothDeviceLike>;
  /** Those the browser was allowed before; not every browser tells. */
  getDevices?(): Promise<BluetoothDeviceLike[]>;
}

const bluetoothOf = (): BluetoothLike | undefined => (navigator as { bluetooth?: BluetoothLike }).bluetooth;
export const hasBluetooth = (): boolean => bluetoothOf() !== undefined;
/** Devices the browser was allowed before; none where it does not tell. */
export const allowedDevices = async (): Promise<BluetoothDeviceLike[]> => (await bluetoothOf()?.getDevices?.()) ?? [];

/**
 * An instrument in the air. The browser asks which.
 *
 * @param choose - the device; the browser's own question where it is left out
 */
export function bluetoothTransport(
  choose = async () => bluetoothOf()?.requestDevice({ filters: [{ services: [SERVICE] }] }),
): LineTransport {
  let device: BluetoothDeviceLike | undefined;
  let out: CharacteristicLike | undefined;
  let away = false;
  let writing: Promise<unknown> = Promise.resolve();
  return {
    name: 'Bluetooth',
    async open(onText, onLost) {
      device = await choose();
      const service = await (await device?.gatt?.connect())?.getPrimaryService(SERVICE);
      if (!device || !service) throw new Error('This browser opens no Bluetooth line.');
      out = await service.getCharacteristic(WRITE);
      const heard = await service.getCharacteristic(NOTIFY);
      const decoder = new TextDecoder();
      heard.addEventListener('characteristicvaluechanged', () => {
        if (heard.value) onText(decoder.decode(heard.value, { stream: true }));
      });
      await heard.startNotifications();
      device.addEventListener('gattserverdisconnected', () => {
        if (!away) onLost();
      });
    },
    write(text) {
      const bytes = new TextEncoder().encode(text);
      // One after the other: the air takes a piece at a time. A line that broke is told by its disconnection.
      for (let from = 0; from < bytes.length; from += PIECE)
        writing = writing.then(() => out?.writeValue(bytes.slice(from, from + PIECE))).catch(() => undefined);
    },
    close() {
      away = true;
      device?.gatt?.disconnect();
    },
  };
}
