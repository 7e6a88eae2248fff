import { COMPARE_POINTS, type ComparePoint } from '#core/kit/step-action.ts';
import type { Ask, AskOption } from '#core/line/ask.ts';
import type { TradeWhy } from '#core/line/trade-why.ts';
import { ASK_TEXT, COMPARE_TEXT, OPTION_TEXT, TRADE_TEXT } from './en/line.ts';
import { say } from './say.ts';

const isPoint = (what: string | undefined): what is ComparePoint =>
  (COMPARE_POINTS as readonly (string | undefined)[]).includes(what);

/** A question of the line for a person. */
export function askText(ask: Ask): string {
  const what = ask.about === 'point' && isPoint(ask.what) ? COMPARE_TEXT[ask.what] : ask.what;
  return say(ASK_TEXT[ask.about], { what });
}

/** A reason of the trade. */
export const tradeWhyText = ({ code, ...counts }: TradeWhy): string => say(TRADE_TEXT[code], counts);

/** Why an answer is right, or what it breaks: in the kit's words, else in the trade's. */
export const whyText = ({ why, trade }: Pick<AskOption, 'why' | 'trade'>): string | undefined =>
  why ?? (trade && tradeWhyText(trade));

/** One thing that may be said. */
export const optionText = (option: Pick<AskOption, 'value' | 'label'>): string =>
  option.label ?? OPTION_TEXT[option.value] ?? option.value;
