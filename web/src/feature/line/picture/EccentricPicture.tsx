import { angleText } from '#contract/wording/lobe-text.ts';
import { say } from '#contract/wording/say.ts';
import { planActionText } from '#contract/wording/step-text.ts';
import { lastTry } from '#core/job/line-progress.ts';
import type { Answers } from '#core/line/ask.ts';
import { limitsOf } from '#core/line/judge-check.ts';
import type { LineAct } from '#core/line/line.ts';
import { lobeAdvice, lobeKey } from '#core/line/lobe-advice.ts';
import { EccentricFaces } from '../../../drawing/EccentricFaces.tsx';
import type { LineInHand } from '../use-line.ts';

/** Both eccentrics as one stands before the vehicle: where the lobes are, where they go, and the words for it. */
export function EccentricPicture({
  line,
  act,
  answers,
}: {
  line: Pick<LineInHand, 'plan' | 'state'>;
  act: LineAct;
  answers: Answers;
}) {
  const { plan, state } = line;
  const { action } = act;
  if (action.type !== 'align') return null;
  const check = plan.checks.find(({ id }) => id === action.check);
  const tried = lastTry(state, act.id)?.answers ?? {};
  // What is being entered now goes before what was tried.
  const advice = (check?.places ?? []).flatMap((place) =>
    [answers, tried].flatMap((said) => lobeAdvice(plan, action, said).filter((one) => one.place === place)).slice(0, 1),
  );
  const faces = (check?.places ?? []).flatMap((place) => {
    const one = advice.find((entry) => entry.place === place);
    if (one) return [{ side: one.side, fromDeg: one.lobeDeg, toDeg: one.answer.angleDeg, top: one.answer.top }];
    const side = /\bleft\b/i.test(place)
      ? ('left' as const)
      : /\bright\b/i.test(place)
        ? ('right' as const)
        : undefined;
    const lobe = answers[lobeKey(place)];
    const at = typeof lobe === 'number' ? lobe : (action.startDeg ?? 0);
    return side ? [{ side, fromDeg: at, toDeg: at, top: 'stays' as const }] : [];
  });
  const { min, max } = check ? limitsOf(check) : {};
  return (
    <div className="flex flex-1 flex-col justify-center gap-3 p-5">
      {faces.length > 0 && action.authorityDeg !== undefined && (
        <div className="mx-auto w-full max-w-2xl">
          <EccentricFaces faces={faces} label={planActionText(plan, action)} />
        </div>
      )}
      <p className="text-lg">
        {min !== undefined &&
          max !== undefined &&
          say('Wanted {angleText} to {angleText2}', { angleText: angleText(min), angleText2: angleText(max) })}
        {check?.sides !== undefined && say(', left and right within {sides}°', { sides: check.sides })}
        {action.authorityDeg !== undefined &&
          say('. A quarter turn moves it {authorityDeg}°.', { authorityDeg: action.authorityDeg })}
        {action.startDeg !== undefined && say(' The sheet starts it at {startDeg}°.', { startDeg: action.startDeg })}
      </p>
      <p className="text-sm text-ink-2">
        {say('Hold the head while the nut is pulled, and read again after it. The vehicle maker’s figures go first.')}
      </p>
    </div>
  );
}
