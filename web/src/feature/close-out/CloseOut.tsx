import { type FormEvent, useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link, useNavigate } from 'react-router';
import { ownersBagLines } from '#contract/owners-bag.ts';
import { clockName } from '#contract/wording/clock-text.ts';
import { lookTargetText } from '#contract/wording/look-text.ts';
import { numberOf } from '#contract/wording/number-of.ts';
import { alignmentText } from '#contract/wording/raised-text.ts';
import { say } from '#contract/wording/say.ts';
import { stepTitle } from '#contract/wording/step-text.ts';
import type { JobCommand } from '#core/job/acts.ts';
import type { CloseBlock } from '#core/job/close-block.ts';
import { closeBlocks } from '#core/job/close-blocks.ts';
import { debtsOf } from '#core/job/debt.ts';
import { hardwareLedger, type LedgerLine } from '#core/job/hardware-ledger.ts';
import { keysOf } from '#core/job/keys.ts';
import { type LineClock, runningClocks } from '#core/job/line-clocks.ts';
import { lineOf } from '#core/line/line.ts';
import { Measured } from '../../job/Measured.tsx';
import { ProofSheet } from '../../job/ProofSheet.tsx';
import { useOpenJob } from '../../job/use-open-job.ts';
import { isPractice } from '../../practice/practice.ts';
import { LabelButton } from '../../shop/LabelButton.tsx';
import { useSession } from '../../shop/session.ts';
import { useSettings } from '../../shop/settings.ts';
import { shopFormat } from '../../shop/shop-time.ts';
import { Button } from '../../ui/Button.tsx';
import { ReasonSheet } from '../../ui/ReasonSheet.tsx';
import { tell } from '../../ui/tell.ts';
import { useNow } from '../../ui/use-now.ts';
import { DueLater } from './DueLater.tsx';
import { LeftoverHunt } from './LeftoverHunt.tsx';
import { OtherEnds } from './OtherEnds.tsx';
import { useToolsOut } from './use-tools-out.ts';

/** What still keeps the job open, each with a way there; the tray; the signature. */
export default function CloseOut() {
  const { document, plan, state, give } = useOpenJob();
  const navigate = useNavigate();
  const system = useSettings((settings) => settings.system);
  const person = useSession((session) => session.session?.person);
  const toolsOut = useToolsOut(document.id, state.closed !== undefined);
  const blocks = useMemo(() => closeBlocks(plan, state, toolsOut), [plan, state, toolsOut]);
  const ledger = useMemo(() => hardwareLedger(plan, state), [plan, state]);
  const [signing, setSigning] = useState<JobCommand>();
  const [note, setNote] = useState('');
  const [clearing, setClearing] = useState<string>();
  const [conditions, setConditions] = useState<Record<string, string>>({});
  const alignment = alignmentText(plan, system);
  const nowMs = useNow(30_000);
  const clocks = useMemo(() => runningClocks(plan, state, nowMs), [plan, state, nowMs]);
  const conditionOf = (id: string): string => conditions[id] ?? usualCondition(clocks.find((clock) => clock.id === id));
  const untold = clocks.some(({ id }) => conditionOf(id).trim() === '');
  const [scrapping, setScrapping] = useState<LedgerLine>();
  useHotkeys('u', () => give({ type: 'undo' }), [give]);
  const working = blocks.some((block) => block.code === 'stationsOpen' || block.code === 'linesUncounted');

  const close = (event: FormEvent) => {
    event.preventDefault();
    if (!person) return;
    const releases = clocks.map(({ id, endsAtMs }) => ({ clock: id, endsAtMs, condition: conditionOf(id).trim() }));
    setSigning({
      type: 'close',
      signature: person.name,
      note: note.trim() || undefined,
      ...(releases.length > 0 ? { releases } : {}),
    });
  };
  return (
    <div className="flex flex-1 flex-col lg:min-h-0 lg:flex-row">
      <main className="flex-1 bg-bench px-5 py-4 lg:overflow-y-auto">
        <h1 className="plate mb-2 text-3xl">
          {blocks.length === 0 ? say('Nothing is in the way') : say('Still in the way')}
        </h1>
        <ul className="border-t border-rule">
          {blocks.map((block) => (
            <li
              key={JSON.stringify(block)}
              className="flex min-h-16 flex-wrap items-center justify-between gap-3 border-b border-rule py-2"
            >
              <Block block={block} />
              {block.code === 'piecesUnaccounted' && block.unaccounted < 0 && <LeftoverHunt item={block.item} />}
              {block.code === 'problemOpen' && (
                <Button onClick={() => setClearing(block.problem)}>{say('Cleared')}</Button>
              )}
            </li>
          ))}
        </ul>
        <h2 className="plate mt-6 mb-1 text-3xl">{say('The tray')}</h2>
        <p className="mb-2 text-ink-2">
          {working
            ? say('Counted when every station is at torque.')
            : say('Count what is left. Supplied must equal fitted, spare, scrapped and missing.')}
        </p>
        {(ledger.some(({ spare }) => spare > 0) || state.closed) && !isPractice(document.id) && (
          <p className="mb-2 flex flex-wrap gap-2">
            <a
              className="inline-flex min-h-11 items-center border-2 border-ink bg-sheet px-4 font-bold"
              href={`/api/jobs/${document.id}/owners-bag.pdf`}
            >
              {say('Label for the owner’s bag, as PDF')}
            </a>
            <LabelButton
              name={`owners-bag-${document.number}`}
              code={`${location.origin}/jobs/${document.id}`}
              lines={[
                { text: 'OWNER’S BAG', mm: 4, bold: true },
                { text: document.number, mm: 3 },
                { text: document.vehicle.plate, mm: 3 },
                ...ownersBagLines(plan, state).map((text) => ({ text, mm: 2.5 })),
              ]}
            >
              {say('as PNG')}
            </LabelButton>
          </p>
        )}
        <div className="overflow-x-auto">
          <table className="w-full min-w-140 border-t-2 border-ink text-left">
            <thead className="text-sm text-ink-2">
              <tr>
                <th className="py-1 font-normal">{say('Line')}</th>
                <th className="w-56 font-normal">{say('On the tray')}</th>
                <th className="text-right font-normal">{say('Supplied')}</th>
                <th className="text-right font-normal">{say('Fitted')}</th>
                <th className="text-right font-normal">{say('Scrapped')}</th>
                <th className="text-right font-normal">{say('Missing')}</th>
              </tr>
            </thead>
            <tbody>
              {ledger.map((line) => (
                <Tray
                  key={line.item.id}
                  line={line}
                  disabled={working || state.closed !== undefined}
                  declared={state.lines[line.item.id]?.spare?.quantity}
                  onCount={(quantity) => give({ type: 'declareSpare', item: line.item.id, quantity })}
                  onScrap={() => setScrapping(line)}
                />
              ))}
            </tbody>
          </table>
        </div>
      </main>
      <aside className="flex shrink-0 flex-col border-ink bg-sheet lg:w-[430px] lg:border-l-2">
        <form onSubmit={close} className="flex flex-1 flex-col lg:min-h-0">
          <div className="flex-1 p-5 pb-28 lg:min-h-0 lg:overflow-y-auto lg:pb-5">
            <h2 className="plate mb-3 text-3xl">{say('Sign')}</h2>
            {state.closed ? (
              <p>
                {tell('Signed by {signature}. {link}', {
                  signature: <b>{state.closed.signature}</b>,
                  link: (
                    <Link className="underline" to="../record">
                      {say('To the record')}
                    </Link>
                  ),
                })}
              </p>
            ) : (
              <>
                <p>
                  {tell(
                    'You sign as {name}, with your PIN or passkey. Somebody else signs after taking over on this device.',
                    { name: <b>{person?.name}</b> },
                  )}
                </p>
                <label className="mt-4 grid gap-1">
                  <span className="font-bold">{say('Note for the record')}</span>
                  <textarea
                    className="min-h-24 border-2 border-ink bg-sheet p-3"
                    maxLength={2000}
                    value={note}
                    onChange={(event) => setNote(event.target.value)}
                  />
                </label>
                {clocks.length > 0 && (
                  <section className="mt-4 border-2 border-ink p-3">
                    <h3 className="plate text-2xl">{say('Still running')}</h3>
                    <p className="text-sm text-ink-2">{say('The driver is told this in writing, under your name.')}</p>
                    {clocks.map((clock) => (
                      <label key={clock.id} className="mt-2 grid gap-1">
                        <span>
                          {tell('{clockName}, until {shopFormat}', {
                            clockName: <b>{clockName(plan, clock)}</b>,
                            shopFormat: shopFormat(clock.endsAtMs, 'EEE HH:mm'),
                          })}
                        </span>
                        <textarea
                          className="min-h-14 border-2 border-ink bg-sheet px-3 py-2"
                          rows={3}
                          maxLength={500}
                          value={conditionOf(clock.id)}
                          onChange={(event) => setConditions({ ...conditions, [clock.id]: event.target.value })}
                        />
                      </label>
                    ))}
                  </section>
                )}
                <p className="mt-4 text-sm text-ink-2">
                  {say(
                    'By signing you say that what the record shows was done. It is an aid, not an approval: the vehicle maker’s manual, the kit maker’s sheet and local law come first.',
                  )}
                </p>
                {!state.closed && <Measured plan={plan} state={state} />}
                {alignment && <p className="mt-2 border-l-4 border-ink pl-3">{alignment}</p>}
                {!isPractice(document.id) && (
                  <p className="mt-4">
                    <Link className="inline-flex min-h-11 items-center underline" to="../second-look">
                      {say('A second look by other eyes')}
                    </Link>
                  </p>
                )}
                <DueLater />
              </>
            )}
          </div>
          {!state.closed && <OtherEnds />}
          {!state.closed && (
            <button
              type="submit"
              disabled={blocks.length > 0 || untold}
              className="thumb-bar plate flex min-h-22 w-full items-center justify-between bg-paint px-6 text-left text-4xl text-on-paint disabled:bg-hair disabled:text-ink-2"
            >
              {blocks.length > 0
                ? say('{count} still in the way', { count: blocks.length })
                : untold
                  ? say('Say what the driver is told')
                  : say('Sign and close')}
            </button>
          )}
        </form>
      </aside>
      <ProofSheet
        command={signing}
        title={say('Sign and close')}
        onGiven={() => navigate('../record')}
        onClose={() => setSigning(undefined)}
      />
      <ReasonSheet
        open={clearing !== undefined}
        onClose={() => setClearing(undefined)}
        title={say('How was it cleared?')}
        label={say('Goes on the record')}
        confirm={say('Cleared')}
        usual={[say('Thread chased, runs by hand'), say('Replaced'), say('Checked by the lead, as it should be')]}
        onReason={(how) => {
          if (clearing) give({ type: 'clearProblem', problem: clearing, how });
          setClearing(undefined);
        }}
      />
      <ReasonSheet
        open={scrapping !== undefined}
        onClose={() => setScrapping(undefined)}
        title={say('Scrap one: {name}', { name: scrapping?.item.name ?? '' })}
        label={say('Why?')}
        confirm={say('Scrap it')}
        usual={[say('Damaged while fitting'), say('Bent'), say('Not found after searching the vehicle')]}
        onReason={(reason) => {
          if (scrapping) give({ type: 'scrapPiece', item: scrapping.item.id, quantity: 1, reason });
          setScrapping(undefined);
        }}
      />
    </div>
  );
}

/** What the driver of a vehicle whose locker still sets is usually told. */
function usualCondition(clock: LineClock | undefined): string {
  if (!clock) return '';
  const until = shopFormat(clock.endsAtMs, say("EEEE d MMMM 'at' HH:mm"));
  return clock.gates.includes('drive')
    ? say('Not to be driven before {until}.', { until })
    : say('No towing and no off-road use before {until}.', { until });
}

function Tray({
  line,
  disabled,
  declared,
  onCount,
  onScrap,
}: {
  line: LedgerLine;
  disabled: boolean;
  declared?: number;
  onCount: (quantity: number) => void;
  onScrap: () => void;
}) {
  const [typed, setTyped] = useState('');
  const wrong = !disabled && line.unaccounted !== 0;
  return (
    <tr className="border-b border-hair">
      <td className="py-1.5">
        <span className="text-ink-2">{line.item.line}</span> {line.item.name}
      </td>
      <td className="py-1 pr-2">
        {disabled || (line.onTray === 0 && declared === undefined) ? (
          <span className="figures">{declared ?? (disabled ? '' : '0')}</span>
        ) : (
          <form
            className="flex gap-1"
            onSubmit={(event) => {
              event.preventDefault();
              if (typed.trim() !== '') onCount(Number(typed));
              setTyped('');
            }}
          >
            <input
              aria-label={say('{line} {name}, pieces on the tray', { line: line.item.line, name: line.item.name })}
              className={`figures min-h-12 w-16 border-2 bg-sheet px-2 text-right ${wrong ? 'border-bad' : 'border-ink'}`}
              inputMode="numeric"
              value={typed}
              placeholder={declared === undefined ? '?' : String(declared)}
              onChange={(event) => setTyped(event.target.value)}
            />
            <Button type="submit" className="min-h-12!" disabled={typed.trim() === ''}>
              {say('Count')}
            </Button>
            <Button
              className="min-h-12!"
              aria-label={say('Scrap one {name}', { name: line.item.name })}
              onClick={onScrap}
              disabled={line.onTray <= 0}
            >
              {say('Scrap')}
            </Button>
          </form>
        )}
      </td>
      {[line.supplied, line.fitted, line.scrapped, line.missing].map((number, column) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: fixed columns
        <td key={column} className="figures text-right">
          {number}
        </td>
      ))}
    </tr>
  );
}

/** One thing in the way, with the way to it. */
function Block({ block }: { block: CloseBlock }) {
  const { index, plan, state } = useOpenJob();
  const way = (to: string, text: string) => (
    <Link to={to} className="inline-flex min-h-12 items-center border-2 border-ink bg-sheet px-4 font-bold">
      {text}
    </Link>
  );
  switch (block.code) {
    case 'linesUncounted':
      return (
        <>
          <span>
            <b>{tell('{numberOf} not counted:', { numberOf: numberOf(block.items.length, 'line') })}</b>{' '}
            {block.items.map((id) => index.items.get(id)?.line).join(', ')}
          </span>
          {way('../check-in', say('To Check in'))}
        </>
      );
    case 'stationsOpen':
      return (
        <>
          <span>
            <b>
              {tell('{title}: {numberOf} open:', {
                title: index.groups.get(block.group)?.title,
                numberOf: numberOf(block.stations.length, 'station'),
              })}
            </b>{' '}
            {block.stations.map((id) => index.stations.get(id)?.label).join(', ')}
          </span>
          {way('../line', say('To the line'))}
        </>
      );
    case 'piecesUnaccounted':
      return (
        <span>
          <b>{index.items.get(block.item)?.name}:</b>{' '}
          {block.unaccounted > 0
            ? say('{unaccounted} not accounted for; {onTray} should be on the tray. Count it below.', {
                unaccounted: block.unaccounted,
                onTray: block.onTray,
              })
            : say('{unaccounted} more counted than can be left. Count again.', { unaccounted: -block.unaccounted })}
        </span>
      );
    case 'countsDisagree':
      return (
        <>
          <span>
            {tell('{b}  {items}. Count again.', {
              b: <b>{say('Two counts differ:')}</b>,
              items: block.items.map((id) => index.items.get(id)?.line).join(', '),
            })}
          </span>
          {way('../check-in', say('To Check in'))}
        </>
      );
    case 'serialsMissing':
      return (
        <>
          <span>
            <b>{say('No number read off:')}</b> {block.items.map((id) => index.items.get(id)?.name).join(', ')}
          </span>
          {way('../check-in', say('To Check in'))}
        </>
      );
    case 'keysOut':
      return (
        <>
          <span>
            <b>{say('Not handed over or put back:')}</b>{' '}
            {keysOf(plan, state)
              .filter(({ id }) => block.keys.includes(id))
              .map(
                ({ name, hands }) =>
                  `${name}${hands.length > 0 ? say(', {name} has it', { name: hands.at(-1)?.name }) : say(', nobody has it')}`,
              )
              .join('; ')}
          </span>
          {way('../check-in', say('To the keys'))}
        </>
      );
    case 'toolsOut':
      return (
        <>
          <span>
            {tell('{b}  {tools}. It may lie in the vehicle.', {
              b: <b>{say('Lent for this job and not back:')}</b>,
              tools: block.tools.join(', '),
            })}
          </span>
          {way('/crib/tools', say('To the crib'))}
        </>
      );
    case 'debtsOpen': {
      const owed = debtsOf(plan, state).filter((debt) => block.debts.includes(debt.id));
      return (
        <>
          <span>
            <b>{say('Not back where it must be:')}</b> {owed.map((debt) => debt.name).join(', ')}
          </span>
          {way('../line', say('To the line'))}
        </>
      );
    }
    case 'clocksRunning':
      return null;
    case 'secondLookDue':
      return (
        <>
          <span>
            <b>{tell('{numberOf} due:', { numberOf: numberOf(block.targets.length, 'second look') })}</b>{' '}
            {block.targets
              .slice(0, 3)
              .map((target) => lookTargetText(plan, target))
              .join('; ')}
            {block.targets.length > 3 && say(' and {count} more', { count: block.targets.length - 3 })}
          </span>
          {way('../second-look', say('To the second look'))}
        </>
      );
    case 'stepsOpen':
      return (
        <>
          <span>
            <b>{tell('{numberOf} of the line open:', { numberOf: numberOf(block.steps.length, 'step') })}</b>{' '}
            {block.steps
              .slice(0, 3)
              .flatMap((id) => lineOf(plan).stepById.get(id) ?? [])
              .map((step) => `${step.number} ${stepTitle(plan, step.step)}`)
              .join('; ')}
            {block.steps.length > 3 && say(' and {count} more', { count: block.steps.length - 3 })}
          </span>
          {way('../line', say('To the line'))}
        </>
      );
    case 'conflictsUnsettled':
      return (
        <>
          <span>
            <b>{say('Two kits at odds:')}</b>{' '}
            {block.conflicts.map((id) => plan.conflicts.find((conflict) => conflict.id === id)?.place).join(', ')}
          </span>
          {way('../conflicts', say('To Conflicts'))}
        </>
      );
    case 'problemOpen': {
      const problem = state.problems[block.problem];
      return (
        <span>
          <b>
            {tell('Problem{which}:', {
              which: problem?.station
                ? say(' at station {label}', { label: index.stations.get(problem.station)?.label })
                : '',
            })}
          </b>{' '}
          {problem?.text} <span className="text-ink-2">({problem?.by.name})</span>
        </span>
      );
    }
  }
}
