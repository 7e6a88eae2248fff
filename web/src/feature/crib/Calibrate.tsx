import { useRef, useState } from 'react';
import { v4 as uuid } from 'uuid';
import type { CribWrench } from '#contract/crib.ts';
import { say } from '#contract/wording/say.ts';
import { showTorqueIn } from '#core/quantity/display.ts';
import { fromBase, toBase } from '#core/quantity/unit.ts';
import {
  CALIBRATION_POINTS,
  calibrationResult,
  deviation,
  PULLS_PER_POINT,
  type Reading,
} from '#core/wrench/calibration.ts';
import { api, call } from '../../shop/api.ts';
import { failureText } from '../../shop/failure-text.ts';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { useOpenCrib } from './CribShell.tsx';
import { percentText } from './wrench-text.ts';

type Cells = string[][];

/** Five readings at 20, 60 and 100 %: typed from a certificate, or pulled on the tester. */
export function Calibrate({ wrench, onClose }: { wrench: CribWrench; onClose: () => void }) {
  const { act } = useOpenCrib();
  const [cells, setCells] = useState<Cells>(() =>
    CALIBRATION_POINTS.map(() => Array<string>(PULLS_PER_POINT).fill('')),
  );
  const [certificate, setCertificate] = useState('');
  const [fault, setFault] = useState<string>();
  const [busy, setBusy] = useState(false);
  const id = useRef(uuid());
  const read = (text: string): number | undefined => {
    const value = Number(text.replace(',', '.'));
    return text.trim() !== '' && Number.isFinite(value) && value > 0 ? toBase(value, wrench.scaleUnit) : undefined;
  };
  const points = CALIBRATION_POINTS.map((share, row) => ({
    share,
    readings: (cells[row] ?? []).flatMap((text): Reading[] => {
      const referenceNm = read(text);
      return referenceNm === undefined ? [] : [{ setNm: wrench.fullScaleNm * share, referenceNm }];
    }),
  }));
  const result = calibrationResult(wrench, points);
  const set = (row: number, column: number, text: string) =>
    setCells((before) =>
      before.map((list, r) => (r === row ? list.map((cell, c) => (c === column ? text : cell)) : list)),
    );
  const fromTester = async () => {
    setBusy(true);
    setFault(undefined);
    try {
      for (const [row, share] of CALIBRATION_POINTS.entries()) {
        for (let column = 0; column < PULLS_PER_POINT; column++) {
          const setNm = wrench.fullScaleNm * share;
          const { referenceNm } = (await call(
            api.crib.tester.$post({ json: { wrench: wrench.id, setNm } }),
          )) as Reading;
          set(row, column, fromBase(referenceNm, wrench.scaleUnit).toFixed(2));
        }
      }
    } catch (error) {
      setFault(failureText(error));
    } finally {
      setBusy(false);
    }
  };
  const keep = async () => {
    setBusy(true);
    const kept = await act(() =>
      call(
        api.crib.wrenches[':id'].checks.$post({
          param: { id: wrench.id },
          json: {
            id: id.current,
            kind: 'calibration',
            readings: points.flatMap((point) => point.readings),
            certificate: certificate.trim() || undefined,
          },
        }),
      ),
    );
    setBusy(false);
    if (kept) onClose();
  };
  return (
    <Sheet
      open
      onClose={onClose}
      wide
      title={say('Calibrate {label}', { label: wrench.label })}
      description={say(
        'Reference readings in {scaleUnit}, from the certificate or the tester. Every one must lie within ±{permissible} %.',
        { scaleUnit: wrench.scaleUnit, permissible: result.permissible * 100 },
      )}
    >
      <div className="overflow-x-auto">
        <table className="w-full min-w-140">
          <thead className="text-left text-sm text-ink-2">
            <tr>
              <th className="py-1 font-normal">{say('Set to')}</th>
              {Array.from({ length: PULLS_PER_POINT }, (_, i) => say('pull {i}', { i: i + 1 })).map((name) => (
                <th key={name} className="font-normal">
                  {name}
                </th>
              ))}
              <th className="text-right font-normal">{say('Worst')}</th>
            </tr>
          </thead>
          <tbody>
            {CALIBRATION_POINTS.map((share, row) => {
              const setting = showTorqueIn(wrench.fullScaleNm * share, wrench.scaleUnit);
              const point = result.points[row];
              return (
                <tr key={share} className="border-t border-rule">
                  <th scope="row" className="figures py-2 pr-2 text-left font-bold whitespace-nowrap">
                    {setting.number} <span className="font-normal text-ink-2">({share * 100} %)</span>
                  </th>
                  {(cells[row] ?? []).map((text, column) => {
                    const value = read(text);
                    const bad =
                      text.trim() !== '' &&
                      (value === undefined ||
                        Math.abs(deviation({ setNm: wrench.fullScaleNm * share, referenceNm: value })) >
                          result.permissible);
                    return (
                      // biome-ignore lint/suspicious/noArrayIndexKey: a reading is its place
                      <td key={column} className="pr-1">
                        <input
                          className={`figures min-h-12 w-20 border-2 bg-sheet px-2 ${bad ? 'border-bad text-bad' : 'border-rule'}`}
                          inputMode="decimal"
                          aria-label={say('{share} percent, pull {column}', { share: share * 100, column: column + 1 })}
                          aria-invalid={bad}
                          value={text}
                          onChange={(event) => set(row, column, event.target.value)}
                        />
                      </td>
                    );
                  })}
                  <td
                    className={`figures text-right font-bold ${point && point.deviations.length > 0 && !point.within ? 'text-bad' : ''}`}
                  >
                    {point && point.deviations.length > 0 ? percentText(point.worst) : ''}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      <label className="mt-4 grid gap-1">
        <span className="font-bold">{say('Certificate number')}</span>
        <input
          className="min-h-12 border-2 border-ink bg-sheet px-3"
          maxLength={120}
          value={certificate}
          onChange={(event) => setCertificate(event.target.value)}
        />
      </label>
      <p role="status" className={`mt-3 font-bold ${result.complete && !result.within ? 'text-bad' : ''}`}>
        {!result.complete
          ? say('Fifteen readings make a calibration.')
          : result.within
            ? say('Within limits at all three points.')
            : say('Out of limits: keeping this locks the wrench.')}
      </p>
      {fault && (
        <p role="alert" className="font-bold text-bad">
          {fault}
        </p>
      )}
      <div className="mt-4 grid gap-2 sm:grid-cols-3">
        <Button onClick={onClose}>{say('Leave it')}</Button>
        <Button onClick={() => void fromTester()} disabled={busy}>
          {busy ? say('Pulling') : say('Pull on the tester')}
        </Button>
        <Button tone="primary" disabled={!result.complete || busy} onClick={() => void keep()}>
          {say('Keep it')}
        </Button>
      </div>
    </Sheet>
  );
}
