/** The month a vehicle was built in, as one number that compares: 201903 is March 2019. */
export type BuildMonth = number;

/** Reads `2019-03`, as a month field gives it; undefined for anything else. */
export function readBuildMonth(text: string): BuildMonth | undefined {
  const [, year, month] = /^(\d{4})-(\d{2})$/.exec(text.trim()) ?? [];
  const built = Number(year) * 100 + Number(month);
  return isBuildMonth(built) ? built : undefined;
}

/** Whether a number is a month of a year that has cars in it. */
export const isBuildMonth = (built: number): boolean =>
  Number.isInteger(built) && built >= 188_601 && built < 1_000_000 && built % 100 >= 1 && built % 100 <= 12;

/** `2019-03`, as a month field takes it. */
export const buildMonthField = (built: BuildMonth): string =>
  `${Math.floor(built / 100)}-${String(built % 100).padStart(2, '0')}`;
