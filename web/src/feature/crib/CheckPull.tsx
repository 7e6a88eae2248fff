import { useCallback, useRef, useState } from 'react';
import { v4 as uuid } from 'uuid';
import type { CribWrench } from '#contract/crib.ts';
import { say } from '#contract/wording/say.ts';
import { CHECK_PULLS, checkSettingNm, judgeCheck } from '#core/crib/check-pull.ts';
import { showTorqueIn } from '#core/quantity/display.ts';
import { deviation, type Reading } from '#core/wrench/calibration.ts';
import { usePrimaryKey } from '../../app/use-primary-key.ts';
import { api, call } from '../../shop/api.ts';
import { failureText } from '../../shop/failure-text.ts';
import { ActionBar } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { tell } from '../../ui/tell.ts';
import { useOpenCrib } from './CribShell.tsx';
import { percentText } from './wrench-text.ts';

/** The daily check: set it, pull three times on the tester, keep the result. Space does all of it. */
export function CheckPull({ wrench, onClose }: { wrench: CribWrench; onClose: () => void }) {
  const { act } = useOpenCrib();
  const setNm = checkSettingNm(wrench);
  const [readings, setReadings] = useState<Reading[]>([]);
  const [busy, setBusy] = useState(false);
  const [fault, setFault] = useState<string>();
  // Kept over a repeated press, so that a check is recorded once.
  const id = useRef(uuid());
  const verdict = judgeCheck(wrench, readings);
  const enough = readings.length >= CHECK_PULLS;
  const setting = showTorqueIn(setNm, wrench.scaleUnit);
  const press = useCallback(async () => {
    if (busy) return;
    setBusy(true);
    setFault(undefined);
    try {
      if (!enough) {
        const reading = (await call(api.crib.tester.$post({ json: { wrench: wrench.id, setNm } }))) as Reading;
        setReadings((list) => [...list, reading]);
      } else {
        const kept = await act(() =>
          call(
            api.crib.wrenches[':id'].checks.$post({
              param: { id: wrench.id },
              json: { id: id.current, kind: 'check', readings },
            }),
          ),
        );
        if (kept) onClose();
      }
    } catch (error) {
      setFault(failureText(error));
    } finally {
      setBusy(false);
    }
  }, [busy, enough, wrench.id, setNm, readings, act, onClose]);
  usePrimaryKey(() => void press(), { inDialog: true });
  const out = enough && !verdict.within;
  return (
    <Sheet
      open
      onClose={onClose}
      title={say('Check-pull of {label}', { label: wrench.label })}
      description={say('On the tester, to the click, three times. Warm the wrench up with a pull or two first.')}
    >
      <div className="grid gap-4">
        <p>
          <span className="text-sm text-ink-2">{say('Set it to')}</span>
          <span className="figures block text-6xl leading-none font-bold">
            {setting.number} <span className="text-2xl font-normal">{setting.unit}</span>
          </span>
        </p>
        <ol className="grid grid-cols-3 gap-2">
          {Array.from({ length: CHECK_PULLS }, (_, index) => index + 1).map((place) => {
            const reading = readings[place - 1];
            const off = reading && deviation(reading);
            const bad = off !== undefined && Math.abs(off) > verdict.permissible;
            return (
              <li
                key={place}
                className={`min-h-20 border-2 p-2 ${bad ? 'border-bad' : reading ? 'border-ink' : 'border-dashed border-rule'}`}
              >
                <span className="text-sm text-ink-2">{tell('pull {place}', { place })}</span>
                {reading && (
                  <>
                    <span className="figures block text-xl">
                      {showTorqueIn(reading.referenceNm, wrench.scaleUnit).number}
                    </span>
                    <span className={`figures block font-bold ${bad ? 'text-bad' : ''}`}>{percentText(off ?? 0)}</span>
                  </>
                )}
              </li>
            );
          })}
        </ol>
        {enough && (
          <p role="status" className={`border-l-4 pl-3 font-bold ${out ? 'border-bad text-bad' : 'border-ink'}`}>
            {out
              ? say(
                  'Out of limits: {percentText}, ±{permissible} % is allowed. Keeping this locks the wrench and lists what it pulled since its last good check.',
                  { percentText: percentText(verdict.worst), permissible: verdict.permissible * 100 },
                )
              : say('Within ±{permissible} %. Mean {percentText}.', {
                  permissible: verdict.permissible * 100,
                  percentText: percentText(verdict.mean),
                })}
          </p>
        )}
        {fault && (
          <p role="alert" className="font-bold text-bad">
            {fault}
          </p>
        )}
        <div className="-mx-5 -mb-5">
          <ActionBar onClick={() => void press()} disabled={busy} className="static!">
            {enough
              ? out
                ? say('Keep it and lock the wrench')
                : say('Keep the check')
              : say('Pull {count} of {checkPulls}', { count: readings.length + 1, checkPulls: CHECK_PULLS })}
          </ActionBar>
        </div>
      </div>
    </Sheet>
  );
}
