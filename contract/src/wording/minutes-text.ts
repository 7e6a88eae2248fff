import { numberOf } from './number-of.ts';

const DAY_MIN = 24 * 60;

/** `1 h 25 min`, `1 day`, `2 days 3 h`. */
export const minutesText = (minutes: number): string => {
  const whole = Math.round(minutes);
  if (whole < 60) return `${whole} min`;
  if (whole < DAY_MIN) return `${Math.floor(whole / 60)} h${whole % 60 ? ` ${whole % 60} min` : ''}`;
  const days = Math.floor(whole / DAY_MIN);
  const hours = Math.round((whole % DAY_MIN) / 60);
  return `${numberOf(days, 'day')}${hours ? ` ${hours} h` : ''}`;
};
