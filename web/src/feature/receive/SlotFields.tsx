import { JOB_PLACES, type JobPlace, type JobSlot } from '#contract/job.ts';
import { closedText } from '#contract/wording/opening-hours-text.ts';
import { say } from '#contract/wording/say.ts';
import { useCribRead } from '../../shop/queries.ts';
import { closedThen, fromField, toField } from '../../shop/shop-time.ts';
import { Button } from '../../ui/Button.tsx';

export const PLACE_TEXT: Record<JobPlace, string> = {
  bay: say('In the bay'),
  yard: say('In the yard'),
  customer: say('At the owner’s'),
};

const LOOK = 'figures min-h-14 w-full border-2 border-ink bg-sheet px-3';

/** One of the shop's bays. */
export function BayField({ bay, bays, onBay }: { bay: number; bays: number; onBay: (bay: number) => void }) {
  return (
    <label className="grid gap-1">
      <span className="text-sm text-ink-2">{say('Bay')}</span>
      <select className={LOOK} value={bay} onChange={(event) => onBay(Number(event.target.value))}>
        {Array.from({ length: bays }, (_, index) => index + 1).map((number) => (
          <option key={number}>{number}</option>
        ))}
      </select>
    </label>
  );
}

/** Where it is worked, by whom, and until when it was promised. */
export function SlotFields({
  slot,
  startMs,
  onSlot,
}: {
  slot: JobSlot;
  startMs: number;
  onSlot: (slot: JobSlot) => void;
}) {
  const { data: crib } = useCribRead();
  const { place = 'bay', fitters = [], promisedMs } = slot;
  const early = promisedMs !== undefined && Number.isFinite(startMs) && promisedMs < startMs;
  return (
    <>
      <fieldset className="col-span-2 grid grid-cols-3 gap-2">
        <legend className="mb-1 text-sm text-ink-2">{say('Place')}</legend>
        {JOB_PLACES.map((one) => (
          <Button
            key={one}
            className="px-1!"
            tone={one === place ? 'dark' : 'plain'}
            aria-pressed={one === place}
            onClick={() => onSlot({ ...slot, place: one })}
          >
            {PLACE_TEXT[one]}
          </Button>
        ))}
      </fieldset>
      {crib && crib.people.length > 0 && (
        <fieldset className="col-span-2">
          <legend className="mb-1 text-sm text-ink-2">{say('Who works on it')}</legend>
          <div className="flex flex-wrap gap-2">
            {crib.people.map(({ id, name }) => {
              const on = fitters.includes(id);
              return (
                <Button
                  key={id}
                  className="px-3!"
                  tone={on ? 'dark' : 'plain'}
                  aria-pressed={on}
                  onClick={() =>
                    onSlot({ ...slot, fitters: on ? fitters.filter((one) => one !== id) : [...fitters, id] })
                  }
                >
                  {name}
                </Button>
              );
            })}
          </div>
        </fieldset>
      )}
      <label className="col-span-2 grid gap-1">
        <span className="text-sm text-ink-2">{say('Promised for')}</span>
        <input
          type="datetime-local"
          className={LOOK}
          value={promisedMs === undefined ? '' : toField(promisedMs)}
          onChange={(event) => {
            const atMs = fromField(event.target.value);
            onSlot({ ...slot, promisedMs: Number.isFinite(atMs) ? atMs : undefined });
          }}
        />
        {early && <span className="text-bad">{say('Promised before it begins.')}</span>}
        {promisedMs !== undefined && <ClosedNote atMs={promisedMs} />}
      </label>
    </>
  );
}

/** That nobody is at the shop then; it may be planned so all the same. */
export function ClosedNote({ atMs }: { atMs: number }) {
  const closed = closedThen(atMs);
  return closed ? <span className="text-bad">{closedText(closed)}</span> : null;
}

/** Whether a slot can be kept. */
export const slotStands = ({ promisedMs }: JobSlot, startMs: number): boolean =>
  Number.isFinite(startMs) && (promisedMs === undefined || promisedMs >= startMs);
