import type { InputFault } from '../quantity/input-fault.ts';
import { ok, type Result } from '../result.ts';
import { castleSlot } from '../tightening/castle-slot.ts';
import { type Remark, remarksThat } from './remark.ts';

type Advice = Extract<ReturnType<typeof castleSlot>, { ok: true }>['value'];

/** Where a castle nut goes from here, and what to mind. Takes what `castleSlot` takes. */
export function castleNut(
  ...question: Parameters<typeof castleSlot>
): Result<Advice & { remarks: Remark[] }, InputFault> {
  const advice = castleSlot(...question);
  if (!advice.ok) return advice;
  const a = advice.value;
  return ok({
    ...a,
    remarks: remarksThat(
      a.kind === 'shimOrChangeNut' && { code: 'slotOverCeiling', thereNm: a.torqueThereNm, shimMm: a.shimMm },
      a.kind === 'turnOn' && { code: 'turnToSlot', thereNm: a.torqueThereNm },
      { code: 'castleCaution' },
    ),
  });
}
