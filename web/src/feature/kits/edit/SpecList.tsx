import type { Station } from '#core/kit/kit-document.ts';
import type { PrintedSpec } from '#core/kit/printed-spec.ts';
import { specFromPrinted } from '#core/kit/spec-from-printed.ts';
import { fromBase } from '#core/quantity/unit.ts';
import type { TighteningSpec } from '#core/tightening/kinds.ts';
import { acceptBand } from '#core/tightening/kinds.ts';
import { CommitField, typedNumber } from '../../../ui/CommitField.tsx';
import { ConditionButton } from './ConditionEditor.tsx';
import { put } from './editor-store.ts';
import { LOOK } from './look.ts';

type PlainKind = 'contact' | 'snug' | 'slot' | 'bearing' | 'missing';

const KINDS: ReadonlyArray<readonly [PlainKind | 'printed', string]> = [
  ['printed', 'A torque, as printed'],
  ['contact', 'Until it stops'],
  ['snug', 'Snug only'],
  ['slot', 'Castle nut, to the next slot'],
  ['bearing', 'Wheel bearing'],
  ['missing', 'No figure given'],
];

const kindOf = (spec: TighteningSpec): PlainKind | 'printed' =>
  spec.kind === 'contact' ||
  spec.kind === 'snug' ||
  spec.kind === 'slot' ||
  spec.kind === 'bearing' ||
  spec.kind === 'missing'
    ? spec.kind
    : 'printed';

const PLAIN: Record<PlainKind, PrintedSpec> = {
  contact: { spec: { kind: 'contact', stop: 'the flanges touch' }, printed: 'until the flanges touch' },
  snug: { spec: { kind: 'snug' }, printed: 'snug' },
  slot: {
    spec: { kind: 'slot', startNm: 47, ceilingNm: 61, slots: 6 },
    printed: '47 N·m, on to the next slot, never over 61',
  },
  bearing: {
    spec: { kind: 'bearing', seatNm: 68, backOffDeg: 90, finalMinNm: 2, finalMaxNm: 4 },
    printed: '68 N·m turning, back off 90°, 2-4 N·m',
  },
  missing: { spec: { kind: 'missing', why: 'notGiven' }, printed: 'not given' },
};

export function Specs({ station, edit }: { station: Station; edit: (recipe: (station: Station) => void) => void }) {
  const specEdit = (index: number, recipe: (spec: PrintedSpec) => void) =>
    edit((s) => {
      const spec = s.specs[index];
      if (spec) recipe(spec);
    });
  return (
    <div>
      <ul>
        {station.specs.map((printed, index) => {
          const kind = kindOf(printed.spec);
          const band = acceptBand(printed.spec);
          return (
            // biome-ignore lint/suspicious/noArrayIndexKey: the first that holds applies, so the place is what it is
            <li key={index} className="flex flex-wrap items-end gap-2 border-b border-hair py-2">
              <label className="text-sm text-ink-2">
                Kind
                <select
                  className={`block ${LOOK}`}
                  value={kind}
                  onChange={(event) => {
                    const to = event.target.value as PlainKind | 'printed';
                    specEdit(index, (spec) =>
                      Object.assign(
                        spec,
                        to === 'printed'
                          ? { spec: { kind: 'torque', targetNm: 20 }, printed: '20 N·m' }
                          : structuredClone(PLAIN[to]),
                      ),
                    );
                  }}
                >
                  {KINDS.map(([name, text]) => (
                    <option key={name} value={name}>
                      {text}
                    </option>
                  ))}
                </select>
              </label>
              <div className="min-w-56 flex-1">
                <CommitField
                  label="As the sheet prints it"
                  className="figures text-lg"
                  value={printed.printed}
                  onCommit={(typed) => {
                    if (typed.trim() === '') return 'Type what the sheet prints.';
                    if (kind !== 'printed') return void specEdit(index, (spec) => put(spec, 'printed', typed.trim()));
                    const read = specFromPrinted(typed);
                    if (!read.ok)
                      return read.error.code === 'noTorque'
                        ? 'No torque with a unit in it: 46 lbf·ft, 80-100 in-lb, 74 ft-lb plus 90°.'
                        : `${read.error.torqueNm.toFixed(0)} N·m is no torque of this trade.`;
                    return void specEdit(index, (spec) =>
                      Object.assign(spec, { spec: read.value, printed: typed.trim() }),
                    );
                  }}
                />
              </div>
              {printed.spec.kind === 'missing' && (
                <select
                  aria-label="Why there is none"
                  className={LOOK}
                  value={printed.spec.why}
                  onChange={(event) =>
                    specEdit(index, (spec) =>
                      put(spec, 'spec', { kind: 'missing', why: event.target.value as 'notGiven' }),
                    )
                  }
                >
                  <option value="notGiven">not given</option>
                  <option value="byFeel">by feel</option>
                  <option value="otherSheet">on another sheet</option>
                </select>
              )}
              {printed.spec.kind === 'contact' && (
                <CommitField
                  label="Until"
                  value={printed.spec.stop}
                  onCommit={(typed) =>
                    typed.trim()
                      ? void specEdit(index, (spec) => put(spec, 'spec', { kind: 'contact', stop: typed.trim() }))
                      : 'Say what stops it.'
                  }
                />
              )}
              {(printed.spec.kind === 'slot' || printed.spec.kind === 'bearing') && (
                <SpecFigures
                  spec={printed.spec}
                  onSpec={(spec) => specEdit(index, (entry) => put(entry, 'spec', spec))}
                />
              )}
              {band && (
                <span className="figures self-center text-sm text-ink-2">
                  {band.targetNm.toFixed(1)} N·m, {fromBase(band.targetNm, 'lbf·ft').toFixed(1)} lbf·ft, accepted{' '}
                  {band.minNm.toFixed(1)}–{Number.isFinite(band.maxNm) ? band.maxNm.toFixed(1) : '…'}
                </span>
              )}
              <ConditionButton
                when={printed.when}
                of={`${printed.printed} at station ${station.label}`}
                onChange={(when) => specEdit(index, (spec) => (when ? put(spec, 'when', when) : delete spec.when))}
              />
              {station.specs.length > 1 && (
                <button
                  type="button"
                  aria-label={`Take ${printed.printed} away`}
                  className="size-11 text-xl text-ink-2"
                  onClick={() => edit((s) => s.specs.splice(index, 1))}
                >
                  ×
                </button>
              )}
            </li>
          );
        })}
      </ul>
      <button
        type="button"
        className="mt-1 min-h-11 px-2 underline"
        onClick={() => edit((s) => s.specs.push({ spec: { kind: 'torque', targetNm: 20 }, printed: '20 N·m' }))}
      >
        Another value for other vehicles
      </button>
    </div>
  );
}

const FIGURE_TEXT: Record<string, string> = {
  startNm: 'Start, N·m',
  ceilingNm: 'Never over, N·m',
  slots: 'Slots',
  seatNm: 'Seat, N·m',
  backOffDeg: 'Back off, °',
  finalMinNm: 'Final from, N·m',
  finalMaxNm: 'to, N·m',
};

function SpecFigures<S extends Extract<TighteningSpec, { kind: 'slot' | 'bearing' }>>({
  spec,
  onSpec,
}: {
  spec: S;
  onSpec: (spec: S) => void;
}) {
  return (
    <>
      {Object.entries(spec)
        .filter(([key]) => key !== 'kind')
        .map(([key, value]) => (
          <div key={key} className="w-28">
            <CommitField
              label={FIGURE_TEXT[key] ?? key}
              className="figures text-right"
              value={String(value)}
              onCommit={(typed) => {
                const figure = typedNumber(typed);
                if (!(figure > 0 && figure <= 1500)) return 'Above 0, up to 1500.';
                if (key === 'slots' && !(Number.isInteger(figure) && figure >= 3 && figure <= 12)) return '3 to 12.';
                return void onSpec({ ...spec, [key]: figure });
              }}
            />
          </div>
        ))}
    </>
  );
}
