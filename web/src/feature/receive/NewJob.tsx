import { useCallback, useEffect, useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { misfitText } from '#contract/wording/plan-text.ts';
import { say } from '#contract/wording/say.ts';
import { odometerDoubtText } from '#contract/wording/vehicle-text.ts';
import type { AnswerValue } from '#core/kit/condition.ts';
import { wheelsFree } from '#core/kit/held-up-by.ts';
import { scopedKeys } from '#core/kit/ids.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { fitVerdicts } from '#core/kit/resolve.ts';
import { takesWheelsOff } from '#core/line/wheels-off.ts';
import { tooWeak, weakFor } from '#core/shop/lifting-gear.ts';
import { KM_PER_MILE, odometerDoubt, odometerKm } from '#core/vehicle/odometer.ts';
import { findVehicles, toldBy } from '#core/vehicle/vehicle-search.ts';
import { planSoFar } from '#core/visit/plan-so-far.ts';
import { questionsToAsk } from '#core/visit/question-order.ts';
import { resolveVisit } from '#core/visit/resolve-visit.ts';
import { kitAnswers, type VisitQuestion, visitQuestions } from '#core/visit/visit.ts';
import { TopBar } from '../../app/TopBar.tsx';
import { usePrimaryKey } from '../../app/use-primary-key.ts';
import { api, call } from '../../shop/api.ts';
import { useChange, useKits, useVehicles } from '../../shop/queries.ts';
import { useSession } from '../../shop/session.ts';
import { fromField, nextOpening, shopFormat, shopHourStart, toField } from '../../shop/shop-time.ts';
import { ActionBar, Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { tell } from '../../ui/tell.ts';
import { VehicleForm } from '../vehicles/VehicleForm.tsx';
import { Choice } from './Choice.tsx';
import { HeldUpOn } from './HeldUpOn.tsx';
import { useHalfVisit } from './half-visit.ts';
import { ImportKit } from './ImportKit.tsx';
import { PlanSummary } from './PlanSummary.tsx';
import { QuestionField } from './Questions.tsx';
import { SlotClashes } from './SlotClashes.tsx';
import { BayField, ClosedNote, SlotFields, slotStands } from './SlotFields.tsx';
import { SoFarTable } from './SoFarTable.tsx';
import { useChosenVisit } from './use-chosen-visit.ts';

/** Vehicles shown before somebody types: more are found by plate, owner or VIN. */
const SHOWN_VEHICLES = 6;

/** A kit by its title or maker; one that is chosen stays in sight. */
const matches = ({ title, maker }: Pick<KitDocument, 'title' | 'maker'>, query: string): boolean =>
  `${title} ${maker}`.toLowerCase().includes(query.trim().toLowerCase());

/** Receive: the vehicle, its kits, their questions one at a time, and the plan as it builds. */
export default function NewJob() {
  const navigate = useNavigate();
  const bays = useSession((state) => state.session?.shop.bays ?? 1);
  const rules = useSession((state) => state.session?.shop.rules);
  const [search] = useSearchParams();
  const { data: vehicles, failure: noVehicles, reload: reloadVehicles } = useVehicles();
  const { data: kits, failure: noKits, reload: reloadKits } = useKits();
  const { act, busy, failure: unsent } = useChange('jobs', 'vehicles');
  const [query, setQuery] = useState('');
  const [wanted, setWanted] = useState<string>();
  const person = useSession((state) => state.session?.person.id);
  const half = useHalfVisit();
  const { vehicle: vehicleId, bay, held, slot, odometer, set } = half;
  const [adding, setAdding] = useState(false);
  const [kitQuery, setKitQuery] = useState('');
  const [now] = useState(() => toField(shopHourStart(Date.now())));
  const start = half.start ?? now;
  const [odometerSure, setOdometerSure] = useState(false);

  const vehicle = vehicles?.find((entry) => entry.id === vehicleId);
  const visit = useChosenVisit(kits);
  const { answers, byThePiece, eachSide, forget } = visit;
  const begun = vehicle !== undefined && visit.kits.length > 0;
  const open = begun ? questionsToAsk(visit.kits, vehicle, answers) : [];
  const resolved = begun ? resolveVisit(visit.kits, vehicle, answers, rules) : undefined;
  const misfit = begun
    ? visit.kits.flatMap((kit) =>
        fitVerdicts(kit.document, vehicle, kitAnswers(kit, vehicle, answers)).flatMap((verdict) =>
          verdict.truth === 'false' ? [{ kit: kit.document.title, text: misfitText(kit.document, verdict) }] : [],
        ),
      )[0]
    : undefined;
  const effective: Record<string, AnswerValue | undefined> = begun
    ? Object.assign({}, ...visit.kits.map((kit) => scopedKeys(kit.prefix, kitAnswers(kit, vehicle, answers))))
    : {};
  const wheelsOff = resolved?.ok === true && takesWheelsOff(resolved.value);
  // What the shop usually takes, where this work can be done on it.
  const weak = tooWeak(rules?.lifting ?? [], vehicle?.ratings);
  const heldUpBy = [held, rules?.heldUpBy].find(
    (by) => by !== undefined && (!wheelsOff || wheelsFree(by)) && !weakFor(by, weak),
  );
  const next = open[0];
  // One question at a time: those answered, and the one that settles most.
  const answered = visitQuestions(visit.kits).filter(({ members }) =>
    members.some(({ id }) => effective[id] !== undefined),
  );
  const unit = vehicle?.odometerUnit ?? 'km';
  const shownOdometer =
    odometer ??
    (vehicle?.odometerKm === undefined
      ? ''
      : String(Math.round(unit === 'mi' ? vehicle.odometerKm / KM_PER_MILE : vehicle.odometerKm)));
  const reading = shownOdometer.trim() === '' ? undefined : Number(shownOdometer);
  const km = reading === undefined ? undefined : odometerKm(reading, unit);
  const odometerBad = km !== undefined && !(km >= 0 && km <= 5_000_000);
  const doubt = km === undefined || odometerBad ? undefined : odometerDoubt(vehicle?.odometerKm, km);
  const startMs = fromField(start);
  const ready =
    resolved?.ok === true &&
    !misfit &&
    slotStands(slot, startMs) &&
    !odometerBad &&
    (doubt === undefined || odometerSure) &&
    !busy;

  // Another person begins with an empty visit; an address that names a vehicle begins with that one.
  const meant = search.get('vehicle') ?? undefined;
  useEffect(() => {
    const { person: last, begin, set: put } = useHalfVisit.getState();
    if (last !== person) begin(person);
    if (meant !== undefined && meant !== useHalfVisit.getState().vehicle)
      put({ vehicle: meant, given: {}, odometer: undefined });
  }, [person, meant]);
  const begunSomething = vehicleId !== undefined || visit.chosen.length > 0;

  const choose = useCallback(
    (id: string) => {
      set({ vehicle: id, odometer: undefined });
      forget();
      setOdometerSure(false);
    },
    [set, forget],
  );
  const found = findVehicles(vehicles ?? [], query);
  const first = found.slice(0, query === '' ? SHOWN_VEHICLES : found.length);
  // The chosen one stays in sight, wherever in the list it is.
  const shown = query === '' && vehicle && !first.includes(vehicle) ? [vehicle, ...first.slice(1)] : first;
  // A scanner may be quicker than the list: what it meant is chosen once the vehicles are there.
  useEffect(() => {
    if (wanted === undefined || !vehicles) return;
    setWanted(undefined);
    const [scanned] = findVehicles(vehicles, wanted);
    if (scanned) choose(scanned.id);
    else setAdding(wanted.trim() !== '');
  }, [wanted, vehicles, choose]);

  const submit = async () => {
    if (!vehicle) return;
    await act(async () => {
      const { id } = await call(
        api.jobs.$post({
          json: {
            vehicle: vehicle.id,
            kits: visit.picks,
            answers,
            bay,
            plannedStartMs: startMs,
            ...slot,
            odometerKm: km,
            heldUpBy,
          },
        }),
      );
      // With something to settle first the job begins there; else the kit is counted.
      const plan = resolved?.ok ? resolved.value : undefined;
      const first =
        plan && (plan.kits.length > 1 || plan.prerequisites.length + plan.baselines.length + plan.choices.length > 0);
      half.begin(person);
      navigate(`/jobs/${id}/${first ? 'receive' : 'check-in'}`);
    });
  };
  const go = ready ? () => void submit() : undefined;
  usePrimaryKey(go);

  const question = (asked: VisitQuestion) => {
    const { members } = asked;
    const value = members.map(({ id }) => effective[id]).find((one) => one !== undefined);
    return (
      <QuestionField
        key={`${vehicle?.id}-${asked.id}`}
        question={asked.question}
        answer={value}
        fromVehicle={value !== undefined && !members.some(({ id }) => answers[id] !== undefined)}
        onAnswer={(answer) => visit.answer(asked, answer)}
      />
    );
  };
  const problem = unsent ?? noVehicles ?? noKits;
  return (
    <div className="flex min-h-dvh flex-col lg:h-dvh">
      <TopBar />
      {problem && (
        <p role="alert" className="border-b-2 border-bad bg-sheet px-5 py-2 text-bad">
          {problem}
        </p>
      )}
      <div className="flex flex-1 flex-col lg:min-h-0 lg:flex-row">
        <main className="flex-1 bg-bench px-5 py-4 lg:min-h-0 lg:overflow-y-auto">
          <div className="mb-3 flex flex-wrap items-center justify-between gap-3">
            <h1 className="plate mr-auto text-3xl">{say('Vehicle')}</h1>
            {begunSomething && (
              <button type="button" className="min-h-11 px-2 underline" onClick={() => half.begin(person)}>
                {say('Start afresh')}
              </button>
            )}
            <form
              className="flex items-center gap-2"
              onSubmit={(event) => {
                event.preventDefault();
                setWanted(query);
              }}
            >
              <label htmlFor="find-vehicle" className="text-sm text-ink-2">
                {say('Plate, owner, VIN')}
              </label>
              <input
                id="find-vehicle"
                type="search"
                autoComplete="off"
                className="figures min-h-12 w-44 border-2 border-ink bg-sheet px-3"
                value={query}
                onChange={(event) => setQuery(event.target.value)}
              />
            </form>
          </div>
          {!vehicles && !problem && <p className="text-ink-2">{say('Reading vehicles and kits.')}</p>}
          {vehicles?.length === 0 && (
            <p className="text-ink-2">{say('No vehicle is known to this shop yet: the first one is a new vehicle.')}</p>
          )}
          {query !== '' && vehicles && found.length === 0 && (
            <p className="mb-2 text-ink-2">{tell('No vehicle matches “{query}”.', { query })}</p>
          )}
          {vehicles && (found.length === 0 || query === '') && (
            <Button className="mb-3" onClick={() => setAdding(true)}>
              {query === '' ? say('New vehicle') : say('Enter it as a new vehicle')}
            </Button>
          )}
          <div className="grid gap-2 sm:grid-cols-3">
            {shown.map((entry) => (
              <Choice
                key={entry.id}
                chosen={entry.id === vehicleId}
                onChoose={() => choose(entry.id)}
                title={entry.model}
                lines={[
                  `${entry.make}, ${entry.modelYear ?? say('year not known')}`,
                  say('plate {plate}', { plate: entry.plate }),
                  entry.owner,
                ]}
              />
            ))}
          </div>
          <div className="mt-6 mb-3 flex flex-wrap items-center justify-between gap-3">
            <h2 className="plate mr-auto text-3xl">{say('Kits of this visit')}</h2>
            <label className="flex items-center gap-2 text-sm text-ink-2">
              {say('Title, maker')}
              <input
                type="search"
                autoComplete="off"
                className="min-h-12 w-44 border-2 border-ink bg-sheet px-3 text-base text-ink"
                value={kitQuery}
                onChange={(event) => setKitQuery(event.target.value)}
              />
            </label>
            <ImportKit
              onImported={(id) =>
                void Promise.all([reloadKits(), reloadVehicles()]).then(
                  () => visit.chosen.includes(id) || visit.toggle(id),
                )
              }
            />
          </div>
          <div className="grid gap-2 sm:grid-cols-3">
            {kits
              ?.filter((entry) => visit.chosen.includes(entry.id) || matches(entry, kitQuery))
              .map((entry) => {
                const fit = vehicle ? fitVerdicts(entry, vehicle, {}) : [];
                const no = fit.find((verdict) => verdict.truth === 'false');
                const unknown = fit.find((verdict) => verdict.truth === 'unknown');
                const word = !vehicle
                  ? ''
                  : no
                    ? say('Does not fit: {misfitText}', { misfitText: misfitText(entry, no) })
                    : unknown
                      ? say('Not known: {text}', { text: unknown.text })
                      : say('Fits');
                return (
                  <Choice
                    key={entry.id}
                    chosen={visit.chosen.includes(entry.id)}
                    bad={no !== undefined}
                    onChoose={() => visit.toggle(entry.id)}
                    title={entry.title}
                    lines={[
                      say('{maker}, revision {revision}', { maker: entry.maker, revision: entry.revision }),
                      entry.statedMinutes
                        ? say('stated {statedMinutes} min', { statedMinutes: entry.statedMinutes })
                        : say('no time stated'),
                      word,
                    ]}
                  />
                );
              })}
          </div>
          {byThePiece.map((kit) => (
            <label key={kit.id} className="mt-2 flex min-h-11 items-center gap-3">
              <input
                type="checkbox"
                className="size-6"
                checked={eachSide.includes(kit.id)}
                onChange={(event) => visit.setEachSide(kit.id, event.target.checked)}
              />
              {tell('{title}: one on each side, left and right', { title: kit.title })}
            </label>
          ))}
          {begun && answered.length > 0 && (
            <>
              <h2 className="plate mt-6 text-3xl">{say('Answered')}</h2>
              {answered.map(question)}
            </>
          )}
        </main>
        <aside className="flex shrink-0 flex-col border-ink bg-sheet lg:w-[430px] lg:border-l-2">
          <div className="flex-1 p-5 pb-28 lg:min-h-0 lg:overflow-y-auto lg:pb-5">
            {begun && next && (
              <section aria-label={say('Next question')} className="mb-5 border-2 border-ink px-4">
                {question(next)}
              </section>
            )}
            <h2 className="plate mb-3 text-3xl">{say('The plan')}</h2>
            {!begun ? (
              <p className="text-ink-2">{say('Choose a vehicle and its kits.')}</p>
            ) : misfit ? (
              <p className="border-l-4 border-bad pl-3 text-bad">
                {tell('{kit} does not fit: {text}.', { kit: misfit.kit, text: misfit.text })}
              </p>
            ) : resolved?.ok ? (
              <PlanSummary plan={resolved.value} vehicle={vehicle} />
            ) : resolved?.error.code === 'answersMissing' ? (
              <>
                <p className="mb-3 text-ink-2">
                  {tell('{count}  {count, plural, one {question} other {questions}} can still change it.', {
                    count: open.length,
                  })}
                </p>
                <SoFarTable soFar={planSoFar(visit.kits, vehicle, answers)} />
              </>
            ) : (
              <p className="text-bad">
                {resolved?.error.code === 'answerOutOfRange'
                  ? say('An answer is outside what its question allows.')
                  : say('The sheet gives no torque for one station of this vehicle.')}
              </p>
            )}
            {resolved?.ok && !misfit && (
              <div className="mt-5 grid grid-cols-2 gap-3">
                <BayField bay={bay} bays={bays} onBay={(to) => set({ bay: to })} />
                <label className="grid gap-1">
                  <span className="text-sm text-ink-2">
                    {tell('Odometer, {which}', { which: unit === 'mi' ? say('miles') : 'km' })}
                  </span>
                  <input
                    className="figures min-h-14 w-full border-2 border-ink bg-sheet px-3"
                    inputMode="numeric"
                    value={shownOdometer}
                    onChange={(event) => {
                      set({ odometer: event.target.value });
                      setOdometerSure(false);
                    }}
                  />
                </label>
                {odometerBad && <p className="col-span-2 text-bad">{say('The odometer must be a number from 0.')}</p>}
                {doubt && (
                  <label className="col-span-2 flex min-h-11 items-center gap-3 text-bad">
                    <input
                      type="checkbox"
                      className="h-6 w-6 shrink-0"
                      checked={odometerSure}
                      onChange={(event) => setOdometerSure(event.target.checked)}
                    />
                    {odometerDoubtText(doubt)}
                  </label>
                )}
                <SlotClashes
                  job={{
                    ...slot,
                    bay,
                    plannedStartMs: startMs,
                    estimatedMinutes: resolved.value.kits.reduce((sum, kit) => sum + (kit.statedMinutes ?? 0), 0),
                  }}
                />
                <SlotFields slot={slot} startMs={startMs} onSlot={(to) => set({ slot: to })} />
                <HeldUpOn by={heldUpBy} wheelsOff={wheelsOff} tooWeak={weak} onChoose={(to) => set({ held: to })} />
                <label className="col-span-2 grid gap-1">
                  <span className="text-sm text-ink-2">{say('Start')}</span>
                  <input
                    type="datetime-local"
                    className="figures min-h-14 w-full border-2 border-ink bg-sheet px-3"
                    value={start}
                    onChange={(event) => set({ start: event.target.value })}
                  />
                  <ClosedNote atMs={startMs} />
                </label>
                <button
                  type="button"
                  className="col-span-2 min-h-11 text-left underline"
                  onClick={() =>
                    set({
                      start: toField(nextOpening(Date.now())),
                    })
                  }
                >
                  {tell('Next opening: {shopFormat}', {
                    shopFormat: shopFormat(nextOpening(Date.now()), 'EEEE HH:mm'),
                  })}
                </button>
              </div>
            )}
          </div>
          <ActionBar onClick={go} disabled={!go}>
            {busy ? say('Opening') : say('Open the job')}
          </ActionBar>
        </aside>
      </div>
      <Sheet open={adding} onClose={() => setAdding(false)} title={say('New vehicle')} wide>
        <VehicleForm
          told={found.length === 0 ? toldBy(query) : undefined}
          onLeave={() => setAdding(false)}
          onSaved={(saved) =>
            void reloadVehicles().then(() => {
              setAdding(false);
              setQuery('');
              choose(saved.vehicle.id);
            })
          }
        />
      </Sheet>
    </div>
  );
}
