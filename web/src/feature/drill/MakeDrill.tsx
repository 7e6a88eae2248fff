import { useMemo, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { FAULT_WORDS, MODE_WORDS, ROOM_WORDS } from '#contract/wording/en/drill.ts';
import { say } from '#contract/wording/say.ts';
import { DRILL_MODES, type Drill, type DrillMode, faultKey, type PlacedFault, soundDrill } from '#core/drill/drill.ts';
import { meantLog } from '#core/drill/drill-run.ts';
import { FAULT_KINDS, FAULTS, type FaultKind } from '#core/drill/fault-kind.ts';
import { drawFaults, placelessFaults, placesOf } from '#core/drill/place-faults.ts';
import { playDrill, STYLES } from '#core/drill/scripted-learner.ts';
import type { Answers } from '#core/kit/condition.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import type { Plan } from '#core/kit/plan.ts';
import { combinationsToPlay } from '#core/rehearse/rehearse-all.ts';
import { TopBar } from '../../app/TopBar.tsx';
import { api, call } from '../../shop/api.ts';
import { useChange, useKits } from '../../shop/queries.ts';
import { saveFile } from '../../shop/save-file.ts';
import { Button } from '../../ui/Button.tsx';
import { FormField, inputLook } from '../../ui/FormField.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { tell } from '../../ui/tell.ts';
import { AnswerFields } from '../kits/dry-run/AnswerFields.tsx';
import { placeName } from './place-name.ts';
import { useBegin } from './use-begin.ts';

/** So many are placed at a press. */
const PLACED = 3;

const headOf = (kit: KitDocument, answers: Answers): Drill =>
  soundDrill(kit, answers, { id: `made-${kit.id}`.slice(0, 64), title: kit.title });
const planOf = (head: Drill): Plan | undefined => {
  const meant = meantLog(head);
  return meant.ok ? meant.value.plan : undefined;
};

/** A drill from a kit: its faults chosen and placed, played through, put on the shelf or shared as a file. */
export default function MakeDrill() {
  const { data: kits, failure } = useKits();
  const { act, busy, failure: unsent } = useChange('drills');
  const navigate = useNavigate();
  const { begin, fault } = useBegin();
  const [kitId, setKitId] = useState('');
  const [chosenAnswers, setChosenAnswers] = useState<Answers>();
  const [title, setTitle] = useState('');
  const [mode, setMode] = useState<DrillMode>('guided');
  const [seed, setSeed] = useState(1);
  const [faults, setFaults] = useState<PlacedFault[]>([]);
  const [kind, setKind] = useState<FaultKind>('short');
  const [target, setTarget] = useState('');
  const kit = kits?.find(({ id }) => id === kitId) ?? kits?.[0];
  const usual = useMemo(() => (kit ? (combinationsToPlay(kit).play[0] ?? {}) : {}), [kit]);
  const answers = chosenAnswers ?? usual;
  const head = useMemo(() => kit && headOf(kit, answers), [kit, answers]);
  const plan = useMemo(() => head && planOf(head), [head]);
  /** Another vehicle: what is wrong stays where there is still a place for it. */
  const onVehicle = (asked: KitDocument, them: Answers) => {
    setChosenAnswers(them);
    const other = planOf(headOf(asked, them));
    const gone = other ? placelessFaults(other, faults) : [];
    setFaults(faults.filter((entry) => !gone.includes(entry)));
  };
  const drill = head && { ...head, title: title.trim() || head.title, mode, seed, faults };
  // What a careful learner finds of it: a fault that cannot be met is no drill.
  const checked = useMemo(() => {
    if (!head || faults.length === 0) return undefined;
    const { verdict } = playDrill({ ...head, seed, faults }, STYLES.careful, 1);
    return { found: verdict.faults.filter((entry) => entry.catch === 'caught').length, closed: verdict.closed };
  }, [head, faults, seed]);
  if (failure)
    return (
      <Notice title={say('Not shown')} detail={failure} secondary={{ to: '/drill', label: say('To the drills') }} />
    );
  if (!kits) return <Notice title={say('One moment')} detail={say('Fetching the kits.')} busy />;
  const places = plan ? placesOf(plan, kind) : [];
  const chosen = places.find((place) => place.target === target)?.target ?? places[0]?.target;
  return (
    <div className="flex min-h-dvh flex-col">
      <TopBar />
      <main className="flex-1 bg-bench px-5 py-5">
        <h1 className="plate text-4xl">{say('Make a drill')}</h1>
        {kits.length === 0 && <p className="py-3 text-ink-2">{say('The shop has no released kit yet.')}</p>}
        {(unsent ?? fault) && (
          <p role="alert" className="mt-3 border-l-4 border-bad pl-3 font-bold text-bad">
            {unsent ?? fault}
          </p>
        )}
        {kit && (
          <div className="mt-4 grid gap-6 lg:grid-cols-2">
            <div className="grid content-start gap-4">
              <FormField id="kit" label={say('Kit')}>
                <select
                  id="kit"
                  className={inputLook(false)}
                  value={kit.id}
                  onChange={(event) => {
                    setKitId(event.target.value);
                    setChosenAnswers(undefined);
                    setFaults([]);
                  }}
                >
                  {kits.map(({ id, title: called }) => (
                    <option key={id} value={id}>
                      {called}
                    </option>
                  ))}
                </select>
              </FormField>
              <FormField id="title" label={say('What it is called')}>
                <input
                  id="title"
                  maxLength={120}
                  className={inputLook(false)}
                  placeholder={kit.title}
                  value={title}
                  onChange={(event) => setTitle(event.target.value)}
                />
              </FormField>
              <fieldset>
                <legend className="font-bold">{say('How much is shown')}</legend>
                {DRILL_MODES.map((entry) => (
                  <label key={entry} className="flex min-h-12 items-center gap-3">
                    <input
                      type="radio"
                      name="mode"
                      className="size-6 shrink-0"
                      checked={mode === entry}
                      onChange={() => setMode(entry)}
                    />
                    <span>
                      <b>{MODE_WORDS[entry].name}.</b> {MODE_WORDS[entry].what}
                    </span>
                  </label>
                ))}
              </fieldset>
              <FormField id="seed" label={say('Seed')} hint={say('The same seed feels the same in the hand.')}>
                <input
                  id="seed"
                  type="number"
                  min={0}
                  max={2_147_483_646}
                  className={`${inputLook(false)} figures`}
                  value={seed}
                  onChange={(event) =>
                    setSeed(Math.max(0, Math.min(2_147_483_646, Math.trunc(Number(event.target.value) || 0))))
                  }
                />
              </FormField>
              <AnswerFields kit={kit} answers={answers} onAnswers={(them) => onVehicle(kit, them)} />
            </div>
            <div>
              <h2 className="plate border-b-2 border-ink text-2xl">{say('What is wrong')}</h2>
              {!plan ? (
                <p className="py-3 text-bad">{say('This kit has no plan for such a vehicle: it cannot be drilled.')}</p>
              ) : (
                <>
                  <ul>
                    {faults.map((entry) => (
                      <li key={faultKey(entry)} className="flex items-center gap-3 border-b border-hair py-2">
                        <span className="min-w-0 flex-1">
                          <b>{FAULT_WORDS[entry.kind].name}</b>
                          <span className="block text-sm text-ink-2">
                            {placeName(plan, entry.target)}, {ROOM_WORDS[FAULTS[entry.kind].room]}.{' '}
                            {FAULT_WORDS[entry.kind].tellTale}
                          </span>
                        </span>
                        <Button
                          className="min-h-11!"
                          aria-label={say('Take away: {name}', { name: FAULT_WORDS[entry.kind].name })}
                          onClick={() => setFaults(faults.filter((other) => other !== entry))}
                        >
                          {say('Take away')}
                        </Button>
                      </li>
                    ))}
                  </ul>
                  {faults.length === 0 && <p className="py-3 text-ink-2">{say('Nothing yet.')}</p>}
                  <div className="mt-3 grid gap-3 sm:grid-cols-[1fr_1fr_auto] sm:items-end">
                    <FormField id="fault" label={say('Fault')}>
                      <select
                        id="fault"
                        className={inputLook(false)}
                        value={kind}
                        onChange={(event) => setKind(event.target.value as FaultKind)}
                      >
                        {FAULT_KINDS.map((entry) => (
                          <option key={entry} value={entry} disabled={placesOf(plan, entry).length === 0}>
                            {FAULT_WORDS[entry].name}
                          </option>
                        ))}
                      </select>
                    </FormField>
                    <FormField id="place" label={say('Where')}>
                      <select
                        id="place"
                        className={inputLook(false)}
                        value={chosen ?? ''}
                        onChange={(event) => setTarget(event.target.value)}
                      >
                        {places.map((place) => (
                          <option key={place.target} value={place.target}>
                            {placeName(plan, place.target)}
                          </option>
                        ))}
                      </select>
                    </FormField>
                    <Button
                      disabled={
                        chosen === undefined || faults.some((entry) => entry.kind === kind && entry.target === chosen)
                      }
                      onClick={() => chosen !== undefined && setFaults([...faults, { kind, target: chosen }])}
                    >
                      {say('Put it there')}
                    </Button>
                  </div>
                  <Button
                    className="mt-3"
                    onClick={() => {
                      const next = seed + 1;
                      setSeed(next);
                      // Another order of kinds each time, so that not the first ones alone are drawn.
                      const kinds = FAULT_KINDS.map(
                        (_, at) => FAULT_KINDS[(at * 7 + next) % FAULT_KINDS.length] as FaultKind,
                      );
                      setFaults(drawFaults(plan, next, kinds, PLACED));
                    }}
                  >
                    {tell('Place {placed} for me', { placed: PLACED })}
                  </Button>
                  {checked && (
                    <p className="mt-3 border-l-4 border-ink pl-3">
                      {tell('A good learner finds {found}{which}', {
                        found: (
                          <b className="figures">
                            {tell('{found} of {count}', { found: checked.found, count: faults.length })}
                          </b>
                        ),
                        which: checked.closed ? say(' and closes the job.') : say(', and the job does not close.'),
                      })}
                    </p>
                  )}
                  <div className="mt-5 flex flex-wrap gap-2">
                    <Button
                      tone="primary"
                      disabled={busy || faults.length === 0 || !drill}
                      onClick={() =>
                        drill &&
                        void act(() => call(api.drills.$post({ json: drill as never }))).then(
                          (done) => done && navigate('/drill'),
                        )
                      }
                    >
                      {say('Put it on the shelf')}
                    </Button>
                    <Button disabled={faults.length === 0 || !drill} onClick={() => drill && begin(drill)}>
                      {say('Play it through')}
                    </Button>
                    <Button
                      disabled={!drill}
                      onClick={() =>
                        drill && saveFile(`${drill.id}.drill.json`, 'application/json', JSON.stringify(drill, null, 2))
                      }
                    >
                      {say('Share as a file')}
                    </Button>
                    <Link
                      to="/drill"
                      className="inline-flex min-h-14 items-center border-2 border-ink bg-sheet px-4 font-bold"
                    >
                      {say('To the drills')}
                    </Link>
                  </div>
                </>
              )}
            </div>
          </div>
        )}
      </main>
    </div>
  );
}
