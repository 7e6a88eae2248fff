import { useState } from 'react';
import { Link } from 'react-router';
import type { CribWrench, Recheck } from '#contract/crib.ts';
import { say } from '#contract/wording/say.ts';
import { WRENCH_KIND_TEXT } from '#contract/wording/wrench-text.ts';
import { mayInCrib } from '#core/crib/crib-role.ts';
import { showTorque, written } from '#core/quantity/display.ts';
import { calibrationDue, permissibleDeviation } from '#core/wrench/calibration.ts';
import { checksUntilOut, controlChart } from '#core/wrench/control-chart.ts';
import { dayOf } from '#core/wrench/suitable-wrench.ts';
import { ControlChart } from '../../drawing/ControlChart.tsx';
import { api, call } from '../../shop/api.ts';
import { secretRefusedText } from '../../shop/secret-text.ts';
import { useSession } from '../../shop/session.ts';
import { useSettings } from '../../shop/settings.ts';
import { shopFormat } from '../../shop/shop-time.ts';
import { Button } from '../../ui/Button.tsx';
import { ReasonSheet } from '../../ui/ReasonSheet.tsx';
import { SecretPad } from '../../ui/SecretPad.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { tell } from '../../ui/tell.ts';
import { useNow } from '../../ui/use-now.ts';
import { Calibrate } from './Calibrate.tsx';
import { CheckPull } from './CheckPull.tsx';
import { useOpenCrib } from './CribShell.tsx';
import { LendSheet, ReturnSheet } from './Lending.tsx';
import { WrenchForm } from './WrenchForm.tsx';
import { percentText, rangeText } from './wrench-text.ts';

type Open = 'check' | 'calibrate' | 'lend' | 'return' | 'edit' | undefined;

/** One wrench: what it is, how it reads over time, who has it, what must be pulled again. */
export function WrenchDetail({ wrench }: { wrench: CribWrench }) {
  const { crib, act } = useOpenCrib();
  const role = useSession((state) => state.session?.person.role) ?? 'apprentice';
  const [open, setOpen] = useState<Open>();
  const nowMs = useNow(60_000);
  const due = calibrationDue(wrench, dayOf(nowMs));
  const permissible = permissibleDeviation(wrench.fullScaleNm, wrench.kind);
  const means = wrench.checks.map((check) => check.mean);
  const chart = controlChart(means);
  const left = checksUntilOut(means, permissible);
  const rechecks = crib.rechecks.filter((entry) => entry.wrenchId === wrench.id);
  const certificates = wrench.checks.filter((check) => check.kind === 'calibration');
  const facts: Array<[string, string]> = [
    [say('Range'), rangeText(wrench)],
    [say('Square'), `${wrench.squareDrive}, ${WRENCH_KIND_TEXT[wrench.kind]}${wrench.live ? say(', live') : ''}`],
    [say('Serial'), wrench.serial ?? say('not entered')],
    [
      say('Calibration'),
      say('{calibrationDueOn}, every {intervalMonths} months', {
        calibrationDueOn: wrench.calibrationDueOn,
        intervalMonths: wrench.intervalMonths ?? 12,
      }),
    ],
    [
      say('Still left'),
      due.due
        ? say('due ({which})', { which: due.because === 'pulls' ? say('5 000 pulls') : say('by date') })
        : say('{daysLeft} days', { daysLeft: due.daysLeft }),
    ],
    [say('Allowed'), say('±{permissible} % (ISO 6789-1)', { permissible: written(permissible * 100, 0) })],
    [say('Square to grip'), wrench.lengthMm === undefined ? say('not entered') : `${wrench.lengthMm} mm`],
  ];
  return (
    <>
      <main className="min-w-0 flex-1 bg-bench p-5 lg:overflow-y-auto">
        <div className="flex flex-wrap items-center gap-2">
          <h2 className="plate mr-auto text-4xl">{wrench.label}</h2>
          {role === 'lead' && !wrench.of && <Button onClick={() => setOpen('edit')}>{say('Change')}</Button>}
          {wrench.of ? null : wrench.loan ? (
            <Button onClick={() => setOpen('return')}>{say('Take back')}</Button>
          ) : (
            <Button onClick={() => setOpen('lend')} disabled={wrench.locked !== undefined}>
              {say('Lend')}
            </Button>
          )}
          {mayInCrib(role, 'calibrate') && !wrench.of && (
            <Button onClick={() => setOpen('calibrate')}>{say('Calibrate')}</Button>
          )}
        </div>
        {wrench.of && (
          <p className="mt-3 border-l-4 border-ink bg-sheet p-3">
            {wrench.of.pooled
              ? say('Of the pool: it hangs at {shop}, and is lent, checked and calibrated there.', {
                  shop: wrench.of.shop,
                })
              : say('It hangs at {shop}. It pulled here, and was found out since; nobody pulls with it here now.', {
                  shop: wrench.of.shop,
                })}
          </p>
        )}
        {wrench.locked && (
          <p role="alert" className="mt-3 border-l-4 border-bad bg-sheet p-3 font-bold text-bad">
            {tell('Locked {shopFormat}. {because}. No pull is taken from it until a complete calibration is good.', {
              shopFormat: shopFormat(wrench.locked.atMs, 'd MMM HH:mm'),
              because: wrench.locked.because,
            })}
          </p>
        )}
        {wrench.loan && (
          <p className="mt-3 border-l-4 border-ink bg-sheet p-3">
            {tell('Out to {personName} since {shopFormat}.', {
              personName: <b>{wrench.loan.personName}</b>,
              shopFormat: shopFormat(wrench.loan.outAtMs, 'd MMM HH:mm'),
            })}
          </p>
        )}
        <h3 className="plate mt-5 mb-1 text-2xl">{say('Check-pulls')}</h3>
        <ControlChart
          permissible={permissible}
          label={say('Deviation of {label} over {count} checks', { label: wrench.label, count: wrench.checks.length })}
          points={wrench.checks.map((check) => ({
            value: check.mean,
            worst: check.worst,
            calibration: check.kind === 'calibration',
            label: say('{shopFormat}, {kind}: mean {percentText}, worst {percentText2}, {byName}', {
              shopFormat: shopFormat(check.atMs, 'd MMM yyyy HH:mm'),
              kind: check.kind,
              percentText: percentText(check.mean),
              percentText2: percentText(check.worst),
              byName: check.byName,
            }),
          }))}
        />
        {chart.signals.length > 0 && (
          <p className="mt-2 border-l-4 border-bad pl-3">
            {chart.signals.at(-1)?.signal === 'sixTrending'
              ? say('Six checks in a row in one direction: it wanders.')
              : chart.signals.at(-1)?.signal === 'eightOneSide'
                ? say('Eight checks on one side of its mean: it has shifted.')
                : say('A check outside its own limits: something changed.')}
            {left !== undefined &&
              say(' Going on so, it leaves what is allowed in {left} {left, plural, one {check} other {checks}}.', {
                left,
              })}
          </p>
        )}
        {wrench.checks.length > 0 && (
          <p className="mt-2">
            <Link to={`/book?wrench=${wrench.id}`} className="inline-flex min-h-12 items-center font-bold underline">
              {say('Its drift against use')}
            </Link>
          </p>
        )}
        {rechecks.length > 0 && <Rechecks list={rechecks} />}
        <h3 className="plate mt-6 mb-1 text-2xl">{say('Certificates')}</h3>
        {certificates.length === 0 ? (
          <p className="text-ink-2">{say('None recorded here yet.')}</p>
        ) : (
          <ul className="border-t border-rule">
            {certificates.map((check) => (
              <li key={check.id} className="flex flex-wrap justify-between gap-2 border-b border-hair py-2">
                <span>
                  {shopFormat(check.atMs, 'd MMM yyyy')}, <b>{check.certificate || say('no number')}</b>, {check.byName}
                </span>
                <span className={`figures ${check.within ? '' : 'font-bold text-bad'}`}>
                  {tell('worst {percentText}, {which}', {
                    percentText: percentText(check.worst),
                    which: check.within ? say('within') : say('out'),
                  })}
                </span>
              </li>
            ))}
          </ul>
        )}
      </main>
      <aside className="flex shrink-0 flex-col border-ink bg-sheet lg:w-[320px] lg:border-l-2">
        <dl className="flex-1 p-5 pb-28 lg:overflow-y-auto lg:pb-5">
          {facts.map(([name, text]) => (
            <div key={name} className="border-b border-hair py-2">
              <dt className="text-sm text-ink-2">{name}</dt>
              <dd className="figures">{text}</dd>
            </div>
          ))}
        </dl>
        {!wrench.of && (
          <button
            type="button"
            className="thumb-bar plate flex min-h-20 w-full items-center justify-between bg-paint px-6 text-left text-3xl text-on-paint"
            onClick={() => setOpen('check')}
          >
            {say('Check-pull')}
          </button>
        )}
      </aside>
      {open === 'check' && <CheckPull wrench={wrench} onClose={() => setOpen(undefined)} />}
      {open === 'calibrate' && <Calibrate wrench={wrench} onClose={() => setOpen(undefined)} />}
      {open === 'lend' && (
        <LendSheet thing={{ thing: 'wrench', id: wrench.id, name: wrench.label }} onClose={() => setOpen(undefined)} />
      )}
      {open === 'return' && wrench.loan && (
        <ReturnSheet loan={wrench.loan} click={wrench.kind === 'click'} onClose={() => setOpen(undefined)} />
      )}
      {open === 'edit' && (
        <WrenchForm
          wrench={wrench}
          onClose={() => setOpen(undefined)}
          onRetire={() => {
            setOpen(undefined);
            void act(() => call(api.crib.wrenches[':id'].$delete({ param: { id: wrench.id } })));
          }}
        />
      )}
    </>
  );
}

/** Stations whose torque is in doubt, each settled by name. */
function Rechecks({ list }: { list: readonly Recheck[] }) {
  const { act } = useOpenCrib();
  const system = useSettings((settings) => settings.system);
  const person = useSession((state) => state.session?.person);
  const [settling, setSettling] = useState<Recheck>();
  const [proving, setProving] = useState<{ entry: Recheck; how: string }>();
  const settle = async (secret: string): Promise<string | undefined> => {
    if (!proving) return undefined;
    const { wrenchId: wrench, jobId: job, stationId: station } = proving.entry;
    let refused: string | undefined;
    await act(async () => {
      try {
        await call(api.crib.rechecks.$post({ json: { wrench, job, station, how: proving.how, secret } }));
        setProving(undefined);
      } catch (error) {
        refused = secretRefusedText(error);
      }
    });
    return refused;
  };
  return (
    <section aria-label={say('To be pulled again')}>
      <h3 className="plate mt-6 mb-1 text-2xl text-bad">
        {tell('To be pulled again: {count}', { count: list.length })}
      </h3>
      <p className="mb-2 text-sm text-ink-2">
        {say(
          'Pulled with this wrench since its last good check. A pull by another wrench clears a station by itself; a closed job means calling the vehicle back.',
        )}
      </p>
      <ul className="border-t-2 border-ink">
        {list.map((entry) => {
          const { first } = showTorque(entry.torqueNm, system);
          return (
            <li
              key={`${entry.jobId}-${entry.stationId}`}
              className="flex flex-wrap items-center justify-between gap-3 border-b border-rule py-2"
            >
              <span>
                <b>{tell('Station {station}', { station: entry.station })}</b>
                <span className="block text-sm text-ink-2">
                  {tell('{vehicle}, job {jobNumber}{which} · {number}  {unit}, {shopFormat}', {
                    vehicle: entry.vehicle,
                    jobNumber: entry.jobNumber,
                    which: entry.closed ? say(', handed over: call it back') : '',
                    number: first.number,
                    unit: first.unit,
                    shopFormat: shopFormat(entry.pulledAtMs, 'd MMM HH:mm'),
                  })}
                </span>
              </span>
              <span className="flex gap-2">
                <Link
                  to={`/jobs/${entry.jobId}/${entry.closed ? 'record' : 'torque'}`}
                  className="inline-flex min-h-12 items-center border-2 border-ink bg-sheet px-4 font-bold"
                >
                  {say('To the job')}
                </Link>
                <Button onClick={() => setSettling(entry)}>{say('Settled')}</Button>
              </span>
            </li>
          );
        })}
      </ul>
      <ReasonSheet
        open={settling !== undefined}
        onClose={() => setSettling(undefined)}
        title={say('Station {station}', { station: settling?.station ?? '' })}
        label={say('How was it settled?')}
        confirm={say('Keep it')}
        usual={[say('Pulled again, did not move'), say('Pulled again, moved'), say('Vehicle called back')]}
        onReason={(how) => {
          const entry = settling;
          setSettling(undefined);
          if (entry) setProving({ entry, how });
        }}
      />
      <Sheet
        open={proving !== undefined}
        onClose={() => setProving(undefined)}
        title={say('Station {station} is settled', { station: proving?.entry.station ?? '' })}
        description={say('Others answer by this, so being signed in is not enough.')}
      >
        <SecretPad label={say('PIN of {name}', { name: person?.name ?? '' })} onSecret={settle}>
          <Button onClick={() => setProving(undefined)}>{say('Leave it')}</Button>
        </SecretPad>
      </Sheet>
    </section>
  );
}
