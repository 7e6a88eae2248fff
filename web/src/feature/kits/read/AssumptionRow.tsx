import { useState } from 'react';
import { assumptionText } from '#contract/wording/fact-text.ts';
import { say } from '#contract/wording/say.ts';
import { type DriveSize, describeDrive } from '#core/fastener/drive.ts';
import { CORRECTED_BY, type Correction, MOST_STATIONS } from '#core/kit/draft/correct-draft.ts';
import type { Assumption } from '#core/kit/draft/drafting.ts';
import { tell } from '../../../ui/tell.ts';

const hex = (acrossFlatsMm: number): DriveSize => ({ kind: 'hex', acrossFlatsMm });
/** Sockets most joints of a vehicle take; others are set in the kit's own editor. */
const USUAL_MM = [8, 10, 13, 15, 16, 17, 18, 19, 21];
const COUNTS = [2, 4, 5, 6, 8];

const COMPOUNDS = [
  [say('Low locker'), 'threadlockerLow'],
  [say('Medium locker'), 'threadlockerMedium'],
  [say('High locker'), 'threadlockerHigh'],
  [say('Anti-seize'), 'antiSeize'],
  [say('Nothing'), 'none'],
] as const;
const FATES = [
  [say('Goes back'), 'refit'],
  [say('Kept for the owner'), 'keep'],
  [say('Scrapped'), 'scrap'],
] as const;

/** One thing the draft took for granted, with what it may be instead: a tap, and it is settled. */
export function AssumptionRow({
  assumption,
  drives,
  onSettle,
}: {
  assumption: Assumption;
  /** Drives the sheet itself names, offered before the usual ones. */
  drives: readonly DriveSize[];
  onSettle: (correction: Correction) => void;
}) {
  const text = assumptionText(assumption);
  const takes = CORRECTED_BY[assumption.code];
  return (
    <li className="grid gap-1 border-b border-hair py-2 last:border-b-0">
      <p>{text}</p>
      <fieldset className="flex flex-wrap gap-1">
        <legend className="sr-only">{text}</legend>
        {takes === 'stations' && <Count onSettle={onSettle} />}
        {takes === 'drive' &&
          offered(drives).map((drive) => (
            <Chip key={describeDrive(drive)} onTap={() => onSettle({ says: 'drive', drive })}>
              {describeDrive(drive)}
            </Chip>
          ))}
        {takes === 'compound' &&
          COMPOUNDS.map(([name, compound]) => (
            <Chip key={compound} onTap={() => onSettle({ says: 'compound', compound })}>
              {name}
            </Chip>
          ))}
        {takes === 'fate' &&
          FATES.map(([name, fate]) => (
            <Chip key={fate} onTap={() => onSettle({ says: 'fate', fate })}>
              {name}
            </Chip>
          ))}
        <Chip onTap={() => onSettle({ says: 'right' })}>{takes ? say('As it stands') : say('Seen')}</Chip>
      </fieldset>
    </li>
  );
}

function Count({ onSettle }: { onSettle: (correction: Correction) => void }) {
  const [typed, setTyped] = useState('');
  const count = Number(typed);
  const fits = Number.isInteger(count) && count >= 1 && count <= MOST_STATIONS;
  return (
    <>
      {COUNTS.map((many) => (
        <Chip key={many} onTap={() => onSettle({ says: 'stations', count: many })}>
          {tell('{many} of them', { many })}
        </Chip>
      ))}
      <input
        aria-label={say('Another number')}
        inputMode="numeric"
        placeholder={say('other')}
        value={typed}
        aria-invalid={typed !== '' && !fits}
        className="figures min-h-11 w-20 border-2 border-rule bg-sheet px-2 aria-invalid:border-bad"
        onChange={(event) => setTyped(event.target.value.trim())}
        onKeyDown={(event) => {
          if (event.key !== 'Enter') return;
          // Enter settles the count and does not send the form round it.
          event.preventDefault();
          if (fits) onSettle({ says: 'stations', count });
        }}
      />
      {typed !== '' && (
        <Chip disabled={!fits} onTap={() => onSettle({ says: 'stations', count })}>
          {fits ? say('Take it') : say('1 to {mostStations}', { mostStations: MOST_STATIONS })}
        </Chip>
      )}
    </>
  );
}

/** The sheet's own first, then the usual ones it does not name. */
function offered(drives: readonly DriveSize[]): DriveSize[] {
  const named = new Set<string>();
  return [...drives, ...USUAL_MM.map(hex)].filter((drive) => {
    const name = describeDrive(drive);
    if (named.has(name)) return false;
    named.add(name);
    return true;
  });
}

function Chip({
  children,
  onTap,
  disabled = false,
}: {
  children: React.ReactNode;
  onTap: () => void;
  disabled?: boolean;
}) {
  return (
    <button
      type="button"
      disabled={disabled}
      className="min-h-11 border-2 border-rule bg-sheet px-3 text-sm disabled:text-ink-2"
      onClick={onTap}
    >
      {children}
    </button>
  );
}
