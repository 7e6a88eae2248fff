import { useMemo, useRef, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link, useSearchParams } from 'react-router';
import { discrepancyCsv } from '#contract/discrepancy-csv.ts';
import { classText } from '#contract/wording/class-text.ts';
import { numberOf } from '#contract/wording/number-of.ts';
import { say } from '#contract/wording/say.ts';
import { discrepancies } from '#core/job/discrepancies.ts';
import { hardwareLedger, shortages } from '#core/job/hardware-ledger.ts';
import { lineState } from '#core/job/job-state.ts';
import { lookAlikes } from '#core/kit/look-alike.ts';
import type { Plan, PlanItem } from '#core/kit/plan.ts';
import { inTheBox } from '#core/kit/put-on.ts';
import { stampsToTell } from '#core/kit/stamps.ts';
import { usePrimaryKey } from '../../app/use-primary-key.ts';
import { useScanner } from '../../app/use-scanner.ts';
import { Keys } from '../../job/Keys.tsx';
import { useOpenJob } from '../../job/use-open-job.ts';
import { saveFile } from '../../shop/save-file.ts';
import { useSettings } from '../../shop/settings.ts';
import { ActionBar, Button } from '../../ui/Button.tsx';
import { ReasonSheet } from '../../ui/ReasonSheet.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { tell } from '../../ui/tell.ts';
import { Aside } from './Aside.tsx';
import { CountedLine } from './CountedLine.tsx';
import { Place, Spares, ToolVotes, Varies, WhereTheyAre } from './LineFacts.tsx';
import { LookAlikes, PieceFacts, PieceViews } from './PieceFacts.tsx';
import { Recount } from './Recount.tsx';
import { Serials } from './Serials.tsx';
import { HowFar, Shortages } from './Shortages.tsx';
import { StampSheet } from './StampSheet.tsx';
import { TrayMap } from './TrayMap.tsx';
import { WeighSheet } from './WeighSheet.tsx';
import { WhichBolt } from './WhichBolt.tsx';

/** A bag of a kit, or what no box brings. */
interface Bag {
  key: string;
  title: string;
  items: PlanItem[];
}

/** Lines by kit and bag, each kit its own; what sits on the vehicle or on the shelf stands at the end. */
function bagsOf(plan: Plan): Bag[] {
  const bags = new Map<string, Bag>();
  for (const item of [...plan.items].sort((a, b) => Number(inTheBox(b)) - Number(inTheBox(a)))) {
    const kit = plan.kits.length > 1 ? plan.kits.find(({ id }) => id === item.kit)?.title : undefined;
    const [key, title] = inTheBox(item)
      ? [`${item.kit} ${item.bag}`, kit ? `${kit}: ${item.bag}` : item.bag]
      : item.source === 'factory'
        ? ['vehicle', say('Comes off the vehicle: counted when it is in the hand')]
        : ['shop', say('From the shop’s shelf')];
    const bag = bags.get(key) ?? { key, title, items: [] };
    bag.items.push(item);
    bags.set(key, bag);
  }
  return [...bags.values()];
}

/** Count every line of the packing list against what is in the bags. */
export default function CheckIn() {
  const { document, plan, state, give } = useOpenJob();
  const { pxPerMm, scaled } = useSettings();
  const [asked] = useSearchParams();
  // A label of a compartment opens the job at its line.
  const [chosen, setChosen] = useState<string | undefined>(asked.get('line') ?? undefined);
  const [typed, setTyped] = useState('');
  const [asking, setAsking] = useState(false);
  const [weighing, setWeighing] = useState(false);
  const [stockFor, setStockFor] = useState<PlanItem>();
  const [mapped, setMapped] = useState(false);
  const [scanned, setScanned] = useState<string>();
  const rows = useRef(new Map<string, HTMLLIElement>());
  const bags = useMemo(() => bagsOf(plan), [plan]);
  // In the order they are on the screen: the keys go the way the eye does.
  const lines = useMemo(() => bags.flatMap(({ items }) => items), [bags]);
  const boxed = lines.filter(inTheBox);
  const open = boxed.filter((item) => lineState(state, item.id).count === undefined);
  const current = lines.find((item) => item.id === chosen) ?? open[0] ?? lines[0];
  const counted = boxed.length - open.length;
  const alikes = useMemo(() => new Map(lines.map((item) => [item.id, lookAlikes(item, lines)])), [lines]);
  const ledger = useMemo(() => new Map(hardwareLedger(plan, state).map((line) => [line.item.id, line])), [plan, state]);
  const short = useMemo(() => shortages(plan, state), [plan, state]);
  const wrong = useMemo(() => discrepancies(plan, state), [plan, state]);

  const select = (item: PlanItem | undefined) => {
    setTyped('');
    setChosen(item?.id);
    if (item) rows.current.get(item.id)?.scrollIntoView({ block: 'nearest' });
  };
  /** Waits for its stamp to be read where others are alike but for it. */
  const [unread, setUnread] = useState<{ item: PlanItem; stamps: string[]; found: number; on: boolean }>();
  const count = (
    item: PlanItem,
    found: number,
    damaged = lineState(state, item.id).count?.damaged ?? 0,
    { read, on = false }: { read?: string; on?: boolean } = {},
  ) => {
    const stamps = found > 0 ? stampsToTell(item, plan.items) : [];
    if (stamps.length > 0 && read === undefined && lineState(state, item.id).count?.read === undefined) {
      setUnread({ item, stamps, found, on });
      return false;
    }
    return give({
      type: 'countLine',
      item: item.id,
      found,
      damaged: Math.min(damaged, Math.max(0, found)),
      ...(read === undefined ? {} : { read }),
    });
  };
  /** Counts the line and goes on to the next that is open. */
  const settle = (item: PlanItem, found: number, read?: string) => {
    if (!count(item, found, undefined, { read, on: true })) return;
    const place = lines.indexOf(item);
    const after = [...lines.slice(place + 1), ...lines.slice(0, place)];
    select(after.find((entry) => inTheBox(entry) && lineState(state, entry.id).count === undefined));
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
    current && select(lines[Math.max(0, Math.min(lines.length - 1, lines.indexOf(current) + by))]);
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
  useHotkeys('b', () => setAsking(true), { preventDefault: true });
  useHotkeys('g', () => setWeighing(true), { preventDefault: true });
  useHotkeys('d', damage, [current, state]);
  useHotkeys('u', () => give({ type: 'undo' }), [give]);
  useHotkeys('m', () => setMapped(true), { preventDefault: true });
  useScanner((code) => {
    // The first key of a burst went to the counting.
    setTyped('');
    const wanted = code.trim().toLowerCase();
    // The card of a job, this one's lines apart: it is opened, whatever is being counted.
    if (/^https?:/.test(wanted) && !wanted.includes('line=')) return false;
    const labelled = lines.find(({ id }) => wanted.endsWith(`line=${encodeURIComponent(id)}`.toLowerCase()));
    if (labelled) {
      select(labelled);
      setScanned(`${labelled.line} ${labelled.name}.`);
      return true;
    }
    const hit = lines
      .flatMap((item) => (item.codes ?? []).map((entry) => ({ item, ...entry })))
      .find((entry) => entry.code.toLowerCase() === wanted);
    if (!hit) {
      setScanned(say('Nothing on the list carries {code}.', { code }));
      return true;
    }
    const found = (lineState(state, hit.item.id).count?.found ?? 0) + hit.pieces;
    setChosen(hit.item.id);
    rows.current.get(hit.item.id)?.scrollIntoView({ block: 'nearest' });
    if (count(hit.item, found))
      setScanned(
        say('{line} {name}: {pieces} more, {found} in all.', {
          line: hit.item.line,
          name: hit.item.name,
          pieces: hit.pieces,
          found,
        }),
      );
    return true;
  });

  return (
    <div className="hand-row flex flex-1 flex-col lg:min-h-0 lg:flex-row">
      <main className="flex-1 bg-bench px-4 pb-28 lg:min-h-0 lg:overflow-y-auto lg:px-5 lg:pb-6">
        <div className="border-b border-rule bg-bench py-3 lg:sticky lg:top-0 lg:z-10">
          <div className="flex flex-wrap items-center justify-between gap-x-4 gap-y-2">
            <h1 className="plate text-3xl">{say('Packing list')}</h1>
            <p className="figures">{tell('{counted} of {count} lines counted', { counted, count: boxed.length })}</p>
            <Button className="min-h-11! whitespace-nowrap" hotkey="B" onClick={() => setAsking(true)}>
              {say('Which bolt is this?')}
            </Button>
            <Button className="min-h-11! whitespace-nowrap" hotkey="M" onClick={() => setMapped(true)}>
              {say('Tray map')}
            </Button>
          </div>
          {scanned && (
            <p role="status" className="font-bold">
              {scanned}
            </p>
          )}
          <p className="hidden text-sm text-ink-2 sm:block">
            {scaled
              ? say('Hardware is drawn life-size on this screen: lay it on the glass and compare.')
              : say(
                  'Not life-size yet: under your initials, lay a bank card on the outline and slide until they match.',
                )}
          </p>
        </div>
        {bags.map(({ key, title, items }) => (
          <section key={key} aria-label={title}>
            <h2 className="mt-4 mb-1 text-sm font-bold text-ink-2">{title}</h2>
            <ul>
              {items.map((item) => (
                <CountedLine
                  key={item.id}
                  item={item}
                  selected={item.id === current?.id}
                  typed={item.id === current?.id ? typed : ''}
                  found={lineState(state, item.id).count?.found}
                  damaged={lineState(state, item.id).count?.damaged ?? 0}
                  fromStock={lineState(state, item.id).shopStock.reduce((sum, entry) => sum + entry.quantity, 0)}
                  alike={alikes.get(item.id)?.map(({ piece }) => piece.line) ?? []}
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
                {tell('Line {line} · {name}', { line: current.line, name: current.name })}
              </h2>
              <PieceFacts item={current} />
              <PieceViews item={current} pxPerMm={pxPerMm} />
              <Place item={current} />
              {current.tellTale && <p className="mt-3 border-l-4 border-ink pl-3">{current.tellTale}</p>}
              <ToolVotes item={current} />
              <Varies item={current} />
              <LookAlikes alikes={alikes.get(current.id) ?? []} />
              <div className="mt-4 grid grid-cols-[1fr_auto_1fr] items-center gap-3">
                <Button aria-label={say('One fewer')} className="text-3xl" onClick={() => step(-1)}>
                  −
                </Button>
                <output aria-label={say('Counted')} className="figures min-w-24 text-center text-6xl font-bold">
                  {typed || (lineState(state, current.id).count?.found ?? '–')}
                </output>
                <Button aria-label={say('One more')} className="text-3xl" onClick={() => step(1)}>
                  +
                </Button>
              </div>
              <div className="mt-3 grid grid-cols-2 gap-2">
                <Button hotkey="D" onClick={damage} disabled={!lineState(state, current.id).count}>
                  {say('One damaged')}
                </Button>
                <Button hotkey="U" onClick={() => give({ type: 'undo' })}>
                  {say('Take back')}
                </Button>
              </div>
              {current.kind !== 'part' && current.kind !== 'compound' && (
                <Button className="mt-2 w-full" hotkey="G" onClick={() => setWeighing(true)}>
                  {say('Count by weight')}
                </Button>
              )}
              <Serials key={current.id} item={current} />
              <Recount key={`again ${current.id}`} item={current} />
              <Aside key={`aside ${current.id}`} item={current} free={ledger.get(current.id)?.onTray ?? 0} />
              {ledger.get(current.id) && <Spares item={current} over={ledger.get(current.id)?.over ?? 0} />}
              <WhereTheyAre line={ledger.get(current.id)} />
            </>
          )}
          <Shortages plan={plan} short={short} onStock={({ item }) => setStockFor(item)} />
          {/* Before all is counted it would stop at the first line that is not. */}
          {short.length > 0 && open.length === 0 && <HowFar />}
          {wrong.length > 0 && (
            <a
              className="mt-4 flex min-h-14 items-center justify-center border-2 border-ink bg-sheet px-4 font-bold"
              href={`/api/jobs/${document.id}/box.pdf`}
              download
            >
              {tell('{numberOf} for the maker, as PDF', { numberOf: numberOf(wrong.length, 'line') })}
            </a>
          )}
          {wrong.length > 0 && (
            <Button
              className="mt-2 w-full"
              onClick={() => saveFile(`${document.number}-box.csv`, 'text/csv', discrepancyCsv(plan, wrong))}
            >
              {say('The same as CSV')}
            </Button>
          )}
          <Keys />
          {open.length === 0 && (
            <p className="mt-5">
              {tell('Every line is counted. {link}', {
                link: (
                  <Link className="font-bold underline" to="../line">
                    {say('On to the line')}
                  </Link>
                ),
              })}
            </p>
          )}
        </div>
        {open.length > 0 && current && (
          <ActionBar onClick={allHere}>
            {typed === ''
              ? say('Line {line}: all {quantity} here', { line: current.line, quantity: current.quantity })
              : say('Line {line}: {typed} found', { line: current.line, typed })}
          </ActionBar>
        )}
      </aside>
      <StampSheet
        item={unread?.item}
        stamps={unread?.stamps ?? []}
        onClose={() => setUnread(undefined)}
        onRead={(read) => {
          const waiting = unread;
          setUnread(undefined);
          if (!waiting) return;
          if (waiting.on) settle(waiting.item, waiting.found, read);
          else count(waiting.item, waiting.found, undefined, { read });
        }}
      />
      <Sheet open={mapped} onClose={() => setMapped(false)} title={say('Where it lies')} wide>
        <TrayMap
          onPick={(item) => {
            setMapped(false);
            select(item);
          }}
        />
      </Sheet>
      <Sheet open={asking} onClose={() => setAsking(false)} title={say('Which bolt is this?')} wide>
        <WhichBolt
          items={lines}
          onTake={(item) => {
            setAsking(false);
            select(item);
          }}
        />
      </Sheet>
      <WeighSheet
        item={weighing ? current : undefined}
        onClose={() => setWeighing(false)}
        onCount={(pieces) => {
          setWeighing(false);
          if (current) settle(current, pieces);
        }}
      />
      <ReasonSheet
        open={stockFor !== undefined}
        onClose={() => setStockFor(undefined)}
        title={say('From shop stock')}
        label={say('Which pieces, same class and length?')}
        confirm={say('Use them')}
        usual={[say('Same class and length from the rack'), say('Next class up, same length')]}
        onReason={(reason) => {
          const missing = short.find((entry) => entry.item.id === stockFor?.id);
          if (missing) give({ type: 'useShopStock', item: missing.item.id, quantity: missing.short, reason });
          setStockFor(undefined);
        }}
      >
        <p>
          {tell('{short} × {name}{which}. It goes on the record.', {
            short: short.find((entry) => entry.item.id === stockFor?.id)?.short,
            name: stockFor?.name,
            which: stockFor?.propertyClass ? `, ${classText(stockFor.propertyClass)}` : '',
          })}
        </p>
      </ReasonSheet>
    </div>
  );
}
