import type { Answer, Ask } from '#core/line/ask.ts';

export interface AskFieldProps {
  ask: Ask;
  /** What the bar says comes after. */
  then: string;
  /** `sure`: a doubtful reading really was so. */
  onAnswer: (answer: Answer, sure?: boolean) => void;
}

export const FIELD = 'min-h-14 w-full border-2 border-ink bg-sheet px-3';
/** The one big action stands under the panel, at the thumb. */
export const BAR = 'thumb-bar';
