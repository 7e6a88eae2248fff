import type { CalledOff } from '#contract/job.ts';
import { CALLED_OFF_TEXT } from '#contract/wording/slot-text.ts';
import { shopFormat } from '../shop/shop-time.ts';
import { tell } from '../ui/tell.ts';

/** Above a job whose vehicle does not come: who said so. Work on it, or the button under Receive, puts it back. */
export function CalledOffNotice({ calledOff }: { calledOff: CalledOff }) {
  return (
    <p role="status" className="border-b-2 border-ink bg-sheet px-5 py-2 print:hidden">
      {tell('{calledOffText}: {by}, {shopFormat}.{note} Its bay is free until it is put back, or worked on.', {
        calledOffText: <b>{CALLED_OFF_TEXT[calledOff.as]}</b>,
        by: calledOff.by,
        shopFormat: shopFormat(calledOff.atMs, 'd MMM HH:mm'),
        note: calledOff.note && ` ${calledOff.note}.`,
      })}
    </p>
  );
}
