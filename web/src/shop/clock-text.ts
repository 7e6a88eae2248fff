import { serverNowMs } from './clock.ts';
import { shopDayStart, shopFormat } from './shop-time.ts';

/** The hour of a clock; with its weekday where that is not today's. */
export const clockText = (atMs: number, nowMs = serverNowMs()): string =>
  shopFormat(atMs, shopDayStart(atMs) === shopDayStart(nowMs) ? 'HH:mm' : 'EEE HH:mm');
