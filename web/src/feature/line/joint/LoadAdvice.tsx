import { useMemo } from 'react';
import { againText, settlesText } from '#contract/wording/load-text.ts';
import { say } from '#contract/wording/say.ts';
import { loadLeft } from '#core/job/load-left.ts';
import type { TorqueStep } from './use-torque-step.ts';

/** After check pulls that moved nuts: which joints have given their load to their neighbours, and are pulled once more. */
export default function LoadAdvice({ torque, onShow }: { torque: TorqueStep; onShow: () => void }) {
  const { plan, state, group } = torque;
  const left = useMemo(() => loadLeft(plan, state, group), [plan, state, group]);
  if (!left || (left.again.length === 0 && left.settles.length === 0)) return null;
  return (
    <p className="mx-5 mt-2 border-l-4 border-bad pl-3">
      {settlesText(plan, left) ?? againText(plan, left)}{' '}
      <button type="button" className="min-h-11 underline" onClick={onShow}>
        {say('Load left')}
      </button>
    </p>
  );
}
