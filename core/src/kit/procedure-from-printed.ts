import { fail, ok, type Result } from '../result.ts';
import type { ProcedureSpec, ProcedureStage } from '../tightening/kind/procedure.ts';
import { specFromPrinted } from './spec-from-printed.ts';

/** A stage that cannot be read, by its place from 1 and its words; or what the whole lacks. */
export type ProcedureFault =
  | { code: 'stageUnread'; stage: number; text: string }
  | { code: 'tooFewStages' }
  | { code: 'endsOtherwise' };

/** Degrees of the turns a sheet speaks of: a hexagon's flat is a sixth of a turn. */
const TURN_DEG: Readonly<Record<string, number>> = {
  '°': 360 / 360,
  deg: 1,
  degrees: 1,
  flat: 60,
  flats: 60,
  turn: 360,
  turns: 360,
};

const NUMBER = String.raw`(\d+(?:[.,]\d+)?|\d+\s*/\s*\d+|half a|a quarter|one|a)`;
const ANGLE = new RegExp(`${NUMBER}\\s*(°|deg(?:rees)?|flats?|turns?)`, 'i');
const WORDS: Readonly<Record<string, number>> = { 'half a': 0.5, 'a quarter': 0.25, one: 1, a: 1 };

/** Degrees an amount of turning stands for: `90°`, `2 flats`, `1/4 turn`, `5 turns`; undefined for none. */
export function turnedDegrees(text: string): number | undefined {
  const found = ANGLE.exec(text);
  const [, amount, unit] = found ?? [];
  if (amount === undefined || unit === undefined) return undefined;
  const [over, under] = amount.split('/').map((part) => Number(part.trim().replace(',', '.')));
  const value = WORDS[amount.toLowerCase()] ?? (over ?? 0) / (under ?? 1);
  const deg = value * (TURN_DEG[unit.toLowerCase()] ?? 1);
  return Number.isFinite(deg) && deg > 0 ? deg : undefined;
}

function stageOf(text: string): ProcedureStage | undefined {
  const words = text.trim().toLowerCase();
  const deg = turnedDegrees(words);
  if (/^(back(ed)? off|loosen|slacken|undo)\b/.test(words))
    return deg === undefined ? undefined : { do: 'backOff', deg };
  if (/^(turn|rotate|spin)\b/.test(words)) return deg === undefined ? undefined : { do: 'turn', deg };
  if (/^(tap|strike|knock)\b/.test(words)) return { do: 'tap' };
  if (/^(settle|wait|let (it )?(settle|stand)|bounce)\b/.test(words)) {
    const minutes = /(\d+(?:[.,]\d+)?)\s*min/.exec(words)?.[1];
    return minutes === undefined ? { do: 'settle' } : { do: 'settle', minutes: Number(minutes.replace(',', '.')) };
  }
  const read = specFromPrinted(text.trim().replace(/^(then\s+)?(re)?(tighten|torque)(\s+(again\s+)?to)?\s+/i, ''));
  if (!read.ok || read.value.kind !== 'torque') return undefined;
  const { targetNm, toleranceFraction } = read.value;
  return { do: 'tighten', torqueNm: targetNm, ...(toleranceFraction === undefined ? {} : { toleranceFraction }) };
}

/**
 * Reads a procedure written stage by stage, one a line or with `;` between: `68 N·m; turn 5 turns; back off 90°; 20 N·m`.
 *
 * @returns the specification, or the first stage that cannot be read
 */
export function procedureFromPrinted(printed: string): Result<ProcedureSpec, ProcedureFault> {
  const texts = printed.split(/[;\n]/).filter((text) => text.trim() !== '');
  const stages: ProcedureStage[] = [];
  for (const [index, text] of texts.entries()) {
    const stage = stageOf(text);
    if (!stage) return fail({ code: 'stageUnread', stage: index + 1, text: text.trim() });
    stages.push(stage);
  }
  if (stages.length < 2) return fail({ code: 'tooFewStages' });
  return stages.at(-1)?.do === 'tighten' ? ok({ kind: 'procedure', stages }) : fail({ code: 'endsOtherwise' });
}
