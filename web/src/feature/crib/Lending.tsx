import { useRef, useState } from 'react';
import { v4 as uuid } from 'uuid';
import { say } from '#contract/wording/say.ts';
import type { Loan } from '#core/crib/crib-tool.ts';
import { api, call } from '../../shop/api.ts';
import { useJobs } from '../../shop/queries.ts';
import { useSession } from '../../shop/session.ts';
import { shopDayStart } from '../../shop/shop-time.ts';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { tell } from '../../ui/tell.ts';
import { useOpenCrib } from './CribShell.tsx';

/** Gives a thing to a person, for a job or for none. Lent for a job, it keeps the job open until it is back. */
export function LendSheet({
  thing,
  onClose,
}: {
  thing: { thing: 'wrench' | 'tool'; id: string; name: string };
  onClose: () => void;
}) {
  const { crib, act } = useOpenCrib();
  const me = useSession((state) => state.session?.person.id);
  const [person, setPerson] = useState(me ?? '');
  const [job, setJob] = useState('');
  const id = useRef(uuid());
  const today = shopDayStart(Date.now());
  const { data, failure: fault } = useJobs(today, shopDayStart(today, 1));
  const jobs = data?.filter((card) => card.closedAtMs === undefined);
  return (
    <Sheet
      open
      onClose={onClose}
      title={say('Lend {name}', { name: thing.name })}
      description={say('Lent for a job, it must be back before the job can be closed.')}
    >
      <form
        className="grid gap-4"
        onSubmit={async (event) => {
          event.preventDefault();
          const lent = await act(() =>
            call(
              api.crib.loans.$post({
                json: {
                  id: id.current,
                  thing: thing.thing,
                  thingId: thing.id,
                  personId: person,
                  jobId: job || undefined,
                },
              }),
            ),
          );
          if (lent) onClose();
        }}
      >
        <label className="grid gap-1">
          <span className="font-bold">{say('To')}</span>
          <select
            className="min-h-14 border-2 border-ink bg-sheet px-3"
            value={person}
            onChange={(event) => setPerson(event.target.value)}
          >
            {crib.people.map((entry) => (
              <option key={entry.id} value={entry.id}>
                {entry.name}
              </option>
            ))}
          </select>
        </label>
        <label className="grid gap-1">
          <span className="font-bold">{say('For')}</span>
          <select
            className="min-h-14 border-2 border-ink bg-sheet px-3"
            value={job}
            onChange={(event) => setJob(event.target.value)}
          >
            <option value="">{say('no job')}</option>
            {jobs?.map((card) => (
              <option key={card.id} value={card.id}>
                {card.number}, {card.vehicle.model}, {card.kitTitle}
              </option>
            ))}
          </select>
        </label>
        {fault && <p className="text-bad">{fault}</p>}
        <div className="grid grid-cols-2 gap-2">
          <Button onClick={onClose}>{say('Leave it')}</Button>
          <Button type="submit" tone="primary" disabled={person === ''}>
            {say('Lend it')}
          </Button>
        </div>
      </form>
    </Sheet>
  );
}

/** Takes a thing back. A click wrench goes back with its spring at the lowest mark; what cannot be found is said so. */
export function ReturnSheet({ loan, click = false, onClose }: { loan: Loan; click?: boolean; onClose: () => void }) {
  const { act } = useOpenCrib();
  const [low, setLow] = useState(false);
  const [missing, setMissing] = useState<string>();
  const send = async (body: { setToLow?: boolean; missing?: string }) => {
    if (await act(() => call(api.crib.loans[':id'].return.$post({ param: { id: loan.id }, json: body })))) onClose();
  };
  return (
    <Sheet
      open
      onClose={onClose}
      title={say('{thingName} from {personName}', { thingName: loan.thingName, personName: loan.personName })}
      description={loan.jobId ? say('Its job stays open until it is back.') : say('Lent for no job.')}
    >
      {missing === undefined ? (
        <div className="grid gap-4">
          {click && (
            <label className="flex min-h-14 items-center gap-3 border-2 border-ink px-4">
              <input
                type="checkbox"
                className="size-6 accent-(--ink)"
                checked={low}
                onChange={(event) => setLow(event.target.checked)}
              />
              <span>
                {tell('{b} A spring left wound loses its calibration; never below the mark.', {
                  b: <b>{say('Set back to its lowest mark.')}</b>,
                })}
              </span>
            </label>
          )}
          <div className="grid grid-cols-2 gap-2">
            {loan.thing === 'tool' && (
              <Button tone="bad" onClick={() => setMissing('')}>
                {say('It is missing')}
              </Button>
            )}
            <Button
              tone="primary"
              className={loan.thing === 'tool' ? '' : 'col-span-2'}
              disabled={click && !low}
              onClick={() => void send(click ? { setToLow: true } : {})}
            >
              {say('It is back')}
            </Button>
          </div>
        </div>
      ) : (
        <form
          className="grid gap-4"
          onSubmit={(event) => {
            event.preventDefault();
            void send({ missing: missing.trim() });
          }}
        >
          <label className="grid gap-1">
            <span className="font-bold">{say('Where was it looked for?')}</span>
            <textarea
              className="min-h-24 border-2 border-ink bg-sheet p-3"
              maxLength={500}
              value={missing}
              onChange={(event) => setMissing(event.target.value)}
            />
          </label>
          <div className="grid grid-cols-2 gap-2">
            <Button onClick={() => setMissing(undefined)}>{say('Look again')}</Button>
            <Button type="submit" tone="primary" disabled={missing.trim() === ''}>
              {say('Report it missing')}
            </Button>
          </div>
        </form>
      )}
    </Sheet>
  );
}
