import { useState } from 'react';
import { say } from '#contract/wording/say.ts';
import { type Bottle, bottleVerdict, leftMl, REORDER_SHARE } from '#core/crib/bottle.ts';
import { mayInCrib } from '#core/crib/crib-role.ts';
import { written } from '#core/quantity/display.ts';
import { dayOf } from '#core/wrench/suitable-wrench.ts';
import { Curve } from '../../drawing/Curve.tsx';
import { api, call } from '../../shop/api.ts';
import { useSession } from '../../shop/session.ts';
import { shopFormat } from '../../shop/shop-time.ts';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { tell } from '../../ui/tell.ts';
import { useNow } from '../../ui/use-now.ts';
import { BottleForm } from './BottleForm.tsx';
import { useOpenCrib } from './CribShell.tsx';
import { KIND_TEXT, TINT } from './compound-text.ts';

const WHY = { printed: say('past its date'), opened: say('open too long'), tooWarm: say('stored too warm') };

/** Bottles with what is left in them by count, their dates, and the store's thermometer. */
export default function Compounds() {
  const { crib, act } = useOpenCrib();
  const role = useSession((state) => state.session?.person.role) ?? 'apprentice';
  const today = dayOf(useNow(60_000));
  const [adding, setAdding] = useState(false);
  const [picked, setPicked] = useState<Bottle>();
  const [celsius, setCelsius] = useState('');
  const keeps = mayInCrib(role, 'keepStock');
  const shelf = crib.bottles.filter((bottle) => bottle.emptiedOn === undefined);
  const reading = Number(celsius.replace(',', '.'));
  const readable = celsius.trim() !== '' && Number.isFinite(reading) && reading >= -40 && reading <= 70;
  return (
    <div className="flex flex-1 flex-col lg:min-h-0 lg:flex-row">
      <main className="min-w-0 flex-1 bg-bench p-5 lg:overflow-y-auto">
        <div className="mb-3 flex items-center gap-2">
          <h1 className="plate mr-auto text-3xl">{say('On the shelf')}</h1>
          {keeps && <Button onClick={() => setAdding(true)}>{say('Put one on the shelf')}</Button>}
        </div>
        {shelf.length === 0 && <p className="text-ink-2">{say('Nothing stands here yet.')}</p>}
        <ul className="border-t-2 border-ink">
          {shelf.map((bottle) => (
            <li key={bottle.id}>
              <Row bottle={bottle} today={today} onPick={keeps ? () => setPicked(bottle) : undefined} />
            </li>
          ))}
        </ul>
      </main>
      <aside className="shrink-0 border-ink bg-sheet p-5 lg:w-[400px] lg:overflow-y-auto lg:border-l-2">
        <h2 className="plate mb-2 text-2xl">{say("The store's thermometer")}</h2>
        {crib.temperatures.length > 1 ? (
          <Curve
            label={say('Temperature of the store over the last days')}
            xLabel={say('days ago')}
            yLabel="°C"
            yFrom={0}
            series={[
              {
                key: 't',
                label: say('store'),
                points: crib.temperatures.map(({ atMs, temperatureC }) => [
                  (atMs - Date.parse(today)) / 86_400_000,
                  temperatureC,
                ]),
              },
            ]}
            limits={[
              { y: Math.min(28, ...shelf.map((bottle) => bottle.storeMaxC)), text: say('warmest allowed'), bad: true },
            ]}
          />
        ) : (
          <p className="text-ink-2">{say('Two readings make a curve.')}</p>
        )}
        {keeps && (
          <form
            className="mt-3 flex gap-2"
            onSubmit={async (event) => {
              event.preventDefault();
              if (await act(() => call(api.crib.temperatures.$post({ json: { temperatureC: reading } }))))
                setCelsius('');
            }}
          >
            <input
              className="figures min-h-14 min-w-0 flex-1 border-2 border-ink bg-sheet px-3 text-lg"
              inputMode="decimal"
              aria-label={say('Temperature now, °C')}
              placeholder={say('°C now')}
              value={celsius}
              onChange={(event) => setCelsius(event.target.value)}
            />
            <Button type="submit" disabled={!readable}>
              {say('Log it')}
            </Button>
          </form>
        )}
        <p className="mt-4 text-sm text-ink-2">
          {say(
            "Beads put on in the jobs are counted off the open bottle of their kind, by thread and length in mesh. Correct the count by what you see. Skin contact and vapour: read each product's safety sheet.",
          )}
        </p>
      </aside>
      {adding && <BottleForm onClose={() => setAdding(false)} />}
      {picked && <BottleSheet bottle={picked} today={today} onClose={() => setPicked(undefined)} />}
    </div>
  );
}

/** A bottle as a glass with its level, its dates and what is against it. */
function Row({ bottle, today, onPick }: { bottle: Bottle; today: string; onPick?: () => void }) {
  const { crib } = useOpenCrib();
  const verdict = bottleVerdict(bottle, crib.temperatures, today);
  const left = leftMl(bottle);
  const share = left / bottle.sizeMl;
  const low = share < REORDER_SHARE;
  return (
    <button
      type="button"
      disabled={!onPick}
      onClick={onPick}
      className="grid min-h-20 w-full grid-cols-[2rem_1fr_auto] items-center gap-4 border-b border-rule py-2 text-left"
    >
      <svg viewBox="0 0 32 64" className="h-16" aria-hidden="true">
        <path d="M11 2h10v8l7 8v44H4V18l7-8z" fill="var(--sheet)" stroke="var(--ink)" strokeWidth="2" />
        <rect
          x="5"
          y={61 - 42 * Math.min(1, share)}
          width="22"
          height={42 * Math.min(1, share)}
          fill={TINT[bottle.kind]}
        />
      </svg>
      <span>
        <b>{bottle.name}</b> <span className="text-ink-2">{KIND_TEXT[bottle.kind]}</span>
        <span className="figures block text-sm text-ink-2">
          {tell('lot {lot} · {which}', {
            lot: bottle.lot,
            which: bottle.openedOn ? say('opened {openedOn}', { openedOn: bottle.openedOn }) : say('not opened'),
          })}
        </span>
        <span className={`block text-sm ${verdict.usable ? '' : 'font-bold text-bad'}`}>
          {verdict.usable
            ? say('good to {lastDay}, {daysLeft} days', { lastDay: verdict.lastDay, daysLeft: verdict.daysLeft })
            : say('Not to be used: {why} ({lastDay})', { why: WHY[verdict.because], lastDay: verdict.lastDay })}
        </span>
      </span>
      <span className="text-right">
        <span className={`figures block text-2xl font-bold ${low ? 'text-bad' : ''}`}>
          {tell('{which} mL', { which: left < 10 ? written(left, 2) : written(left, 1) })}
        </span>
        <span className="figures text-sm text-ink-2">{tell('of {sizeMl}', { sizeMl: bottle.sizeMl })}</span>
      </span>
    </button>
  );
}

/** What a person does to a bottle: opens it, corrects the count, empties it. */
function BottleSheet({ bottle, today, onClose }: { bottle: Bottle; today: string; onClose: () => void }) {
  const { act } = useOpenCrib();
  const [seen, setSeen] = useState('');
  const [reason, setReason] = useState('');
  const value = Number(seen.replace(',', '.'));
  const readable = seen.trim() !== '' && Number.isFinite(value) && value >= 0;
  const change = async (
    json: { type: 'opened' | 'emptied' | 'gelled'; on: string } | { type: 'seen'; leftMl: number; reason: string },
  ) => {
    if (await act(() => call(api.crib.bottles[':id'].changes.$post({ param: { id: bottle.id }, json })))) onClose();
  };
  return (
    <Sheet
      open
      onClose={onClose}
      title={bottle.name}
      description={say('Lot {lot}, on the shelf since {shopFormat}. {usedMl} mL counted off by the jobs.', {
        lot: bottle.lot,
        shopFormat: shopFormat(bottle.receivedAtMs, 'd MMM yyyy'),
        usedMl: written(bottle.usedMl, 2),
      })}
    >
      <div className="grid gap-4">
        <div className="grid grid-cols-2 gap-2">
          <Button disabled={bottle.openedOn !== undefined} onClick={() => void change({ type: 'opened', on: today })}>
            {bottle.openedOn ? say('Opened {openedOn}', { openedOn: bottle.openedOn }) : say('Opened today')}
          </Button>
          <Button tone="bad" onClick={() => void change({ type: 'emptied', on: today })}>
            {say('Empty, off the shelf')}
          </Button>
          <Button tone="bad" className="col-span-2" onClick={() => void change({ type: 'gelled', on: today })}>
            {say('It has gelled, never to be used')}
          </Button>
        </div>
        <form
          className="grid gap-3 border-t border-rule pt-4"
          onSubmit={(event) => {
            event.preventDefault();
            void change({ type: 'seen', leftMl: value, reason: reason.trim() });
          }}
        >
          <label className="grid gap-1">
            <span className="font-bold">{say('Left in it, mL, as seen or weighed')}</span>
            <input
              className="figures min-h-12 border-2 border-ink bg-sheet px-3"
              inputMode="decimal"
              value={seen}
              onChange={(event) => setSeen(event.target.value)}
            />
          </label>
          <label className="grid gap-1">
            <span className="font-bold">{say('Why the count was off')}</span>
            <input
              className="min-h-12 border-2 border-ink bg-sheet px-3"
              maxLength={500}
              value={reason}
              onChange={(event) => setReason(event.target.value)}
            />
          </label>
          <Button type="submit" tone="primary" disabled={!readable || reason.trim() === ''}>
            {say('Correct the count')}
          </Button>
        </form>
      </div>
    </Sheet>
  );
}
