/** Adds calendar months to an ISO day; a day that the month lacks becomes its last: 31 January and one is 28 February. */
export function addMonths(day: string, months: number): string {
  const date = new Date(`${day}T00:00:00Z`);
  const wanted = date.getUTCDate();
  date.setUTCDate(1);
  date.setUTCMonth(date.getUTCMonth() + months);
  const last = new Date(Date.UTC(date.getUTCFullYear(), date.getUTCMonth() + 1, 0)).getUTCDate();
  date.setUTCDate(Math.min(wanted, last));
  return date.toISOString().slice(0, 10);
}
