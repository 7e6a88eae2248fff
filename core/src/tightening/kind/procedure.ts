import { around } from '../band.ts';
import { kind } from './tightening-kind.ts';

/** One stage of a procedure; none is skipped. */
export type ProcedureStage =
  | { do: 'tighten'; torqueNm: number; toleranceFraction?: number }
  | { do: 'backOff'; deg: number }
  /** The part is turned meanwhile, so that rollers, bushes or a seal find their place. */
  | { do: 'turn'; deg: number }
  /** Struck, so that a taper or a stud lets go or seats. */
  | { do: 'tap' }
  /** Left to itself: the suspension bounced, the gasket given its time. */
  | { do: 'settle'; minutes?: number };
export type StageDo = ProcedureStage['do'];

/** Tighten, back off, turn, tap, settle, tighten again: in the order printed, the last a tightening. */
export interface ProcedureSpec {
  kind: 'procedure';
  stages: ProcedureStage[];
}

/** The tightening a procedure ends with. */
export const lastTightening = ({ stages }: ProcedureSpec): Extract<ProcedureStage, { do: 'tighten' }> | undefined => {
  const last = stages.at(-1);
  return last?.do === 'tighten' ? last : undefined;
};

export const procedure = kind<ProcedureSpec>({
  band(spec) {
    const last = lastTightening(spec);
    return last && around(last.torqueNm, last.toleranceFraction);
  },
  peakNm: ({ stages }) => Math.max(...stages.map((stage) => (stage.do === 'tighten' ? stage.torqueNm : 0))),
  byHand: false,
  // A second pull at the last torque would be one more stage than the sheet prints.
  verifiable: false,
  stretches: false,
  asks: [],
  written: false,
  example: {
    spec: {
      kind: 'procedure',
      stages: [
        { do: 'tighten', torqueNm: 68 },
        { do: 'turn', deg: 1800 },
        { do: 'backOff', deg: 90 },
        { do: 'tighten', torqueNm: 20 },
      ],
    },
    printed: '68 N·m; turn 5 turns; back off 90°; 20 N·m',
  },
  figures: [],
});
