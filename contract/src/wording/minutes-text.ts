/** `1 h 25 min`. */
export const minutesText = (minutes: number): string => {
  const whole = Math.round(minutes);
  return whole < 60 ? `${whole} min` : `${Math.floor(whole / 60)} h${whole % 60 ? ` ${whole % 60} min` : ''}`;
};
