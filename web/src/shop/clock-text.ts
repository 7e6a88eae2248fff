import { serverNowMs } from './clock.ts';

/** The hour of a clock; with its weekday where that is not today's. */
export const clockText = (atMs: number, nowMs = serverNowMs()): string => {
  const at = new Date(atMs);
  const today = at.toDateString() === new Date(nowMs).toDateString();
  return at.toLocaleString('en-GB', {
    hour: '2-digit',
    minute: '2-digit',
    ...(today ? {} : { weekday: 'short' }),
  });
};
