import { useState } from 'react';
import { Link, useParams } from 'react-router';
import type { PastVisit } from '#contract/vehicle.ts';
import { END_TEXT } from '#contract/wording/en/terms.ts';
import { RATING_TEXT } from '#contract/wording/en/vehicle.ts';
import { say, thousands } from '#contract/wording/say.ts';
import { buildMonthText, vehicleDoubtText } from '#contract/wording/vehicle-text.ts';
import { KM_PER_MILE } from '#core/vehicle/odometer.ts';
import { type Ratings, type Vehicle, vehicleDoubts } from '#core/vehicle/vehicle.ts';
import { TopBar } from '../../app/TopBar.tsx';
import { VehicleOutline } from '../../drawing/VehicleOutline.tsx';
import { useVehicleHistory } from '../../shop/queries.ts';
import { shopFormat } from '../../shop/shop-time.ts';
import { Button } from '../../ui/Button.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { tell } from '../../ui/tell.ts';
import { Contact } from './Contact.tsx';
import { EraseOwner } from './EraseOwner.tsx';
import { Loads } from './Loads.tsx';
import { VehicleForm } from './VehicleForm.tsx';

/** A vehicle: what it is, what it carries, and every visit with its joints drawn where they are. */
export default function VehicleScreen() {
  const { vehicleId = '' } = useParams();
  const { data: history, failure, problem, reload } = useVehicleHistory(vehicleId);
  const [editing, setEditing] = useState(false);
  if (problem === 'unknownVehicle')
    return (
      <Notice
        title={say('No such vehicle')}
        detail={say('This shop has no vehicle at this address.')}
        secondary={{ to: '/vehicles', label: say('To the vehicles') }}
      />
    );
  if (!history)
    return failure ? (
      <Notice title={say('Not reachable')} detail={failure} action={say('Try again')} onAction={() => void reload()} />
    ) : (
      <Notice title={say('One moment')} detail={say('Reading the vehicle.')} busy />
    );
  const { vehicle, visits } = history;
  const dots = visits.flatMap((visit) =>
    visit.joints.flatMap((joint) =>
      joint.spot
        ? [
            {
              key: `${visit.id} ${joint.station}`,
              spot: joint.spot,
              done: joint.done,
              label: say('{group}, station {label}: {printed}{which}', {
                group: joint.group,
                label: joint.label,
                printed: joint.printed,
                which: joint.by ? `, ${joint.by}` : '',
              }),
            },
          ]
        : [],
    ),
  );
  const unplaced = visits.flatMap((visit) => visit.joints).filter((joint) => !joint.spot).length;
  return (
    <div className="flex min-h-dvh flex-col">
      <TopBar />
      <div className="flex flex-1 flex-col lg:flex-row">
        <main className="flex-1 bg-bench px-5 py-4">
          <div className="flex flex-wrap items-start justify-between gap-3">
            <div className="min-w-0">
              <h1 className="plate text-4xl">
                {vehicle.make} {vehicle.model}
              </h1>
              <p className="text-ink-2">
                <span className="figures font-bold text-ink">{vehicle.plate || say('no plate')}</span>, {vehicle.owner}
                <Contact contact={vehicle.contact} />
              </p>
            </div>
            <Link
              className="inline-flex min-h-14 items-center bg-paint px-5 text-lg font-bold text-on-paint"
              to={`/receive?vehicle=${encodeURIComponent(vehicle.id)}`}
            >
              {say('Open a job')}
            </Link>
          </div>
          <div className="mt-3 max-w-3xl border-2 border-ink">
            <VehicleOutline
              dots={dots}
              title={say('{count} joints worked on, seen from above', { count: dots.length })}
            />
          </div>
          <p className="mt-1 text-sm text-ink-2">
            {dots.length === 0
              ? say('No joint of a past visit has a place on the vehicle yet.')
              : say('{count} joints drawn, seen from above.', { count: dots.length })}
            {unplaced > 0 && say(' {unplaced} joints have no place in their kit.', { unplaced })}
          </p>
          <Loads vehicle={vehicle} />
          <h2 className="plate mt-5 text-3xl">{say('Visits')}</h2>
          {visits.length === 0 && <p className="text-ink-2">{say('This vehicle has not been here yet.')}</p>}
          {visits.map((visit) => (
            <Visit key={visit.id} visit={visit} unit={vehicle.odometerUnit ?? 'km'} />
          ))}
        </main>
        <aside className="shrink-0 border-ink bg-sheet p-5 lg:w-[400px] lg:border-l-2">
          <div className="flex items-center justify-between gap-3">
            <h2 className="plate text-3xl">{say('Facts')}</h2>
            <Button onClick={() => setEditing(true)}>{say('Change')}</Button>
          </div>
          <Facts vehicle={vehicle} />
          <EraseOwner vehicle={vehicle.id} onErased={() => void reload()} />
        </aside>
      </div>
      <Sheet open={editing} onClose={() => setEditing(false)} title={say('Change the vehicle')} wide>
        <VehicleForm
          key={history.version}
          stored={history}
          onLeave={() => {
            setEditing(false);
            void reload();
          }}
          onSaved={() => {
            setEditing(false);
            void reload();
          }}
        />
      </Sheet>
    </div>
  );
}

const distance = (km: number, unit: 'km' | 'mi'): string =>
  unit === 'mi' ? `${thousands(km / KM_PER_MILE)} mi` : `${thousands(km)} km`;

function Facts({ vehicle }: { vehicle: Vehicle }) {
  const { ratings = {}, wheels } = vehicle;
  const unit = vehicle.odometerUnit ?? 'km';
  const facts: Array<[string, string | undefined]> = [
    [say('Model year'), vehicle.modelYear?.toString()],
    [say('Built in'), vehicle.buildMonth === undefined ? undefined : buildMonthText(vehicle.buildMonth)],
    [say('Engine'), vehicle.engine],
    [say('Gearbox'), vehicle.gearbox],
    [say('Driven wheels'), vehicle.drivenWheels],
    [say('Body'), vehicle.body],
    ['VIN', vehicle.vin],
    [say('Odometer'), vehicle.odometerKm === undefined ? undefined : distance(vehicle.odometerKm, unit)],
    [
      say('Wheel studs'),
      wheels &&
        [
          wheels.thread,
          wheels.nutSeat && say('{nutSeat} seat', { nutSeat: wheels.nutSeat }),
          wheels.perWheel && say('{perWheel} a wheel', { perWheel: wheels.perWheel }),
        ]
          .filter(Boolean)
          .join(', '),
    ],
    [say('Wheel torque'), wheels?.torque],
    [say('Tyre'), wheels?.tyre],
    ...(Object.entries(RATING_TEXT) as Array<[keyof Ratings, string]>).map(
      ([field, label]): [string, string | undefined] => [
        `${label.charAt(0).toUpperCase()}${label.slice(1)}`,
        ratings[field] === undefined ? undefined : `${ratings[field]} kg`,
      ],
    ),
  ];
  return (
    <>
      <dl className="mt-2 grid grid-cols-[9.5rem_1fr] border-t border-rule">
        {facts.map(([name, text]) => (
          <div key={name} className="contents">
            <dt className="border-b border-hair py-1.5 text-ink-2">{name}</dt>
            <dd className={`border-b border-hair py-1.5 break-words ${text ? 'font-bold' : 'text-ink-2'}`}>
              {text || say('not known')}
            </dd>
          </div>
        ))}
      </dl>
      {vehicleDoubts(vehicle).map((doubt) => (
        <p key={vehicleDoubtText(doubt)} className="mt-2 border-l-4 border-bad pl-3 text-sm">
          {vehicleDoubtText(doubt)}
        </p>
      ))}
      <h3 className="mt-4 font-bold">{say('Already fitted')}</h3>
      {vehicle.fitted === undefined && <p className="text-ink-2">{say('Nobody has looked yet: kits will ask.')}</p>}
      {vehicle.fitted?.length === 0 && <p className="text-ink-2">{say('Nothing beyond its maker’s.')}</p>}
      <ul>
        {vehicle.fitted?.map((entry) => (
          <li key={entry.word} className="border-b border-hair py-1">
            {entry.word}
            {entry.amount && <span className="figures"> {entry.amount.printed}</span>}
            <span className="block text-sm text-ink-2">
              {[entry.note, entry.since, entry.jobNumber && say('job {jobNumber}', { jobNumber: entry.jobNumber })]
                .filter(Boolean)
                .join(', ')}
            </span>
          </li>
        ))}
      </ul>
      {vehicle.boltUses && vehicle.boltUses.length > 0 && (
        <>
          <h3 className="mt-4 font-bold">{say('Bolts that went back in')}</h3>
          <ul>
            {vehicle.boltUses.map(({ bolt, uses }) => (
              <li key={bolt} className="flex justify-between gap-3 border-b border-hair py-1">
                {bolt}
                <span className="figures text-ink-2">
                  {tell('tightened {which}', { which: uses === 1 ? say('once') : say('{uses} times', { uses }) })}
                </span>
              </li>
            ))}
          </ul>
        </>
      )}
    </>
  );
}

function Visit({ visit, unit }: { visit: PastVisit; unit: 'km' | 'mi' }) {
  const [open, setOpen] = useState(false);
  const done = visit.joints.filter((joint) => joint.done).length;
  return (
    <section className="border-b border-rule py-3">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <div>
          <h3 className="font-bold">{visit.kits.join(' + ')}</h3>
          <p className="text-sm text-ink-2">
            {tell('Job {number}, {shopFormat}{odometerKm}. {which}, {done} of {count} joints done.', {
              number: visit.number,
              shopFormat: shopFormat(visit.startedMs, 'd MMM yyyy'),
              odometerKm: visit.odometerKm !== undefined && `, ${distance(visit.odometerKm, unit)}`,
              which: visit.closedAtMs ? say('Closed') : say('Open'),
              done,
              count: visit.joints.length,
            })}
          </p>
        </div>
        <span className="flex gap-2">
          <Button aria-expanded={open} onClick={() => setOpen(!open)}>
            {open ? say('Fold away') : say('Joints')}
          </Button>
          <Link
            className="inline-flex min-h-14 items-center border-2 border-ink bg-sheet px-4 font-bold"
            to={`/jobs/${visit.id}/record`}
          >
            {say('Record', {}, 'noun')}
          </Link>
        </span>
      </div>
      {open && (
        <>
          <table className="mt-2 w-full text-left">
            <thead className="text-sm text-ink-2">
              <tr>
                <th className="py-1 font-normal">{say('Station')}</th>
                <th className="py-1 font-normal">{say('Asked')}</th>
                <th className="py-1 text-right font-normal">N·m</th>
                <th className="hidden py-1 pl-3 font-normal sm:table-cell">{say('Wrench and fitter')}</th>
              </tr>
            </thead>
            <tbody>
              {visit.joints.map((joint) => (
                <tr key={joint.station} className="border-t border-hair">
                  <td className="py-1">
                    <span className="figures font-bold">{joint.label}</span> {joint.name}
                  </td>
                  <td className="figures py-1">{joint.printed}</td>
                  <td className="figures py-1 text-right font-bold">
                    {joint.torqueNm?.toFixed(1) ?? (joint.done ? say('done') : say('open'))}
                  </td>
                  <td className="hidden py-1 pl-3 text-ink-2 sm:table-cell">
                    {[joint.wrench, joint.by].filter(Boolean).join(', ')}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          {visit.debts.length > 0 && (
            <ul className="mt-2 text-sm">
              {visit.debts.map((debt) => (
                <li key={debt.name} className="border-t border-hair py-1">
                  {debt.count > 1 ? `${debt.count} × ` : ''}
                  {debt.name}:{' '}
                  {debt.ended < debt.count
                    ? say('{count} not accounted for', { count: debt.count - debt.ended })
                    : debt.ends.map((end) => END_TEXT[end]).join(', ')}
                </li>
              ))}
            </ul>
          )}
        </>
      )}
    </section>
  );
}
