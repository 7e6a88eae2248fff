import { describeDrive } from '#core/fastener/drive.ts';
import type { SecondHand } from '#core/job/second-hand.ts';
import { indexOf, type Plan } from '#core/kit/plan.ts';
import { lineOf } from '#core/line/line.ts';
import { HOLD_TEXT, LET_GO_TEXT } from './en/second-hand.ts';
import { say } from './say.ts';
import { planActionText } from './step-text.ts';

/** What a helper holds: `Hold the other side: 18 mm spanner`. */
export function holdText(plan: Plan, hand: SecondHand): string {
  const { groups } = indexOf(plan);
  switch (hand.holds) {
    case 'otherEnd':
      return hand.note
        ? `${hand.note.replace(/\.$/, '')} (${describeDrive(hand.drive)})`
        : say(HOLD_TEXT.otherEnd, { drive: describeDrive(hand.drive) });
    case 'part':
      return say(HOLD_TEXT.part, { part: groups.get(hand.group)?.title ?? '' });
    case 'thing': {
      const act = lineOf(plan).actById.get(hand.act);
      return say(HOLD_TEXT.thing, { what: act ? planActionText(plan, act.action) : '' });
    }
    case 'nothing':
      return HOLD_TEXT.nothing;
  }
}

/** When it may be let go: `Let go when station 4 is pulled.` */
export function letGoText(plan: Plan, hand: SecondHand): string {
  switch (hand.holds) {
    case 'otherEnd':
      return say(LET_GO_TEXT[hand.until], { station: indexOf(plan).stations.get(hand.station)?.label });
    case 'part':
      return say(LET_GO_TEXT.part, { enough: hand.enough, started: hand.started });
    case 'thing':
      return LET_GO_TEXT.thing;
    case 'nothing':
      return LET_GO_TEXT.nothing;
  }
}
