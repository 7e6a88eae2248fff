import { useState } from 'react';
import { say } from '#contract/wording/say.ts';
import { bluetoothTransport, hasBluetooth } from '../../../job/instrument/bluetooth-transport.ts';
import type { LineTransport } from '../../../job/instrument/line-transport.ts';
import type { LineBy } from '../../../job/instrument/remembered-line.ts';
import { hasSerial, serialTransport } from '../../../job/instrument/serial-transport.ts';
import { socketTransport } from '../../../job/instrument/socket-transport.ts';
import { useLiveWrench } from '../../../job/live-wrench.ts';
import { useSettings } from '../../../shop/settings.ts';
import { Button } from '../../../ui/Button.tsx';
import { tell } from '../../../ui/tell.ts';

/** Hangs a real instrument on this tablet, in the place of the stand-in: by cable, in the air, or behind a bridge. */
export function InstrumentLine({ label }: { label: string }) {
  const instrument = useLiveWrench((live) => live.instrument);
  // Kept by the tablet: the bridge is a program on it, or beside it.
  const address = useSettings((settings) => settings.bridge);
  const setAddress = (bridge: string) => useSettings.getState().set({ bridge });
  const [failed, setFailed] = useState<string>();
  const { pair, unpair } = useLiveWrench.getState();
  const take = async (by: LineBy, transport: LineTransport) => {
    const wrong = await pair(transport);
    setFailed(wrong);
    const { wrenchId } = useLiveWrench.getState();
    if (wrong === undefined && wrenchId) useSettings.getState().set({ paired: { wrenchId, by } });
  };
  const leave = () => {
    useSettings.getState().set({ paired: undefined });
    unpair();
  };
  const wrong = /^wss?:\/\/\S+$/.test(address) ? undefined : say('An address begins with ws:// or wss://');
  return (
    <section className="mt-4 border-t-2 border-ink pt-3" aria-label={say('The line of {label}', { label })}>
      <h3 className="font-bold">{tell('The line of {label}', { label })}</h3>
      {instrument ? (
        <div className="mt-1 flex flex-wrap items-center gap-x-4 gap-y-2">
          <p role="status" className="min-w-48 flex-1">
            {instrument.status === 'opening' && <>{tell('Opening {name} …', { name: instrument.name })}</>}
            {instrument.status === 'lost' && (
              <b className="text-bad">{tell('The line by {name} broke.', { name: instrument.name })}</b>
            )}
            {instrument.status === 'open' &&
              (instrument.serial ? (
                <>
                  {tell('{serial} by {name}', { serial: <b>{instrument.serial}</b>, name: instrument.name })}
                  {instrument.battery !== undefined && (
                    <span className="figures">
                      {tell(', battery {value} %', { value: Math.round(100 * instrument.battery) })}
                    </span>
                  )}
                </>
              ) : (
                tell('Open by {name}; it has not said yet who it is.', { name: instrument.name })
              ))}
          </p>
          <Button onClick={leave}>{say('Back to the stand-in')}</Button>
        </div>
      ) : (
        <>
          <p className="text-sm text-ink-2">
            {say('The stand-in that ships with Wrenchman. A real one speaks lines (docs/formats/instrument-line.md):')}
          </p>
          <div className="mt-2 flex flex-wrap gap-2">
            <Button disabled={!hasSerial()} onClick={() => void take('cable', serialTransport())}>
              {say('By cable')}
            </Button>
            <Button disabled={!hasBluetooth()} onClick={() => void take('air', bluetoothTransport())}>
              {say('By Bluetooth')}
            </Button>
            <label className="flex min-w-60 flex-1 items-center gap-2">
              <span className="sr-only">{say('Address of a bridge')}</span>
              <input
                className="figures min-h-14 min-w-0 flex-1 border-2 border-ink bg-sheet px-3"
                value={address}
                aria-invalid={wrong !== undefined}
                onChange={(event) => setAddress(event.target.value)}
              />
            </label>
            <Button
              disabled={wrong !== undefined}
              onClick={() => void take('address', socketTransport(address.trim()))}
            >
              {say('By address')}
            </Button>
          </div>
          {(!hasSerial() || !hasBluetooth()) && (
            <p className="mt-1 text-sm text-ink-2">
              {tell('This browser opens no {value}.', {
                value: [!hasSerial() && 'cable', !hasBluetooth() && say('Bluetooth')].filter(Boolean).join(' and no '),
              })}
            </p>
          )}
          {wrong && <p className="mt-1 text-bad">{wrong}</p>}
        </>
      )}
      {failed && (
        <p role="alert" className="mt-1 text-bad">
          {failed}
        </p>
      )}
    </section>
  );
}
