import { format, setHours, startOfHour } from 'date-fns';
import { useEffect, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import type { VehicleCard } from '#contract/job.ts';
import type { Problem } from '#contract/problem.ts';
import type { Answers } from '#core/kit/condition.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { fitVerdicts, openQuestions, resolve, withVehicleAnswers } from '#core/kit/resolve.ts';
import { api, call, ProblemError, UnreachableError } from '../../app/api.ts';
import { useSession } from '../../app/session-store.ts';
import { TopBar } from '../../app/TopBar.tsx';
import { usePrimaryKey } from '../../app/use-primary-key.ts';
import { ActionBar } from '../../ui/Button.tsx';
import { ImportKit } from './ImportKit.tsx';
import { PlanSummary } from './PlanSummary.tsx';
import { QuestionField } from './Questions.tsx';

interface Library {
  vehicles: VehicleCard[];
  kits: KitDocument[];
}

/** Receive: the vehicle, the kit, its questions, and what the answers make of it. */
export default function NewJob() {
  const navigate = useNavigate();
  const bays = useSession((state) => state.session?.shop.bays ?? 1);
  const expire = useSession((state) => state.expire);
  const [library, setLibrary] = useState<Library>();
  const [failure, setFailure] = useState<string>();
  const [vehicleId, setVehicleId] = useState<string>();
  const [kitId, setKitId] = useState<string>();
  const [answers, setAnswers] = useState<Answers>({});
  const [bay, setBay] = useState(1);
  const [start, setStart] = useState(() => format(startOfHour(new Date()), "yyyy-MM-dd'T'HH:mm"));
  const [odometer, setOdometer] = useState('');
  const [busy, setBusy] = useState(false);

  const load = useMemo(
    () => async () => {
      try {
        const [vehicles, kits] = await Promise.all([call(api.vehicles.$get()), call(api.kits.$get())]);
        setLibrary({ vehicles, kits: kits as KitDocument[] });
        setFailure(undefined);
      } catch (error) {
        if (error instanceof UnreachableError)
          setFailure('The server cannot be reached. A job can only be opened with it.');
        else if (error instanceof ProblemError && error.problem.code === 'notSignedIn') expire();
        else throw error;
      }
    },
    [expire],
  );
  useEffect(() => {
    void load();
  }, [load]);

  const vehicle = library?.vehicles.find((entry) => entry.id === vehicleId);
  const kit = library?.kits.find((entry) => entry.id === kitId);
  const effective = vehicle && kit ? withVehicleAnswers(kit, vehicle, answers) : {};
  const resolved = vehicle && kit ? resolve(kit, vehicle, answers) : undefined;
  const misfit =
    vehicle && kit ? fitVerdicts(kit, vehicle, answers).find((verdict) => verdict.truth === 'false') : undefined;
  const open = kit ? openQuestions(kit, effective) : [];
  const asked =
    kit?.questions.filter(
      (question) => effective[question.id] !== undefined || open.some((entry) => entry.id === question.id),
    ) ?? [];
  const next = open[0];
  // One question at a time: those answered, and the next one.
  const shown = asked.filter((question) => effective[question.id] !== undefined || question.id === next?.id);
  const startMs = Date.parse(start);
  const km = odometer.trim() === '' ? undefined : Number(odometer);
  const odometerBad = km !== undefined && !(km >= 0 && km <= 5_000_000);
  const ready = resolved?.ok === true && !misfit && Number.isFinite(startMs) && !odometerBad && !busy;

  const submit = async () => {
    if (!vehicle || !kit) return;
    setBusy(true);
    try {
      const { id } = await call(
        api.jobs.$post({
          json: {
            vehicle: vehicle.id,
            kit: kit.id,
            answers: { ...answers },
            bay,
            plannedStartMs: startMs,
            odometerKm: km,
          },
        }),
      );
      navigate(`/jobs/${id}/check-in`);
    } catch (error) {
      if (error instanceof ProblemError && error.problem.code === 'notSignedIn') expire();
      else if (error instanceof ProblemError) setFailure(problemText(error.problem));
      else if (error instanceof UnreachableError)
        setFailure('The server cannot be reached. Nothing was opened; try again.');
      else throw error;
    } finally {
      setBusy(false);
    }
  };
  const go = ready ? () => void submit() : undefined;
  usePrimaryKey(go);

  return (
    <div className="flex min-h-dvh flex-col lg:h-dvh">
      <TopBar />
      {failure && (
        <p role="alert" className="border-b-2 border-bad bg-sheet px-5 py-2 text-bad">
          {failure}
        </p>
      )}
      <div className="flex flex-1 flex-col lg:min-h-0 lg:flex-row">
        <main className="flex-1 bg-bench px-5 py-4 lg:min-h-0 lg:overflow-y-auto">
          <h1 className="plate mb-3 text-3xl">Vehicle</h1>
          {!library && <p className="text-ink-2">Reading vehicles and kits.</p>}
          {library?.vehicles.length === 0 && <p className="text-ink-2">No vehicle is known to this shop yet.</p>}
          <div className="grid gap-2 sm:grid-cols-3">
            {library?.vehicles.map((entry) => (
              <Choice
                key={entry.id}
                chosen={entry.id === vehicleId}
                onChoose={() => {
                  setVehicleId(entry.id);
                  setAnswers({});
                  setOdometer(String(entry.odometerKm));
                }}
                title={entry.model}
                lines={[`${entry.make}, ${entry.modelYear ?? 'year not known'}`, `plate ${entry.plate}`, entry.owner]}
              />
            ))}
          </div>
          <div className="mt-6 mb-3 flex items-center justify-between">
            <h2 className="plate text-3xl">Kit</h2>
            <ImportKit onImported={(id) => void load().then(() => setKitId(id))} />
          </div>
          <div className="grid gap-2 sm:grid-cols-3">
            {library?.kits.map((entry) => {
              const fit = vehicle ? fitVerdicts(entry, vehicle, {}) : [];
              const no = fit.find((verdict) => verdict.truth === 'false');
              const unknown = fit.find((verdict) => verdict.truth === 'unknown');
              const word = !vehicle
                ? ''
                : no
                  ? `Does not fit: ${no.text}`
                  : unknown
                    ? `Not known: ${unknown.text}`
                    : 'Fits';
              return (
                <Choice
                  key={entry.id}
                  chosen={entry.id === kitId}
                  bad={no !== undefined}
                  onChoose={() => {
                    setKitId(entry.id);
                    setAnswers({});
                  }}
                  title={entry.title}
                  lines={[
                    `${entry.maker}, revision ${entry.revision}`,
                    entry.statedMinutes ? `stated ${entry.statedMinutes} min` : 'no time stated',
                    word,
                  ]}
                />
              );
            })}
          </div>
          {vehicle && kit && (
            <>
              <h2 className="plate mt-6 text-3xl">Questions</h2>
              {kit.questions.length === 0 && <p className="text-ink-2">This kit asks nothing.</p>}
              {shown.map((question) => (
                <QuestionField
                  key={`${vehicle.id}-${kit.id}-${question.id}`}
                  question={question}
                  answer={effective[question.id]}
                  fromVehicle={
                    question.from !== undefined &&
                    vehicle[question.from] !== undefined &&
                    answers[question.id] === undefined
                  }
                  onAnswer={(value) => setAnswers({ ...answers, [question.id]: value })}
                />
              ))}
            </>
          )}
        </main>
        <aside className="flex shrink-0 flex-col border-ink bg-sheet lg:w-[430px] lg:border-l-2">
          <div className="flex-1 p-5 pb-28 lg:min-h-0 lg:overflow-y-auto lg:pb-5">
            <h2 className="plate mb-3 text-3xl">The plan</h2>
            {!vehicle || !kit ? (
              <p className="text-ink-2">Choose a vehicle and a kit.</p>
            ) : misfit ? (
              <p className="border-l-4 border-bad pl-3 text-bad">This kit does not fit: it is for “{misfit.text}”.</p>
            ) : resolved?.ok ? (
              <PlanSummary plan={resolved.value} kit={kit} />
            ) : resolved?.error.code === 'answersMissing' ? (
              <p className="text-ink-2">
                {open.length} {open.length === 1 ? 'question' : 'questions'} can still change it.
              </p>
            ) : (
              <p className="text-bad">
                {resolved?.error.code === 'answerOutOfRange'
                  ? 'An answer is outside what its question allows.'
                  : 'The sheet gives no torque for one station of this vehicle.'}
              </p>
            )}
            {resolved?.ok && !misfit && (
              <div className="mt-5 grid grid-cols-2 gap-3">
                <label className="grid gap-1">
                  <span className="text-sm text-ink-2">Bay</span>
                  <select
                    className="figures min-h-14 border-2 border-ink bg-sheet px-3"
                    value={bay}
                    onChange={(event) => setBay(Number(event.target.value))}
                  >
                    {Array.from({ length: bays }, (_, index) => index + 1).map((number) => (
                      <option key={number}>{number}</option>
                    ))}
                  </select>
                </label>
                <label className="grid gap-1">
                  <span className="text-sm text-ink-2">Odometer, km</span>
                  <input
                    className="figures min-h-14 w-full border-2 border-ink bg-sheet px-3"
                    inputMode="numeric"
                    value={odometer}
                    onChange={(event) => setOdometer(event.target.value)}
                  />
                </label>
                {odometerBad && <p className="col-span-2 text-bad">The odometer must be a number of km from 0.</p>}
                {!odometerBad && km !== undefined && vehicle && km < vehicle.odometerKm && (
                  <p className="col-span-2 text-bad">
                    Lower than at the last visit ({vehicle.odometerKm} km). Is it right?
                  </p>
                )}
                <label className="col-span-2 grid gap-1">
                  <span className="text-sm text-ink-2">Start</span>
                  <input
                    type="datetime-local"
                    className="figures min-h-14 w-full border-2 border-ink bg-sheet px-3"
                    value={start}
                    onChange={(event) => setStart(event.target.value)}
                  />
                </label>
                <button
                  type="button"
                  className="col-span-2 min-h-11 text-left underline"
                  onClick={() =>
                    setStart(format(setHours(startOfHour(new Date(Date.now() + 86_400_000)), 8), "yyyy-MM-dd'T'HH:mm"))
                  }
                >
                  Tomorrow at 8
                </button>
              </div>
            )}
          </div>
          <ActionBar onClick={go} disabled={!go}>
            {busy ? 'Opening' : 'Open the job'}
          </ActionBar>
        </aside>
      </div>
    </div>
  );
}

const problemText = (problem: Problem): string => `${problem.title}${problem.detail ? `. ${problem.detail}` : ''}.`;

function Choice({
  chosen,
  onChoose,
  title,
  lines,
  bad = false,
}: {
  chosen: boolean;
  onChoose: () => void;
  title: string;
  lines: string[];
  bad?: boolean;
}) {
  return (
    <button
      type="button"
      aria-pressed={chosen}
      onClick={onChoose}
      className={`min-h-28 border-2 p-3 text-left ${chosen ? 'border-plate bg-plate text-on-plate' : 'border-ink bg-sheet'}`}
    >
      <span className="plate block text-2xl">{title}</span>
      {lines.filter(Boolean).map((line) => (
        <span
          key={line}
          className={`block text-sm ${line.startsWith('Does not') && bad ? (chosen ? 'font-bold' : 'font-bold text-bad') : chosen ? 'text-on-plate-2' : 'text-ink-2'}`}
        >
          {line}
        </span>
      ))}
    </button>
  );
}
