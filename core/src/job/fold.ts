import { unreachable } from '../result.ts';
import type { JobEvent } from './job-event.ts';
import {
  type JobState,
  type LineState,
  lineState,
  type Pull,
  type StationState,
  stationState,
  type Undoable,
} from './job-state.ts';

const withStation = (state: JobState, id: string, change: (station: StationState) => StationState): JobState => ({
  ...state,
  stations: { ...state.stations, [id]: change(stationState(state, id)) },
});

const withLine = (state: JobState, id: string, change: (line: LineState) => LineState): JobState => ({
  ...state,
  lines: { ...state.lines, [id]: change(lineState(state, id)) },
});

const withUndo = (state: JobState, person: string, undoable: Undoable | undefined): JobState => ({
  ...state,
  undoable: { ...state.undoable, [person]: undoable },
});

const changePull = (station: StationState, id: string, change: (pull: Pull) => Pull): StationState => ({
  ...station,
  pulls: station.pulls.map((pull) => (pull.id === id ? change(pull) : pull)),
});

/**
 * The state after one more event. Pure: no clock, no ids, no plan. Events of different stations commute.
 */
export function fold(state: JobState, event: JobEvent): JobState {
  const stamp = { atMs: event.atMs, by: event.by };
  switch (event.type) {
    case 'answerChanged':
      return {
        ...state,
        answers: { ...state.answers, [event.question]: event.to },
        answerChanges: [...state.answerChanges, { question: event.question, from: event.from, to: event.to, ...stamp }],
      };
    case 'lineCounted': {
      const counted = withLine(state, event.item, (line) => ({
        ...line,
        count: { found: event.found, damaged: event.damaged, ...stamp },
      }));
      return withUndo(counted, event.by.id, { kind: 'count', item: event.item, previous: event.previous });
    }
    case 'countUndone': {
      const { previous } = event;
      const undone = withLine(state, event.item, ({ count: _, ...line }) =>
        previous ? { ...line, count: { ...previous, ...stamp } } : line,
      );
      return withUndo(undone, event.by.id, undefined);
    }
    case 'shopStockUsed':
      return withLine(state, event.item, (line) => ({
        ...line,
        shopStock: [...line.shopStock, { quantity: event.quantity, reason: event.reason, ...stamp }],
      }));
    case 'pieceScrapped':
      return withLine(state, event.item, (line) => ({
        ...line,
        scrapped: [...line.scrapped, { quantity: event.quantity, reason: event.reason, ...stamp }],
      }));
    case 'spareDeclared':
      return withLine(state, event.item, (line) => ({ ...line, spare: { quantity: event.quantity, ...stamp } }));
    case 'stationStarted': {
      const started = withStation(state, event.station, (station) => ({
        ...station,
        stage: 'started',
        started: stamp,
      }));
      return withUndo(started, event.by.id, { kind: 'start', station: event.station });
    }
    case 'startUndone': {
      const undone = withStation(state, event.station, ({ started: _, ...station }) => ({
        ...station,
        stage: 'empty',
      }));
      return withUndo(undone, event.by.id, undefined);
    }
    case 'compoundApplied':
      return withStation(state, event.station, (station) => ({
        ...station,
        bead: { compound: event.compound, cleaned: event.cleaned, ...stamp },
      }));
    case 'stationSnugged':
      return withStation(state, event.station, (station) => ({
        ...station,
        stage: 'snug',
        snugged: { tool: event.tool, ...stamp },
      }));
    case 'pullRecorded': {
      const { type: _, commandId, atMs: _at, by: _by, ...facts } = event;
      const pulled = withStation(state, event.station, (station) => ({
        ...station,
        pulls: [...station.pulls, { ...facts, ...stamp, id: commandId, corrections: [] }],
      }));
      return withUndo(pulled, event.by.id, { kind: 'pull', station: event.station, pull: commandId });
    }
    case 'pullWithdrawn': {
      const withdrawn = withStation(state, event.station, (station) =>
        changePull(station, event.pull, (pull) => ({ ...pull, withdrawn: stamp })),
      );
      return withUndo(withdrawn, event.by.id, undefined);
    }
    case 'pullCorrected':
      return withStation(state, event.station, (station) =>
        changePull(station, event.pull, (pull) => ({
          ...pull,
          torqueNm: event.to,
          verdict: event.verdict,
          corrections: [...pull.corrections, { from: event.from, to: event.to, reason: event.reason, ...stamp }],
        })),
      );
    case 'stopConfirmed':
      return withStation(state, event.station, (station) => ({ ...station, stopConfirmed: stamp }));
    case 'stationLoosened': {
      const { to, reason, spent } = event;
      const loosened = withStation(state, event.station, (station) => ({
        stage: to === 'out' ? 'empty' : 'started',
        started: to === 'out' ? undefined : station.started,
        pulls: station.pulls.map((pull) => ({ ...pull, voided: true })),
        loosenings: [...station.loosenings, { to, reason, spent, ...stamp }],
        overrides: {},
      }));
      return spent.reduce(
        (next, item) =>
          withLine(next, item, (line) => ({
            ...line,
            scrapped: [...line.scrapped, { quantity: 1, reason, ...stamp }],
          })),
        loosened,
      );
    }
    case 'loadStateSet':
      return { ...state, load: { state: event.state, measuredMm: event.measuredMm, ...stamp } };
    case 'problemRaised':
      return {
        ...state,
        problems: { ...state.problems, [event.problem]: { station: event.station, text: event.text, ...stamp } },
      };
    case 'problemCleared': {
      const problem = state.problems[event.problem];
      if (!problem) return state;
      return {
        ...state,
        problems: { ...state.problems, [event.problem]: { ...problem, cleared: { how: event.how, ...stamp } } },
      };
    }
    case 'overrideGranted':
      return withStation(state, event.station, (station) => ({
        ...station,
        overrides: { ...station.overrides, [event.refusal]: { reason: event.reason, ...stamp } },
      }));
    case 'jobClosed':
      return { ...state, closed: { signature: event.signature, note: event.note, ...stamp } };
    default:
      return unreachable(event);
  }
}
