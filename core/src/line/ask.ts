import type { Baseline } from '../kit/kit-preparation.ts';
import { doubtful, type MeasuredQuantity } from '../quantity/doubtful-measure.ts';
import type { TradeWhy } from './trade-why.ts';

/** What the floor asks about; its words are made where a person reads them. */
export const ASK_ABOUT = [
  'place',
  'point',
  'helper',
  'method',
  'methodReason',
  'supported',
  'hangsFrom',
  'piece',
  'uses',
  'count',
  'seal',
  'facing',
  'tag',
  'tagBack',
  'sealedAndTied',
  'heldUpBy',
  'chocks',
  'standsSet',
  'rampsSet',
  'padsSet',
  'chaserSize',
  'temperature',
  'value',
  'verdict',
  'remarks',
  'template',
  'punched',
  'piloted',
  'drillSize',
  'edgeDistance',
  'deburred',
  'treated',
  'treatment',
  'photo',
  'reason',
  'way',
  'option',
  'finding',
  'chosenBy',
  'mark',
  'insert',
  'serial',
  'besideLength',
  'besideHeight',
  'besideThickness',
  'besideAngle',
  'besideHoles',
  'besideHand',
  'stack',
  'depth',
  'length',
  'inMesh',
  'equalThread',
  'holdBy',
  'wayOff',
  'boreSize',
  'bushSize',
  'wayIn',
  'amount',
  'instrument',
  'shims',
  'lobe',
] as const;
export type AskAbout = (typeof ASK_ABOUT)[number];

/** One thing that may be said. A wrong one may be taken with a reason; a `fails` one means the act is not met. */
export interface AskOption {
  value: string;
  /** The kit's own words; left out, the value is a code of ours. */
  label?: string;
  /** `wrong`: goes on with a reason, and stands on the record · `refused`: never · `fails`: the act is not met. */
  is: 'right' | 'wrong' | 'refused' | 'fails';
  /** Why it is right, or what it breaks: in the kit's own words. */
  why?: string;
  /** The same, where the trade says it and no sheet. */
  trade?: TradeWhy;
}

/** A piece as it is taken in the hand. */
export interface StackChoice {
  item: string;
  name: string;
  /** How to tell it from its look-alike. */
  tellTale?: string;
}

interface Asked {
  /** Unique within its act. */
  key: string;
  about: AskAbout;
  /** Where, which piece, or with what: goes into the words. */
  what?: string;
}

export type Ask = Asked &
  (
    | { kind: 'tick' }
    | {
        kind: 'number';
        unit: string;
        min?: number;
        max?: number;
        /** What a figure outside the limits means. */
        outside: 'fails' | 'refused';
        expected?: number;
        optional?: true;
        /** Somebody else may have measured it, with something else: who, and what they found. */
        elsewhere?: true;
        /** Measured on the vehicle: what of it, and what like readings were; a likely slip is asked about. */
        measured?: { quantity?: MeasuredQuantity; near?: number[] };
        /** It was measured before as `expected`, and the kit claims this change. */
        claim?: { quantity: Baseline['quantity']; change?: { min: number; max: number } };
      }
    | { kind: 'oneOf'; options: AskOption[]; usual?: string }
    | { kind: 'words'; suggested?: string }
    | { kind: 'photo' }
    /** Pieces in the order they are in the hand, among look-alikes. */
    | { kind: 'pieces'; order: StackChoice[]; among: StackChoice[] }
  );

export type Answer = boolean | number | string | string[];
export type Answers = Readonly<Record<string, Answer>>;

/** An answer that is never taken, with what would be right. */
export interface RefusedAnswer {
  key: string;
  answer: Answer;
  min?: number;
  max?: number;
  expected?: string;
  why?: string;
  trade?: TradeWhy;
}

/** What answers come to. */
export interface Judged {
  /** Keys still to be answered. */
  missing: string[];
  /** Keys whose answer means that the act is not met. */
  failed: string[];
  /** Keys whose answer is known to do harm and needs a reason. */
  wrong: string[];
  refused?: RefusedAnswer;
  /** A reading that is likely a slip, with what was probably meant; not so once somebody said that it really is so. */
  doubtful?: { key: string; value: number; unit: string; meant?: number };
}

/** Under which it is kept that a doubtful reading really was so. */
export const sureKey = (key: string): string => `${key} sure`;

/** Nothing measured on a vehicle is larger, in any unit asked for (chosen by us). */
const LARGEST = 100_000;
const LONGEST_WORDS = 500;

const unreadable = (key: string, answer: Answer): Pick<Judged, 'refused'> => ({ refused: { key, answer } });

/** One answer against its question. */
function judgeOne(ask: Ask, answer: Answer | undefined, sure: boolean): Partial<Judged> {
  const { key } = ask;
  if (answer === undefined || answer === '') return ask.kind === 'number' && ask.optional ? {} : { missing: [key] };
  switch (ask.kind) {
    case 'tick':
      return answer === true ? {} : answer === false ? { missing: [key] } : unreadable(key, answer);
    case 'number': {
      if (ask.elsewhere && Array.isArray(answer)) {
        const [who = '', what = ''] = answer;
        return answer.length !== 2 || who.length > LONGEST_WORDS || what.length > LONGEST_WORDS
          ? unreadable(key, answer)
          : who.trim() === '' || what.trim() === ''
            ? { missing: [key] }
            : {};
      }
      if (typeof answer !== 'number' || !Number.isFinite(answer) || Math.abs(answer) > LARGEST)
        return unreadable(key, answer);
      const doubt = ask.measured && !sure ? doubtful(answer, { ...ask, ...ask.measured }) : undefined;
      if (doubt) return { doubtful: { key, value: answer, unit: ask.unit, ...doubt } };
      const { min = -Infinity, max = Infinity } = ask;
      if (answer >= min && answer <= max) return {};
      return ask.outside === 'fails' ? { failed: [key] } : { refused: { key, answer, min: ask.min, max: ask.max } };
    }
    case 'oneOf': {
      const option = ask.options.find(({ value }) => value === answer);
      if (!option) return unreadable(key, answer);
      const right = ask.options.find(({ is }) => is === 'right');
      if (option.is === 'refused')
        return {
          refused: { key, answer, expected: right?.label ?? right?.value, why: option.why, trade: option.trade },
        };
      if (option.is === 'fails') return { failed: [key] };
      return option.is === 'wrong' ? { wrong: [key] } : {};
    }
    case 'words':
    case 'photo': {
      if (typeof answer !== 'string' || answer.length > LONGEST_WORDS) return unreadable(key, answer);
      return answer.trim() === '' ? { missing: [key] } : {};
    }
    case 'pieces': {
      if (!Array.isArray(answer)) return unreadable(key, answer);
      const at = answer.findIndex((item, place) => item !== ask.order[place]?.item);
      if (at >= 0) {
        const taken = ask.among.find(({ item }) => item === answer[at]);
        const due = ask.order[at];
        return {
          refused: { key, answer: taken?.name ?? '', expected: due?.name, why: due?.tellTale ?? taken?.tellTale },
        };
      }
      return answer.length < ask.order.length ? { missing: [key] } : {};
    }
  }
}

/** All answers of an act against what it asks. What was not asked is not looked at. */
export function judgeAnswers(asks: readonly Ask[], answers: Answers): Judged {
  const judged: Judged = { missing: [], failed: [], wrong: [] };
  for (const ask of asks) {
    const sure = answers[sureKey(ask.key)] === true;
    const one = judgeOne(ask, answers[ask.key], sure);
    const { missing = [], failed = [], wrong = [], refused } = one;
    judged.doubtful ??= one.doubtful;
    judged.missing.push(...missing);
    judged.failed.push(...failed);
    judged.wrong.push(...wrong);
    judged.refused ??= refused;
  }
  return judged;
}

/** Whether a press alone says all: nothing is asked, or what is usual may be taken as said. */
export const pressSays = (asks: readonly Ask[]): boolean =>
  asks.every((ask) => ask.kind === 'oneOf' && ask.usual !== undefined);

/** The answers a press alone stands for. */
export const usualAnswers = (asks: readonly Ask[]): Answers =>
  Object.fromEntries(
    asks.flatMap((ask) => (ask.kind === 'oneOf' && ask.usual !== undefined ? [[ask.key, ask.usual]] : [])),
  );
