import { useEffect, useMemo, useState } from 'react';
import { runningClocks } from '#core/job/line-clocks.ts';
import { type NextOnLine, nextOnLine } from '#core/job/line-next.ts';
import { type LineProgress, lineProgress } from '#core/job/line-progress.ts';
import { type Line, type LineAct, type LineStep, lineOf } from '#core/line/line.ts';
import { type OpenJob, useOpenJob } from '../../job/use-open-job.ts';
import { serverNowMs } from '../../shop/clock.ts';
import { useSession } from '../../shop/session.ts';

export interface LineInHand extends OpenJob {
  line: Line;
  progress: LineProgress;
  /** What is next for the person at work; undefined when nothing can be done now. */
  next?: NextOnLine;
  /** The step on screen: the one that is next, or one that was jumped to. */
  step?: LineStep;
  act?: LineAct;
  /** Jumped to, and not the next one. */
  picked: boolean;
  pick: (step: string | undefined) => void;
  /** Leaves what is next for later: the line shows what can be done besides. */
  leave: () => void;
  person: string;
  nowMs: number;
}

/** How often a running clock is looked at, ms. */
const LOOK_MS = 1000;

/** The line as the person at work stands on it. */
export function useLine(): LineInHand {
  const job = useOpenJob();
  const { plan, state } = job;
  const person = useSession((session) => session.session?.person.id) ?? '';
  const [picked, pick] = useState<string>();
  const [nowMs, setNowMs] = useState(serverNowMs);
  const line = lineOf(plan);
  const progress = lineProgress(plan, state);
  const ticking = useMemo(() => runningClocks(plan, state, serverNowMs()).length > 0, [plan, state]);
  useEffect(() => {
    setNowMs(serverNowMs());
    if (!ticking) return undefined;
    const timer = setInterval(() => setNowMs(serverNowMs()), LOOK_MS);
    return () => clearInterval(timer);
  }, [ticking]);
  const next = useMemo(() => nextOnLine(plan, state, person, nowMs), [plan, state, person, nowMs]);

  const away = picked !== undefined && picked !== next?.act.step && !progress.steps.has(picked);
  const jumped = away ? line.stepById.get(picked) : undefined;
  // What was jumped to and is done now is left by itself.
  useEffect(() => {
    if (picked !== undefined && progress.steps.has(picked)) pick(undefined);
  }, [picked, progress]);
  const step = jumped ?? (next && line.stepById.get(next.act.step));
  const act = jumped ? jumped.acts.find(({ id }) => !progress.acts.has(id)) : next?.act;
  const leave = () => {
    const here = step?.number ?? 0;
    const open = line.steps.filter(({ id }) => !progress.steps.has(id));
    pick((open.find(({ number }) => number > here) ?? open[0])?.id);
  };
  return { ...job, line, progress, next, step, act, picked: jumped !== undefined, pick, leave, person, nowMs };
}
