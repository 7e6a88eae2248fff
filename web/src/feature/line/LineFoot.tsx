import { lazy, type ReactNode, Suspense, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { say } from '#contract/wording/say.ts';
import type { JobCommand } from '#core/job/acts.ts';
import { mayBend } from '#core/job/gate/bending.ts';
import type { Undoable } from '#core/job/job-state.ts';
import type { PlanStation } from '#core/kit/plan.ts';
import { ProofSheet } from '../../job/ProofSheet.tsx';
import { useSession } from '../../shop/session.ts';
import { ReasonSheet } from '../../ui/ReasonSheet.tsx';
import { FootButton } from './FootButton.tsx';
import { TakeBack } from './TakeBack.tsx';
import type { LineInHand } from './use-line.ts';

/** Opened now and then: fetched when they are. */
const ProblemSheet = lazy(() => import('../../job/ProblemSheet.tsx').then((m) => ({ default: m.ProblemSheet })));
const TroubleSheet = lazy(() => import('./trouble/TroubleSheet.tsx'));
const AddStepSheet = lazy(() => import('./trouble/AddStepSheet.tsx'));
const OwedSheet = lazy(() => import('./owed/OwedSheet.tsx'));

/** What may be done at any step: take back, say a problem, look at what is owed, leave it, let it go. */
export function LineFoot({
  line,
  station,
  onBack,
  seen,
  children,
}: {
  line: LineInHand;
  station?: PlanStation;
  /** Takes back the last answer of the act in hand, before it is done. */
  onBack?: () => void;
  /** Whether what would be taken back is on the screen; left out, whether it belongs to the step in hand. */
  seen?: (last: Undoable) => boolean;
  children?: ReactNode;
}) {
  const { state, step } = line;
  const ids = new Set(line.step?.acts.map(({ id }) => id) ?? []);
  const inStep = (last: Undoable) => last.act === 'doAct' && last.acts.some((id) => ids.has(id));
  const role = useSession((session) => session.session?.person.role);
  const [sheet, setSheet] = useState<'problem' | 'owed' | 'waive' | 'add'>();
  const [waiving, setWaiving] = useState<JobCommand>();
  useHotkeys('p', () => setSheet('problem'), { preventDefault: true });
  useHotkeys('o', () => setSheet('owed'), { preventDefault: true });
  const later = line.picked ? () => line.pick(undefined) : line.leave;
  useHotkeys('n', later, { preventDefault: true }, [later]);
  if (state.closed) return null;
  return (
    <div className="line-foot relative mb-22 flex flex-wrap border-t border-rule md:mb-0">
      <TakeBack shows={(last) => seen?.(last) ?? inStep(last)} onBack={onBack} />
      {children}
      <FootButton text={say('Problem')} hotkey="P" onClick={() => setSheet('problem')} />
      <FootButton text={line.picked ? say('Back to next') : say('Later')} hotkey="N" onClick={later} />
      <FootButton text={say('Owed')} hotkey="O" onClick={() => setSheet('owed')} />
      {role === 'lead' && step && <FootButton text={say('Put a step in')} onClick={() => setSheet('add')} />}
      {role && mayBend(line.plan.rules, 'waiver', role) && step && (
        <FootButton text={say('Let it go')} onClick={() => setSheet('waive')} />
      )}
      <Suspense fallback={null}>
        {sheet === 'problem' &&
          (station ? (
            <TroubleSheet station={station} onClose={() => setSheet(undefined)} />
          ) : (
            <ProblemSheet open onClose={() => setSheet(undefined)} />
          ))}
        {sheet === 'add' && step && <AddStepSheet before={step} onClose={() => setSheet(undefined)} />}
        {sheet === 'owed' && <OwedSheet onClose={() => setSheet(undefined)} />}
      </Suspense>
      <ReasonSheet
        open={sheet === 'waive'}
        onClose={() => setSheet(undefined)}
        title={say('Let step {number} go', { number: step?.number ?? '' })}
        label={say('Why is it not done? It prints.')}
        confirm={say('Let it go')}
        usual={[say('Not on this vehicle'), say('Done before, seen by me'), say('The owner does not want it')]}
        onReason={(reason) => {
          setSheet(undefined);
          if (step) setWaiving({ type: 'waiveStep', step: step.id, reason });
        }}
      />
      <ProofSheet command={waiving} title={say('Let the step go')} onClose={() => setWaiving(undefined)} />
    </div>
  );
}
