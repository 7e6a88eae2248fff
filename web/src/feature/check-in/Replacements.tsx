import { useState } from 'react';
import type { SupplierAnswer } from '#contract/shelf.ts';
import { say } from '#contract/wording/say.ts';
import { substituteText } from '#contract/wording/substitute-text.ts';
import { clockAndDay, waitText } from '#contract/wording/wait-text.ts';
import { leftOnShelf, type ShelfLine, stockPieceOf } from '#core/crib/shelf.ts';
import type { Shortage } from '#core/job/hardware-ledger.ts';
import { lineState } from '#core/job/job-state.ts';
import { type SubstituteDifference, substitutes } from '#core/kit/substitute.ts';
import type { WaitFor } from '#core/rehearse/wait-for.ts';
import { useJobStore } from '../../job/job-store.ts';
import { useOpenJob } from '../../job/use-open-job.ts';
import { api, call } from '../../shop/api.ts';
import { serverNowMs } from '../../shop/clock.ts';
import { failureText } from '../../shop/failure-text.ts';
import { useShelf } from '../../shop/queries.ts';
import ShopData from '../../shop/ShopData.tsx';
import { useSession } from '../../shop/session.ts';
import { Button } from '../../ui/Button.tsx';
import { ReasonSheet } from '../../ui/ReasonSheet.tsx';
import { tell } from '../../ui/tell.ts';
import { kitWorker, workerFailure } from '../../worker/kit-worker.ts';

/** The ways out of a shortage: what the shop's drawers hold, what the supplier promises, and what has come. */
export default function Replacements(props: { shortage: Shortage; onOther: () => void }) {
  return (
    <ShopData>
      <WaysOut {...props} />
    </ShopData>
  );
}

function WaysOut({ shortage, onOther }: { shortage: Shortage; onOther: () => void }) {
  const { item, short } = shortage;
  const { give } = useOpenJob();
  const { data: shelf, failure } = useShelf();
  const role = useSession((session) => session.session?.person.role);
  const [asking, setAsking] = useState<{ line: ShelfLine; differences: SubstituteDifference[] }>();
  const offered = substitutes(
    item,
    (shelf ?? []).filter((line) => leftOnShelf(line) > 0),
  );
  const take = (line: ShelfLine, reason: string) =>
    give({
      type: 'useShopStock',
      item: item.id,
      quantity: Math.min(short, leftOnShelf(line)),
      reason,
      piece: stockPieceOf(line),
    });
  return (
    <div className="mt-2 grid gap-2">
      {failure && (
        <p className="text-sm text-ink-2">
          {tell('The shop’s drawers cannot be looked into now. {failure}', { failure })}
        </p>
      )}
      {shelf && offered.length === 0 && (
        <p className="text-sm text-ink-2">{say('No drawer of the shop holds one that may stand in for it.')}</p>
      )}
      {offered.slice(0, 3).map(({ piece, verdict, differences }) => (
        <div key={piece.id} className="border-l-4 border-ink pl-3">
          <p>
            <b>{tell('Drawer {bin}: {name}', { bin: piece.bin, name: piece.name })}</b>{' '}
            <span className="text-ink-2">{tell('{leftOnShelf} there', { leftOnShelf: leftOnShelf(piece) })}</span>
          </p>
          {differences.length > 0 && <p className="text-sm">{differences.map(substituteText).join('; ')}.</p>}
          {verdict === 'same' ? (
            <Button className="mt-1" onClick={() => take(piece, say('Same piece, drawer {bin}', { bin: piece.bin }))}>
              {tell('Take {short}', { short: Math.min(short, leftOnShelf(piece)) })}
            </Button>
          ) : role === 'lead' ? (
            <Button className="mt-1" onClick={() => setAsking({ line: piece, differences })}>
              {tell('Take {short}, as the lead', { short: Math.min(short, leftOnShelf(piece)) })}
            </Button>
          ) : (
            <p className="text-sm font-bold">{say('It differs: a lead takes it on.')}</p>
          )}
        </div>
      ))}
      <div className="grid grid-cols-2 gap-2">
        <Button onClick={onOther}>{say('Use shop stock')}</Button>
        <Order shortage={shortage} />
      </div>
      <ReasonSheet
        open={asking !== undefined}
        onClose={() => setAsking(undefined)}
        title={say('Drawer {bin} in its place', { bin: asking?.line.bin ?? '' })}
        label={say('Why may it stand in?')}
        confirm={say('Take it')}
        usual={[
          say('Stronger class, same grip'),
          say('Longer, hole is open behind'),
          say('Finish does not matter here'),
        ]}
        onReason={(reason) => {
          if (asking) take(asking.line, reason);
          setAsking(undefined);
        }}
      >
        <p>{tell('{value}. It goes on the record.', { value: asking?.differences.map(substituteText).join('; ') })}</p>
      </ReasonSheet>
    </div>
  );
}

/** Asks the supplier when they would be here, what that does to the job, and orders them. */
function Order({ shortage: { item, short } }: { shortage: Shortage }) {
  const { document, plan, state, give } = useOpenJob();
  const log = useJobStore((store) => store.log);
  const [answer, setAnswer] = useState<SupplierAnswer>();
  const [wait, setWait] = useState<WaitFor>();
  const [fault, setFault] = useState<string>();
  const [busy, setBusy] = useState(false);
  const { ordered = [], arrived = [] } = lineState(state, item.id);
  const clock = plan.rules;
  const wanted = {
    name: item.name,
    ...(item.thread ? { thread: item.thread } : {}),
    quantity: short,
    // What no drawer of a supplier holds: parts, and what carries a stamp or a number.
    special: item.kind === 'part' || item.mark !== undefined || item.serial === true,
  };
  const attempt = async (work: () => Promise<void>) => {
    setBusy(true);
    setFault(undefined);
    try {
      await work();
    } catch (error) {
      setFault(failureText(error));
    }
    setBusy(false);
  };
  const ask = () =>
    attempt(async () => {
      const promised = (await call(api.supplier.promises.$post({ json: wanted }))) as SupplierAnswer;
      setAnswer(promised);
      if (!log) return;
      const { setup, plan: own, state: now } = log;
      // A device that starts no worker is told so like any other failure, and orders all the same.
      await Promise.resolve()
        .then(() =>
          kitWorker().waitFor(
            { setup, plan: own, state: now },
            { item: item.id, quantity: short },
            promised.promisedMs,
            serverNowMs(),
          ),
        )
        .then(setWait)
        .catch((error: unknown) => setFault(workerFailure(error)));
    });
  const order = () =>
    attempt(async () => {
      const {
        order: number = '',
        supplier,
        promisedMs,
      } = (await call(api.supplier.orders.$post({ json: wanted }))) as SupplierAnswer;
      if (give({ type: 'orderPieces', item: item.id, order: number, quantity: short, supplier, promisedMs }))
        setAnswer(undefined);
    });
  const coming = ordered.filter(({ order: number, quantity }) => {
    const here = arrived.filter((entry) => entry.order === number).reduce((sum, entry) => sum + entry.quantity, 0);
    return here < quantity;
  });
  return (
    <>
      {coming.length === 0 && (
        <Button disabled={busy} onClick={() => void ask()}>
          {tell('Order {short}', { short })}
        </Button>
      )}
      {coming.map(({ order: number, quantity, supplier, promisedMs }) => (
        <div key={number} className="col-span-2 border-l-4 border-paint pl-3">
          <p>
            {tell('{quantity} from {supplier}, promised for {clockAndDay}.', {
              quantity: <b>{tell('{quantity} ordered, {number}', { quantity, number })}</b>,
              supplier,
              clockAndDay: clockAndDay(promisedMs, serverNowMs(), clock),
            })}
          </p>
          <Button
            className="mt-1"
            onClick={() => give({ type: 'takeArrival', item: item.id, quantity, order: number })}
          >
            {say('They are here')}
          </Button>
        </div>
      ))}
      {answer && (
        <div className="col-span-2 border-2 border-ink p-3" aria-live="polite">
          <p>
            {tell('{supplier} promises {short} for {clockAndDay}.', {
              supplier: <b>{answer.supplier}</b>,
              short,
              clockAndDay: clockAndDay(answer.promisedMs, serverNowMs(), clock),
            })}
          </p>
          <p className="text-ink-2">
            {wait
              ? waitText(wait, document.slot?.promisedMs, serverNowMs(), clock)
              : say('Working out what that does to the job.')}
          </p>
          <div className="mt-2 grid grid-cols-2 gap-2">
            <Button onClick={() => setAnswer(undefined)}>{say('Leave it')}</Button>
            <Button tone="primary" disabled={busy} onClick={() => void order()}>
              {tell('Order {short}', { short })}
            </Button>
          </div>
        </div>
      )}
      {fault && (
        <p role="alert" className="col-span-2 font-bold text-bad">
          {fault}
        </p>
      )}
    </>
  );
}
