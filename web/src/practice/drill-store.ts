import { create } from 'zustand';
import type { Drill } from '#core/drill/drill.ts';
import { beginDrill, type DrillRun, drillCall, type LaidOut } from '#core/drill/drill-run.ts';
import type { FaultKind } from '#core/drill/fault-kind.ts';
import type { DrillAttempt } from '#core/drill/judge-drill.ts';

/** What was said of the last word of a learner. */
export interface Said {
  kind: FaultKind;
  target: string;
  right: boolean;
}

interface DrillStore {
  run?: DrillRun;
  beganMs: number;
  /** The drill is over: what was done, for its verdict. */
  done?: DrillAttempt;
  said?: Said;
  /** Begins it; what is wrong with it where it cannot be begun. */
  begin(drill: Drill): string | undefined;
  take(run: DrillRun): void;
  layOut(laidOut: LaidOut[]): void;
  call(kind: FaultKind, target: string): boolean;
  quiet(): void;
  end(): DrillAttempt | undefined;
}

/** The drill on this page; it goes with the page until it is ended. */
export const useDrill = create<DrillStore>()((set, get) => ({
  beganMs: 0,
  begin(drill) {
    const begun = beginDrill(drill);
    if (!begun.ok) return begun.error.code;
    set({ run: begun.value, beganMs: Date.now(), done: undefined, said: undefined });
    return undefined;
  },
  take: (run) => set({ run }),
  layOut: (laidOut) => set(({ run }) => (run ? { run: { ...run, laidOut } } : {})),
  call(kind, target) {
    const { run } = get();
    if (!run) return false;
    const called = drillCall(run, { kind, target, atMs: Date.now() });
    set({ run: called.run, said: { kind, target, right: called.right } });
    return called.right;
  },
  quiet: () => set({ said: undefined }),
  end() {
    const { run, beganMs } = get();
    if (!run) return undefined;
    const { drill, events, calls, refusals, laidOut, aheadMs } = run;
    const done: DrillAttempt = { drill, events, calls, refusals, laidOut, beganMs, endedMs: Date.now() + aheadMs };
    set({ run: undefined, done, said: undefined });
    return done;
  },
}));
