/** Somebody in the lane. */
export interface DayPerson {
  id: string;
  name: string;
  initials: string;
  /** Where their days can be had as a calendar. */
  calendar: string;
}

/** A stretch of work of somebody. */
export interface DayStep {
  id: string;
  people: readonly string[];
  startMs: number;
  endMs: number;
  job: string;
  plate: string;
}

/** A person's stretches in a row: those of one job that follow each other are one. */
export function stretchesOf(person: string, steps: readonly DayStep[]): Array<DayStep & { helps: boolean }> {
  const found: Array<DayStep & { helps: boolean }> = [];
  for (const step of steps.filter(({ people }) => people.includes(person)).toSorted((a, b) => a.startMs - b.startMs)) {
    const helps = step.people[0] !== person;
    const last = found.at(-1);
    if (last && last.job === step.job && last.helps === helps && step.startMs <= last.endMs)
      last.endMs = Math.max(last.endMs, step.endMs);
    else found.push({ ...step, helps });
  }
  return found;
}
