import {
  identifyPipe,
  identifyThread,
  type Measured,
  nearestWidths,
  type PipeCandidate,
  type Surface,
  type ThreadCandidate,
} from '../fastener/identify.ts';
import type { InputFault } from '../quantity/input-fault.ts';
import { ok, type Result } from '../result.ts';
import { type Remark, remarksThat } from './remark.ts';

export interface Identification {
  /** Best first; empty where nothing standard comes near. */
  candidates: ThreadCandidate[];
  /** Nothing measured speaks against the best, the pitch was measured, and the next is clearly worse. */
  sure: boolean;
  /** Pipe threads with the same sizes: what was measured may be no bolt at all. */
  pipes: PipeCandidate[];
  /** Heads and nuts near the width measured. */
  widths?: ReturnType<typeof nearestWidths>;
  remarks: Remark[];
}

/** Lead over the next candidate that makes the best one sure, in misfits. Chosen by us. */
const LEAD = 1;

/** Which thread something measured is. */
export function identified(measured: Measured, surface: Surface = {}): Result<Identification, InputFault> {
  const found = identifyThread(measured, surface);
  if (!found.ok) return found;
  const [best, next] = found.value;
  const against = best?.votesAgainst ?? [];
  const pipes = identifyPipe(measured, surface);
  const sure =
    best !== undefined &&
    pipes.length === 0 &&
    against.length === 0 &&
    measured.pitchMm !== undefined &&
    (next?.misfit ?? Number.POSITIVE_INFINITY) - best.misfit > LEAD;
  return ok({
    candidates: found.value,
    sure,
    pipes,
    widths: measured.acrossFlatsMm === undefined ? undefined : nearestWidths(measured.acrossFlatsMm),
    remarks: remarksThat(
      pipes.length > 0 && { code: 'pipeThread', pipes: pipes.map(({ pipe }) => pipe.designation) },
      against.length > 0 && pipes.length === 0 && { code: 'cluesAgainst', clues: against },
      best && against.length === 0 && { code: sure ? 'nothingAgainst' : 'severalFit' },
      measured.majorMm === undefined && measured.acrossFlatsMm !== undefined && { code: 'socketIsNoThread' },
    ),
  });
}
