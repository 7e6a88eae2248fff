import { useMemo, useRef, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link } from 'react-router';
import { classText } from '#contract/wording/class-text.ts';
import { hardwareLedger, shortages } from '#core/job/hardware-ledger.ts';
import { lineState } from '#core/job/job-state.ts';
import type { PlanItem } from '#core/kit/plan.ts';
import { usePrimaryKey } from '../../app/use-primary-key.ts';
import { HardwareDrawing } from '../../drawing/HardwareDrawing.tsx';
import { useOpenJob } from '../../job/use-open-job.ts';
import { useSettings } from '../../shop/settings.ts';
import { ActionBar, Button } from '../../ui/Button.tsx';
import { ReasonSheet } from '../../ui/ReasonSheet.tsx';

/** Pieces drawn beside each other at most. */
const DRAWN = 3;

/** Count every line of the packing list against what is in the bags. */
export default function CheckIn() {
  const { plan, state, give } = useOpenJob();
  const { pxPerMm, scaled } = useSettings();
  const [chosen, setChosen] = useState<string>();
  const [typed, setTyped] = useState('');
  const [stockFor, setStockFor] = useState<PlanItem>();
  const rows = useRef(new Map<string, HTMLLIElement>());
  const open = plan.items.filter((item) => lineState(state, item.id).count === undefined);
  const current = plan.items.find((item) => item.id === chosen) ?? open[0] ?? plan.items[0];
  const counted = plan.items.length - open.length;
  const ledger = useMemo(() => new Map(hardwareLedger(plan, state).map((line) => [line.item.id, line])), [plan, state]);
  const short = useMemo(() => shortages(plan, state), [plan, state]);
  const bags = [...new Set(plan.items.map((item) => item.bag))];

  const select = (item: PlanItem | undefined) => {
    setTyped('');
    setChosen(item?.id);
    if (item) rows.current.get(item.id)?.scrollIntoView({ block: 'nearest' });
  };
  const count = (item: PlanItem, found: number, damaged = lineState(state, item.id).count?.damaged ?? 0) =>
    give({ type: 'countLine', item: item.id, found, damaged: Math.min(damaged, Math.max(0, found)) });
  /** Counts the line and goes on to the next that is open. */
  const settle = (item: PlanItem, found: number) => {
    if (!count(item, found)) return;
    const place = plan.items.indexOf(item);
    const after = [...plan.items.slice(place + 1), ...plan.items.slice(0, place)];
    select(after.find((entry) => lineState(state, entry.id).count === undefined));
  };
  const takeTyped = () => {
    if (!current || typed === '') return;
    // What was typed is judged as it stands: 2.5 or 1e9 gets the refusal that says why.
    settle(current, Number(typed));
    setTyped('');
  };
  const step = (by: number) =>
    current && count(current, Math.max(0, (lineState(state, current.id).count?.found ?? 0) + by));
  const move = (by: number) =>
    current && select(plan.items[Math.max(0, Math.min(plan.items.length - 1, plan.items.indexOf(current) + by))]);
  const damage = () => {
    const line = current && lineState(state, current.id).count;
    if (current && line && line.damaged < line.found) count(current, line.found, line.damaged + 1);
  };
  const allHere =
    open.length > 0 && current ? () => (typed === '' ? settle(current, current.quantity) : takeTyped()) : undefined;

  usePrimaryKey(allHere);
  useHotkeys(
    '0,1,2,3,4,5,6,7,8,9',
    (_, { keys }) => setTyped((before) => `${before}${keys?.join('')}`.slice(0, 6)),
    { useKey: true },
    [current],
  );
  useHotkeys('period', () => setTyped((before) => `${before}.`), [current]);
  useHotkeys('backspace', () => setTyped((before) => before.slice(0, -1)), [current]);
  useHotkeys('enter', takeTyped, [current, typed, state]);
  useHotkeys('plus,equal,add', () => step(1), [current, state]);
  useHotkeys('minus,subtract', () => step(-1), [current, state]);
  useHotkeys('up', () => move(-1), { preventDefault: true }, [current]);
  useHotkeys('down', () => move(1), { preventDefault: true }, [current]);
  useHotkeys('d', damage, [current, state]);
  useHotkeys('u', () => give({ type: 'undo' }), [give]);

  return (
    <div className="flex flex-1 flex-col lg:min-h-0 lg:flex-row">
      <main className="flex-1 bg-bench px-4 pb-28 lg:min-h-0 lg:overflow-y-auto lg:px-5 lg:pb-6">
        <div className="flex items-baseline lg:sticky lg:top-0 lg:z-10 justify-between gap-4 border-b border-rule bg-bench py-4">
          <h1 className="plate text-3xl">Packing list</h1>
          <p className="hidden text-ink-2 sm:block">
            {scaled ? 'drawn life-size on this screen' : 'scale not set: settings, a bank card'}
          </p>
          <p className="figures">
            {counted} of {plan.items.length} lines counted
          </p>
        </div>
        {bags.map((bag) => (
          <section key={bag} aria-label={bag}>
            <h2 className="mt-4 mb-1 text-sm font-bold text-ink-2">{bag}</h2>
            <ul>
              {plan.items
                .filter((item) => item.bag === bag)
                .map((item) => (
                  <Line
                    key={item.id}
                    item={item}
                    selected={item.id === current?.id}
                    typed={item.id === current?.id ? typed : ''}
                    found={lineState(state, item.id).count?.found}
                    damaged={lineState(state, item.id).count?.damaged ?? 0}
                    fromStock={lineState(state, item.id).shopStock.reduce((sum, entry) => sum + entry.quantity, 0)}
                    pxPerMm={pxPerMm}
                    refer={(element) => (element ? rows.current.set(item.id, element) : rows.current.delete(item.id))}
                    onSelect={() => select(item)}
                    onAll={() => settle(item, item.quantity)}
                  />
                ))}
            </ul>
          </section>
        ))}
      </main>
      <aside className="order-first flex shrink-0 flex-col border-b-2 border-ink bg-sheet lg:order-none lg:w-[400px] lg:border-b-0 lg:border-l-2">
        <div className="flex-1 p-5 lg:min-h-0 lg:overflow-y-auto">
          {current && (
            <>
              <h2 className="plate text-3xl">
                Line {current.line} · {current.name}
              </h2>
              <Facts item={current} />
              {current.tellTale && <p className="mt-3 border-l-4 border-ink pl-3">{current.tellTale}</p>}
              <div className="mt-4 grid grid-cols-[1fr_auto_1fr] items-center gap-3">
                <Button aria-label="One fewer" className="text-3xl" onClick={() => step(-1)}>
                  −
                </Button>
                <output aria-label="Counted" className="figures min-w-24 text-center text-6xl font-bold">
                  {typed || (lineState(state, current.id).count?.found ?? '–')}
                </output>
                <Button aria-label="One more" className="text-3xl" onClick={() => step(1)}>
                  +
                </Button>
              </div>
              <div className="mt-3 grid grid-cols-2 gap-2">
                <Button hotkey="D" onClick={damage} disabled={!lineState(state, current.id).count}>
                  One damaged
                </Button>
                <Button hotkey="U" onClick={() => give({ type: 'undo' })}>
                  Take back
                </Button>
              </div>
              {ledger.get(current.id) && <Spares item={current} over={ledger.get(current.id)?.over ?? 0} />}
            </>
          )}
          {short.map(({ item, short: missing, stations }) => (
            <section key={item.id} className="mt-4 border-2 border-bad p-4">
              <h3 className="font-bold">
                {missing} short: {item.line} {item.name}
              </h3>
              <p className="text-ink-2">
                {stations.length > 0
                  ? `Stations ${stations.map((id) => plan.stations.find((entry) => entry.id === id)?.label).join(', ')} wait; the rest can be worked.`
                  : 'Nothing waits for it yet.'}
              </p>
              <Button className="mt-3" onClick={() => setStockFor(item)}>
                Use shop stock
              </Button>
            </section>
          ))}
          {open.length === 0 && (
            <p className="mt-5">
              Every line is counted.{' '}
              <Link className="font-bold underline" to="../line">
                On to the line
              </Link>
            </p>
          )}
        </div>
        {open.length > 0 && current && (
          <ActionBar onClick={allHere}>
            {typed === ''
              ? `Line ${current.line}: all ${current.quantity} here`
              : `Line ${current.line}: ${typed} found`}
          </ActionBar>
        )}
      </aside>
      <ReasonSheet
        open={stockFor !== undefined}
        onClose={() => setStockFor(undefined)}
        title="From shop stock"
        label="Which pieces, same class and length?"
        confirm="Use them"
        usual={['Same class and length from the rack', 'Next class up, same length']}
        onReason={(reason) => {
          const missing = short.find((entry) => entry.item.id === stockFor?.id);
          if (missing) give({ type: 'useShopStock', item: missing.item.id, quantity: missing.short, reason });
          setStockFor(undefined);
        }}
      >
        <p>
          {short.find((entry) => entry.item.id === stockFor?.id)?.short} × {stockFor?.name}
          {stockFor?.propertyClass ? `, ${classText(stockFor.propertyClass)}` : ''}. It goes on the record.
        </p>
      </ReasonSheet>
    </div>
  );
}

function Facts({ item }: { item: PlanItem }) {
  const facts = [
    item.thread && `thread ${item.thread.replaceAll('x', '×')}`,
    item.lengthMm && item.kind !== 'part' && `${item.lengthMm} mm long`,
    item.propertyClass && classText(item.propertyClass),
    item.finish,
    item.acrossFlatsMm && item.kind !== 'part' && `${item.acrossFlatsMm} mm across flats`,
    item.insideMm &&
      item.outsideMm &&
      `${item.insideMm} inside, ${item.outsideMm} outside, ${item.thicknessMm ?? '?'} thick`,
    item.singleUse && 'use once',
  ].filter(Boolean);
  return <p className="mt-1 text-ink-2">{facts.join(' · ')}</p>;
}

function Spares({ item, over }: { item: PlanItem; over: number }) {
  return (
    <p className="mt-3 text-sm text-ink-2">
      {item.needed} used
      {item.expectedSpare > 0 ? `, ${item.expectedSpare} left over for the owner` : ', none left over'}
      {over > 0 ? `; ${over} more than the sheet says` : ''}.
    </p>
  );
}

function Line({
  item,
  selected,
  typed,
  found,
  damaged,
  fromStock,
  pxPerMm,
  refer,
  onSelect,
  onAll,
}: {
  item: PlanItem;
  selected: boolean;
  typed: string;
  found?: number;
  damaged: number;
  fromStock: number;
  pxPerMm: number;
  refer: (element: HTMLLIElement | null) => void;
  onSelect: () => void;
  onAll: () => void;
}) {
  const good = (found ?? 0) - damaged + fromStock;
  const short = found === undefined ? 0 : Math.max(0, item.needed - good);
  const pieces = Math.min(
    DRAWN,
    item.kind === 'bolt' || item.kind === 'part' || item.kind === 'pin' || item.kind === 'compound' ? 1 : item.quantity,
  );
  const status =
    found === undefined
      ? {
          text: selected && typed === '' ? 'Counting' : 'Not counted',
          dress: selected ? 'bg-paint text-on-paint border-paint' : 'border-rule text-ink-2',
        }
      : short > 0
        ? { text: `${short} short`, dress: 'border-bad text-bad bg-sheet' }
        : damaged > 0
          ? { text: `${damaged} damaged`, dress: 'border-bad text-bad bg-sheet' }
          : found > item.quantity
            ? { text: `${found - item.quantity} over`, dress: 'border-ink bg-sheet' }
            : found < item.quantity
              ? { text: `${item.quantity - found} fewer, enough`, dress: 'border-ink bg-sheet' }
              : { text: 'All here', dress: 'bg-plate text-on-plate border-plate' };
  return (
    <li
      ref={refer}
      className={`flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-rule py-2 ${selected ? 'bg-sheet shadow-[inset_6px_0_0_#ffd21f]' : ''}`}
    >
      <button
        type="button"
        className="flex min-h-16 min-w-0 flex-1 flex-wrap items-center gap-x-4 gap-y-1 px-3 text-left"
        aria-pressed={selected}
        onClick={onSelect}
      >
        <span className="w-52 shrink-0">
          <span className="block font-bold">
            <span className="text-ink-2">{item.line}</span> {item.name}
          </span>
          <span className="text-sm text-ink-2">
            {[
              item.propertyClass && classText(item.propertyClass),
              item.head === 'hexFlange' ? 'flange head' : item.head === 'hex' ? 'hex head' : undefined,
              item.finish,
            ]
              .filter(Boolean)
              .join(', ')}
          </span>
        </span>
        <span className="flex min-w-0 items-center gap-2 overflow-hidden">
          {Array.from({ length: pieces }, (_, index) => index).map((index) => (
            <HardwareDrawing
              key={index}
              item={item}
              pxPerMm={pxPerMm}
              missing={found !== undefined && short > 0 && index >= pieces - Math.min(pieces, short)}
            />
          ))}
        </span>
      </button>
      <span className="figures w-24 text-right">
        <b className="text-3xl">{typed || (found ?? '–')}</b> <span className="text-ink-2">/ {item.quantity}</span>
      </span>
      <button
        type="button"
        onClick={onAll}
        aria-label={`${item.line}: ${status.text}. Press when all ${item.quantity} are here`}
        className={`plate relative min-h-12 w-32 border-2 px-2 text-lg ${status.dress}`}
      >
        {status.text}
        {status.text === 'All here' && (
          <span aria-hidden="true" className="absolute -top-1.5 right-1 h-1.5 w-6 -rotate-35 bg-paint" />
        )}
      </button>
    </li>
  );
}
