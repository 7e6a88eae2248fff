import { lazy, Suspense, useState } from 'react';
import { refusalText } from '#contract/wording/refusal-text.ts';
import { say } from '#contract/wording/say.ts';
import type { JobCommand } from '#core/job/acts.ts';
import { mayConfirm } from '#core/job/decide.ts';
import { benderOf, mayBend, ruleBehind } from '#core/job/gate/bending.ts';
import { livesHangOnIt } from '#core/kit/lives-hang-on-it.ts';
import { indexOf, type Plan } from '#core/kit/plan.ts';
import { lineOf } from '#core/line/line.ts';
import { useSession } from '../shop/session.ts';
import { useSettings } from '../shop/settings.ts';
import { Button } from '../ui/Button.tsx';
import { ReasonSheet } from '../ui/ReasonSheet.tsx';
import { useJobStore } from './job-store.ts';
import { ProofSheet } from './ProofSheet.tsx';

/** The reasons of all rules, with their pictures: fetched by who asks. */
const WhySheet = lazy(() => import('../feature/why/WhySheet.tsx'));

/** What was refused, why, and what lifts it; with the ways on that there are. */
export function RefusalStrip({ plan }: { plan: Plan }) {
  const refused = useJobStore((store) => store.refused);
  const give = useJobStore((store) => store.give);
  const dismiss = useJobStore((store) => store.dismissRefusal);
  const role = useSession((state) => state.session?.person.role);
  const system = useSettings((settings) => settings.system);
  const [asking, setAsking] = useState(false);
  const [why, setWhy] = useState(false);
  /** What lifts it, once its reason is given. */
  const [lifting, setLifting] = useState<{ lift: JobCommand; after: JobCommand }>();
  if (!refused) return null;
  const { refusal, command } = refused;
  const entered = command.type === 'pull' ? command.entered?.unit : undefined;
  const words = refusalText(refusal, plan, entered ?? (system === 'metric' ? 'N·m' : 'lbf·ft'));
  const station = 'station' in command ? command.station : undefined;
  const step =
    command.type === 'doStep'
      ? command.step
      : command.type === 'doAct'
        ? lineOf(plan).actById.get(command.act)?.step
        : undefined;
  const rule =
    step !== undefined
      ? ruleBehind(refusal.code, 'step')
      : station !== undefined
        ? ruleBehind(refusal.code, 'station')
        : undefined;
  const liftable = rule !== undefined && benderOf(plan.rules, rule) !== 'nobody';
  const joint = station === undefined ? undefined : indexOf(plan).stations.get(station);
  const mine =
    liftable &&
    role !== undefined &&
    mayBend(plan.rules, rule, role, { livesHangOnIt: joint !== undefined && livesHangOnIt(joint) });
  return (
    <section
      role="alert"
      className="flex flex-wrap items-center gap-x-6 gap-y-3 border-b-2 border-bad bg-sheet px-5 py-3"
    >
      <div className="min-w-60 flex-1">
        <h2 className="font-bold text-bad">{words.title}</h2>
        <p>
          {words.why} <span className="text-ink-2">{words.lift}</span>
        </p>
        {liftable && !mine && (
          <p className="text-sm text-ink-2">{say('A lead may lift this: switch person, then do it again.')}</p>
        )}
      </div>
      <div className="flex flex-wrap gap-2">
        {mayConfirm(refusal) && (command.type === 'pull' || command.type === 'doStage') && (
          <Button onClick={() => give({ ...command, confirmed: true })}>
            {refusal.code === 'angleShort' ? say('Keep this stroke, turn on') : say('It really was so')}
          </Button>
        )}
        {mine && <Button onClick={() => setAsking(true)}>{say('Allow it')}</Button>}
        <Button onClick={() => setWhy(true)}>{say('Why is that?')}</Button>
        <Button tone="dark" onClick={dismiss}>
          {say('Seen')}
        </Button>
      </div>
      {why && (
        <Suspense fallback={null}>
          <WhySheet code={refusal.code} onClose={() => setWhy(false)} />
        </Suspense>
      )}
      <ReasonSheet
        open={asking}
        onClose={() => setAsking(false)}
        title={say('Allow it: {title}', { title: words.title })}
        label={say('Reason, kept on the record')}
        confirm={say('Allow it')}
        onReason={(reason) => {
          const lift: JobCommand | undefined =
            step !== undefined
              ? { type: 'overrideStep', refusal: refusal.code, step, reason }
              : station !== undefined
                ? { type: 'override', refusal: refusal.code, station, reason }
                : undefined;
          setAsking(false);
          if (lift) setLifting({ lift, after: command });
        }}
      />
      <ProofSheet
        command={lifting?.lift}
        title={say('Allow it: {title}', { title: words.title })}
        onGiven={() => lifting && give(lifting.after)}
        onClose={() => setLifting(undefined)}
      />
    </section>
  );
}
