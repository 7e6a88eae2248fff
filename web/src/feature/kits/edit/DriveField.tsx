import type { DriveSize } from '#core/fastener/drive.ts';
import { CommitField, typedNumber } from '../../../ui/CommitField.tsx';
import { LOOK } from './look.ts';

/** The tool that turns or holds. */
export function Drive({
  label,
  drive,
  onChange,
}: {
  label: string;
  drive: DriveSize;
  onChange: (drive: DriveSize) => void;
}) {
  const size =
    drive.kind === 'hand'
      ? ''
      : drive.kind === 'sixLobe'
        ? drive.size
        : drive.kind === 'hex' && drive.inch
          ? String(Number((drive.acrossFlatsMm / 25.4).toFixed(4)))
          : String(drive.acrossFlatsMm);
  const kind = drive.kind === 'hex' && drive.inch ? 'hexInch' : drive.kind;
  const make = (to: string, typed: string): DriveSize | undefined => {
    if (to === 'hand') return { kind: 'hand' };
    if (to === 'sixLobe')
      return /^[TE]\d{1,3}$/.test(typed.trim()) ? { kind: 'sixLobe', size: typed.trim() } : undefined;
    const [top, bottom] = typed.split('/');
    const value = bottom ? typedNumber(top ?? '') / typedNumber(bottom) : typedNumber(typed);
    if (!(value > 0 && value <= 120)) return undefined;
    if (to === 'hexInch') return { kind: 'hex', acrossFlatsMm: value * 25.4, inch: true };
    return { kind: to as 'hex' | 'hexKey' | 'twelvePoint', acrossFlatsMm: value };
  };
  return (
    <div className="flex items-end gap-2">
      <label className="text-sm text-ink-2">
        {label}
        <select
          className={`block ${LOOK}`}
          value={kind}
          onChange={(event) =>
            onChange(
              make(event.target.value, size) ??
                (event.target.value === 'sixLobe'
                  ? { kind: 'sixLobe', size: 'T40' }
                  : event.target.value === 'hexInch'
                    ? { kind: 'hex', acrossFlatsMm: 15.875, inch: true }
                    : { kind: event.target.value as 'hex', acrossFlatsMm: 13 }),
            )
          }
        >
          <option value="hex">socket, mm</option>
          <option value="hexInch">socket, inch</option>
          <option value="hexKey">hex key, mm</option>
          <option value="twelvePoint">12-point, mm</option>
          <option value="sixLobe">six-lobe</option>
          <option value="hand">by hand</option>
        </select>
      </label>
      {drive.kind !== 'hand' && (
        <div className="w-24">
          <CommitField
            label="Size"
            className="figures"
            value={size}
            onCommit={(typed) => {
              const made = make(kind, typed);
              if (!made) return kind === 'sixLobe' ? 'T40, E14' : 'A size.';
              return void onChange(made);
            }}
          />
        </div>
      )}
    </div>
  );
}
