import { useMemo } from 'react';
import { minutesText } from '#contract/wording/minutes-text.ts';
import { say } from '#contract/wording/say.ts';
import { stepTitle } from '#contract/wording/step-text.ts';
import { lineOf } from '#core/line/line.ts';
import type { Film } from './use-rehearsal.ts';

/** A step in the order it was worked: where its moves begin, and how many they are. */
interface Piece {
  key: string;
  name: string;
  from: number;
  moves: number;
  waitedMs: number;
}

/** The moves, step by step as they were worked. */
function piecesOf({ rehearsal, logAt }: Film): Piece[] {
  const pieces: Piece[] = [];
  rehearsal.moves.forEach(({ act, waitedMs }, index) => {
    const plan = logAt(index)?.plan;
    const step =
      plan && act !== undefined ? lineOf(plan).stepById.get(lineOf(plan).actById.get(act)?.step ?? '') : undefined;
    const key = step?.id ?? (index === 0 || pieces.length < 2 ? 'in' : 'out');
    const last = pieces.at(-1);
    if (last?.key === key) {
      last.moves += 1;
      last.waitedMs += waitedMs;
      return;
    }
    const name =
      plan && step ? `${step.number}. ${stepTitle(plan, step.step)}` : key === 'in' ? 'Counted in' : 'Closed';
    pieces.push({ key, name, from: index, moves: 1, waitedMs });
  });
  return pieces;
}

/** The whole job as a strip: each step as long as it has moves, waits hatched. */
export function FilmStrip({ film, position, onSeek }: { film: Film; position: number; onSeek: (to: number) => void }) {
  const pieces = useMemo(() => piecesOf(film), [film]);
  return (
    <nav
      aria-label={say('Steps of the line')}
      className="flex h-11 shrink-0 gap-px overflow-hidden border-b-2 border-ink bg-ink"
    >
      {pieces.map(({ key, name, from, moves, waitedMs }) => {
        const here = position >= from && position < from + moves;
        const text =
          waitedMs > 0
            ? say('{name}, waits {minutesText}', { name, minutesText: minutesText(waitedMs / 60_000) })
            : name;
        return (
          <button
            key={`${key} ${from}`}
            type="button"
            aria-label={text}
            aria-current={here ? 'step' : undefined}
            title={text}
            style={{ flexGrow: moves }}
            className={`figures min-w-1 basis-0 overflow-hidden text-sm ${here ? 'bg-paint font-bold text-on-paint' : position >= from + moves ? 'bg-plate text-on-plate' : 'bg-sheet'} ${waitedMs > 0 ? 'border-b-8 border-plate' : ''}`}
            onClick={() => onSeek(from)}
          >
            <span className={here ? '' : 'hidden sm:inline'}>{moves > 1 || here ? name.match(/^\d+/)?.[0] : ''}</span>
          </button>
        );
      })}
    </nav>
  );
}
