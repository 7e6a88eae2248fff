import { useState } from 'react';
import { Link } from 'react-router';
import type { CribWrench, Recheck } from '#contract/crib.ts';
import { mayInCrib } from '#core/crib/crib-role.ts';
import { showTorque } from '#core/quantity/display.ts';
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
    ['Range', rangeText(wrench)],
    ['Square', `${wrench.squareDrive}, ${wrench.kind}${wrench.live ? ', live' : ''}`],
    ['Serial', wrench.serial ?? 'not entered'],
    ['Calibration', `${wrench.calibrationDueOn}, every ${wrench.intervalMonths ?? 12} months`],
    ['Left', due.due ? `due (${due.because === 'pulls' ? '5 000 pulls' : 'by date'})` : `${due.daysLeft} days`],
    ['Allowed', `±${(permissible * 100).toFixed(0)} % (ISO 6789-1)`],
    ['Square to grip', wrench.lengthMm === undefined ? 'not entered' : `${wrench.lengthMm} mm`],
  ];
  return (
    <>
      <main className="min-w-0 flex-1 bg-bench p-5 lg:overflow-y-auto">
        <div className="flex flex-wrap items-center gap-2">
          <h2 className="plate mr-auto text-4xl">{wrench.label}</h2>
          {role === 'lead' && !wrench.of && <Button onClick={() => setOpen('edit')}>Change</Button>}
          {wrench.of ? null : wrench.loan ? (
            <Button onClick={() => setOpen('return')}>Take back</Button>
          ) : (
            <Button onClick={() => setOpen('lend')} disabled={wrench.locked !== undefined}>
              Lend
            </Button>
          )}
          {mayInCrib(role, 'calibrate') && !wrench.of && (
            <Button onClick={() => setOpen('calibrate')}>Calibrate</Button>
          )}
        </div>
        {wrench.of && (
          <p className="mt-3 border-l-4 border-ink bg-sheet p-3">
            {wrench.of.pooled
              ? `Of the pool: it hangs at ${wrench.of.shop}, and is lent, checked and calibrated there.`
              : `It hangs at ${wrench.of.shop}. It pulled here, and was found out since; nobody pulls with it here now.`}
          </p>
        )}
        {wrench.locked && (
          <p role="alert" className="mt-3 border-l-4 border-bad bg-sheet p-3 font-bold text-bad">
            Locked {shopFormat(wrench.locked.atMs, 'd MMM HH:mm')}. {wrench.locked.because}. No pull is taken from it
            until a complete calibration is good.
          </p>
        )}
        {wrench.loan && (
          <p className="mt-3 border-l-4 border-ink bg-sheet p-3">
            Out to <b>{wrench.loan.personName}</b> since {shopFormat(wrench.loan.outAtMs, 'd MMM HH:mm')}.
          </p>
        )}
        <h3 className="plate mt-5 mb-1 text-2xl">Check-pulls</h3>
        <ControlChart
          permissible={permissible}
          label={`Deviation of ${wrench.label} over ${wrench.checks.length} checks`}
          points={wrench.checks.map((check) => ({
            value: check.mean,
            worst: check.worst,
            calibration: check.kind === 'calibration',
            label: `${shopFormat(check.atMs, 'd MMM yyyy HH:mm')}, ${check.kind}: mean ${percentText(check.mean)}, worst ${percentText(check.worst)}, ${check.byName}`,
          }))}
        />
        {chart.signals.length > 0 && (
          <p className="mt-2 border-l-4 border-bad pl-3">
            {chart.signals.at(-1)?.signal === 'sixTrending'
              ? 'Six checks in a row in one direction: it wanders.'
              : chart.signals.at(-1)?.signal === 'eightOneSide'
                ? 'Eight checks on one side of its mean: it has shifted.'
                : 'A check outside its own limits: something changed.'}
            {left !== undefined &&
              ` Going on so, it leaves what is allowed in ${left} ${left === 1 ? 'check' : 'checks'}.`}
          </p>
        )}
        {wrench.checks.length > 0 && (
          <p className="mt-2">
            <Link to={`/book?wrench=${wrench.id}`} className="inline-flex min-h-12 items-center font-bold underline">
              Its drift against use
            </Link>
          </p>
        )}
        {rechecks.length > 0 && <Rechecks list={rechecks} />}
        <h3 className="plate mt-6 mb-1 text-2xl">Certificates</h3>
        {certificates.length === 0 ? (
          <p className="text-ink-2">None recorded here yet.</p>
        ) : (
          <ul className="border-t border-rule">
            {certificates.map((check) => (
              <li key={check.id} className="flex flex-wrap justify-between gap-2 border-b border-hair py-2">
                <span>
                  {shopFormat(check.atMs, 'd MMM yyyy')}, <b>{check.certificate || 'no number'}</b>, {check.byName}
                </span>
                <span className={`figures ${check.within ? '' : 'font-bold text-bad'}`}>
                  worst {percentText(check.worst)}, {check.within ? 'within' : 'out'}
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
            Check-pull
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
    <section aria-label="To be pulled again">
      <h3 className="plate mt-6 mb-1 text-2xl text-bad">To be pulled again: {list.length}</h3>
      <p className="mb-2 text-sm text-ink-2">
        Pulled with this wrench since its last good check. A pull by another wrench clears a station by itself; a closed
        job means calling the vehicle back.
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
                <b>Station {entry.station}</b>
                <span className="block text-sm text-ink-2">
                  {entry.vehicle}, job {entry.jobNumber}
                  {entry.closed ? ', handed over: call it back' : ''} · {first.number} {first.unit},{' '}
                  {shopFormat(entry.pulledAtMs, 'd MMM HH:mm')}
                </span>
              </span>
              <span className="flex gap-2">
                <Link
                  to={`/jobs/${entry.jobId}/${entry.closed ? 'record' : 'torque'}`}
                  className="inline-flex min-h-12 items-center border-2 border-ink bg-sheet px-4 font-bold"
                >
                  To the job
                </Link>
                <Button onClick={() => setSettling(entry)}>Settled</Button>
              </span>
            </li>
          );
        })}
      </ul>
      <ReasonSheet
        open={settling !== undefined}
        onClose={() => setSettling(undefined)}
        title={`Station ${settling?.station ?? ''}`}
        label="How was it settled?"
        confirm="Keep it"
        usual={['Pulled again, did not move', 'Pulled again, moved', 'Vehicle called back']}
        onReason={(how) => {
          const entry = settling;
          setSettling(undefined);
          if (entry) setProving({ entry, how });
        }}
      />
      <Sheet
        open={proving !== undefined}
        onClose={() => setProving(undefined)}
        title={`Station ${proving?.entry.station ?? ''} is settled`}
        description="Others answer by this, so being signed in is not enough."
      >
        <SecretPad label={`PIN of ${person?.name ?? ''}`} onSecret={settle}>
          <Button onClick={() => setProving(undefined)}>Leave it</Button>
        </SecretPad>
      </Sheet>
    </section>
  );
}
