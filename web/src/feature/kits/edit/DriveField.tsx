import { say } from '#contract/wording/say.ts';
import { type DriveSize, hasSize } from '#core/fastener/drive.ts';
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
  const inch = (drive.kind === 'hex' || drive.kind === 'hexKey') && drive.inch === true;
  const size = !hasSize(drive)
    ? ''
    : drive.kind === 'sixLobe'
      ? drive.size
      : inch
        ? String(Number((drive.acrossFlatsMm / 25.4).toFixed(4)))
        : String(drive.acrossFlatsMm);
  const kind = inch ? `${drive.kind}Inch` : drive.kind;
  const make = (to: string, typed: string): DriveSize | undefined => {
    if (to === 'hand' || to === 'unknown') return { kind: to };
    if (to === 'sixLobe')
      return /^[TE]\d{1,3}$/.test(typed.trim()) ? { kind: 'sixLobe', size: typed.trim() } : undefined;
    const [top, bottom] = typed.split('/');
    const value = bottom ? typedNumber(top ?? '') / typedNumber(bottom) : typedNumber(typed);
    if (!(value > 0 && value <= 120)) return undefined;
    if (to === 'hexInch' || to === 'hexKeyInch')
      return { kind: to === 'hexInch' ? 'hex' : 'hexKey', acrossFlatsMm: value * 25.4, inch: true };
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
                  : event.target.value === 'hexInch' || event.target.value === 'hexKeyInch'
                    ? {
                        kind: event.target.value === 'hexInch' ? 'hex' : 'hexKey',
                        acrossFlatsMm: event.target.value === 'hexInch' ? 15.875 : 6.35,
                        inch: true,
                      }
                    : { kind: event.target.value as 'hex', acrossFlatsMm: 13 }),
            )
          }
        >
          <option value="hex">{say('socket, mm')}</option>
          <option value="hexInch">{say('socket, inch')}</option>
          <option value="hexKey">{say('hex key, mm')}</option>
          <option value="hexKeyInch">{say('hex key, inch')}</option>
          <option value="twelvePoint">{say('12-point, mm')}</option>
          <option value="sixLobe">{say('six-lobe')}</option>
          <option value="hand">{say('by hand')}</option>
          <option value="unknown">{say('not given')}</option>
        </select>
      </label>
      {hasSize(drive) && (
        <div className="w-24">
          <CommitField
            label={say('Size')}
            className="figures"
            value={size}
            onCommit={(typed) => {
              const made = make(kind, typed);
              if (!made) return kind === 'sixLobe' ? 'T40, E14' : say('A size.');
              return void onChange(made);
            }}
          />
        </div>
      )}
    </div>
  );
}
