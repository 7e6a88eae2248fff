import { type FormEvent, useState } from 'react';
import { useNavigate } from 'react-router';
import type { DueItem } from '#contract/due.ts';
import { numberOf } from '#contract/wording/number-of.ts';
import { say } from '#contract/wording/say.ts';
import type { RetorqueChoice } from '#core/hand-over/retorque-kit.ts';
import { api, call } from '../../shop/api.ts';
import { useChange, useRetorqueChoices } from '../../shop/queries.ts';
import { useSession } from '../../shop/session.ts';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { BayField } from '../receive/SlotFields.tsx';
import { OdometerField, useOdometer } from './OdometerField.tsx';

const NOT_TEXT: Record<NonNullable<RetorqueChoice['not']>, string> = {
  locked: say('its locker has set: a pull breaks the bond, so look at the stripe'),
  noFigure: say('no figure to pull it at'),
  onceOnly: say('a second pull would stretch it on'),
};

/** A short visit that pulls joints of a signed job again: which, and in which bay. */
export function OpenRetorque({ item, onClose }: { item: DueItem; onClose: () => void }) {
  const { data: choices, failure } = useRetorqueChoices(item.job, item.care);
  const bays = useSession((state) => state.session?.shop.bays ?? 1);
  const change = useChange('due', 'jobs');
  const navigate = useNavigate();
  const [picked, setPicked] = useState<Record<string, boolean>>({});
  const reading = useOdometer(item.vehicle.odometerUnit);
  const [bay, setBay] = useState(1);
  const isOn = ({ group, chosen }: RetorqueChoice): boolean => picked[group] ?? chosen;
  const groups = (choices ?? []).filter(isOn).map(({ group }) => group);
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    if (reading.fault || groups.length === 0) return;
    const json = {
      job: item.job,
      care: item.care,
      groups,
      bay,
      plannedStartMs: Date.now(),
      ...(reading.km === undefined ? {} : { odometerKm: reading.km }),
    };
    await change.act(async () => {
      const { id } = await call(api.due.retorque.$post({ json }));
      navigate(`/jobs/${id}/line`);
    });
  };
  return (
    <Sheet
      open
      onClose={onClose}
      title={say('Pull it again')}
      description={say('{plate}: a visit of its own with these joints, each pulled once more at its figure.', {
        plate: item.vehicle.plate,
      })}
    >
      <form onSubmit={submit} className="grid gap-4">
        {!choices && !failure && <p className="text-ink-2">{say('Reading the record.')}</p>}
        {choices?.length === 0 && <p>{say('No joint of that job stands at its torque.')}</p>}
        <fieldset className="grid gap-2">
          <legend className="sr-only">{say('Joints')}</legend>
          {choices?.map((choice) => (
            <label
              key={choice.group}
              className="flex min-h-14 cursor-pointer items-center gap-3 border-2 border-ink bg-sheet px-3"
            >
              <input
                type="checkbox"
                className="size-6"
                checked={isOn(choice)}
                onChange={(event) => setPicked({ ...picked, [choice.group]: event.target.checked })}
              />
              <span className="break-words">
                <b>{choice.title}</b>, {numberOf(choice.stations.length, 'joint')}
                {choice.not && <span className="block text-sm text-bad">{NOT_TEXT[choice.not]}</span>}
              </span>
            </label>
          ))}
        </fieldset>
        <div className="grid gap-4 sm:grid-cols-2">
          <OdometerField id="again-odometer" when="now" reading={reading} />
          <BayField bay={bay} bays={bays} onBay={setBay} />
        </div>
        {(failure ?? change.failure) && (
          <p role="alert" className="font-bold text-bad">
            {failure ?? change.failure}
          </p>
        )}
        <div className="grid grid-cols-2 gap-2">
          <Button onClick={onClose}>{say('Not now')}</Button>
          <Button
            type="submit"
            tone="primary"
            disabled={change.busy || groups.length === 0 || reading.fault !== undefined}
          >
            {say('Open the visit')}
          </Button>
        </div>
      </form>
    </Sheet>
  );
}
