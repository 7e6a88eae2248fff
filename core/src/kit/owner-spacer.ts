import { type StudVerdict, studLength } from '../fastener/stud-length.ts';
import { parseThread } from '../fastener/thread.ts';

/** The stud a spacer of the owner's goes on, mm: what a question about its thickness is judged by. */
export interface SpacerOn {
  thread: string;
  /** Stud from the hub face to its tip. */
  studMm: number;
  /** Wheel at the stud, hub face to nut seat. */
  wheelMm: number;
  /** Depth of thread in a closed nut; left out for an open one. */
  closedNutMm?: number;
}

/** What a thickness makes of stud and nut; undefined where the thread is none or a measure cannot be. */
export function spacerVerdict(on: SpacerOn, spacerMm: number): StudVerdict | undefined {
  const read = parseThread(on.thread);
  if (!read.ok) return undefined;
  const { nominalMm, pitchMm } = read.value.thread;
  const verdict = studLength({
    studMm: on.studMm,
    wheelMm: on.wheelMm,
    spacerMm,
    nominalMm,
    pitchMm,
    blindDepthMm: on.closedNutMm,
  });
  return verdict.ok ? verdict.value : undefined;
}

/** The thicknesses this stud and nut take, mm: thick enough that a closed nut does not bottom, thin enough that it holds. */
export function spacerRange(on: SpacerOn): { leastMm: number; mostMm: number } | undefined {
  const none = spacerVerdict(on, 0);
  return none && { leastMm: none.bottomsByMm, mostMm: none.thickestSpacerMm };
}

/** Whether a spacer of this thickness may go on: enough thread in the nut, and a closed nut that seats before it bottoms. */
export function spacerFits(on: SpacerOn, spacerMm: number): boolean {
  const verdict = spacerVerdict(on, spacerMm);
  return verdict !== undefined && verdict.tooShortByMm <= 0 && !verdict.bottoms;
}
