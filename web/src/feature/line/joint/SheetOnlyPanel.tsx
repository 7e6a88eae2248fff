import { say } from '#contract/wording/say.ts';
import { stepTitle } from '#contract/wording/step-text.ts';
import { tell } from '../../../ui/tell.ts';
import { JointFacts } from './JointFacts.tsx';
import { PlainReading } from './PlainReading.tsx';
import type { TorqueStep } from './use-torque-step.ts';

/** A station as its sheet has it: its words and its printed figure. What follows from them is the learner's. */
export function SheetOnlyPanel({ torque, onWrench }: { torque: TorqueStep; onWrench: () => void }) {
  const { station, group, plan, step } = torque;
  if (!station) return null;
  const steps = plan.steps.filter(({ actions }) =>
    actions.some((action) => 'group' in action && action.group === group.id),
  );
  return (
    <>
      <h2 className="plate text-4xl sm:text-5xl">{tell('Station {label}', { label: station.label })}</h2>
      <p className="text-lg">{station.name}</p>
      <h3 className="mt-3 text-sm font-bold text-ink-2">{say('What the sheet says')}</h3>
      <ul className="grid gap-2">
        {steps.map((entry) => (
          <li key={entry.id} className="border-l-4 border-ink pl-3 text-lg whitespace-pre-wrap">
            {stepTitle(plan, entry)}
          </li>
        ))}
        {station.printed !== '' && (
          <li className="border-l-4 border-ink pl-3">
            <span className="text-ink-2">{say('Figure of this joint:')}</span>{' '}
            <span className="figures">{station.printed}</span>
          </li>
        )}
      </ul>
      {step.kind === 'pull' && (
        <>
          <div className="mt-4 border-t border-rule pt-3">
            <JointFacts torque={torque} onWrench={onWrench} wrenchOnly />
          </div>
          <PlainReading torque={torque} />
        </>
      )}
    </>
  );
}
