import { useCallback, useEffect, useState } from 'react';
import type { Film } from './use-rehearsal.ts';

/** Between two moves of a film, ms. */
const FRAME_MS = 450;

/** Where in the playing somebody is. */
export interface Position {
  /** Moves done; as many as there are: the end. */
  position: number;
  running: boolean;
  next: () => void;
  back: () => void;
  seek: (to: number) => void;
  rewind: () => void;
  /** Runs from a move to another by itself. */
  film: (from: number, to: number) => void;
  /** Runs to the end, or stops. */
  toggle: () => void;
}

/** Steps and runs through a film. */
export function useFilm(film: Film | undefined): Position {
  const moves = film?.rehearsal.moves.length ?? 0;
  const [where, setWhere] = useState(0);
  /** Up to where it runs by itself. */
  const [until, setUntil] = useState<number>();
  // A kit that got shorter while it was looked at.
  const position = Math.min(where, moves);
  const seek = useCallback((to: number) => {
    setUntil(undefined);
    setWhere(Math.max(0, to));
  }, []);
  useEffect(() => {
    if (until === undefined) return undefined;
    if (position >= Math.min(until, moves)) {
      setUntil(undefined);
      return undefined;
    }
    const timer = setTimeout(() => setWhere(position + 1), FRAME_MS);
    return () => clearTimeout(timer);
  }, [until, position, moves]);
  return {
    position,
    running: until !== undefined,
    next: useCallback(() => seek(Math.min(moves, position + 1)), [seek, moves, position]),
    back: useCallback(() => seek(position - 1), [seek, position]),
    seek,
    rewind: useCallback(() => seek(0), [seek]),
    film: useCallback((from: number, to: number) => {
      setWhere(from);
      setUntil(to);
    }, []),
    toggle: useCallback(() => {
      if (until !== undefined) {
        setUntil(undefined);
        return;
      }
      if (position >= moves) setWhere(0);
      setUntil(moves);
    }, [until, position, moves]),
  };
}
