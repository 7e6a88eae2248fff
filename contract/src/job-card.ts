import type { JobState } from '#core/job/job-state.ts';
import type { Plan } from '#core/kit/plan.ts';
import type { JobDocument } from './job.ts';
import { choiceText, conflictTitle } from './wording/conflict-text.ts';
import { minutesText } from './wording/minutes-text.ts';
import { reasonsText } from './wording/plan-text.ts';
import { shopTime } from './wording/shop-time.ts';

/** What is printed on a job's card, as lines; the screen and the PDF set the same. */
export interface JobCardSheet {
  number: string;
  heading: string;
  facts: Array<[string, string]>;
  kits: string[];
  totals: Array<[string, string]>;
  /** What applies, each with its reason. */
  applies: string[];
  /** What leads and owners chose, and what still waits. */
  decided: string[];
  cautions: Array<{ text: string; critical: boolean }>;
  /** Address of the job inside the shop. */
  path: string;
}

/** Longest list of reasons that fits on the card; the rest is on the screen. */
const MOST_REASONS = 14;

/** The card of a job: who, what applies and why, totals, cautions. */
export function jobCardSheet(
  job: Pick<JobDocument, 'id' | 'number' | 'bay' | 'plannedStartMs' | 'odometerKm' | 'vehicle'>,
  plan: Plan,
  state: JobState,
): JobCardSheet {
  const { vehicle } = job;
  const km = job.odometerKm ?? vehicle.odometerKm;
  const stated = plan.kits.flatMap((kit) => kit.statedMinutes ?? []);
  const reasons = [
    ...new Map(
      plan.trace
        .filter((entry) => entry.included && entry.because.length > 0)
        .map((entry) => {
          const text = `${entry.name}, because ${reasonsText(plan, entry.because)}`;
          // Many stations share one value and one reason: the card says it once.
          const value = entry.what === 'spec' ? (entry.name.split(': ')[1] ?? entry.name) : entry.name;
          return [`${entry.what} ${value} ${reasonsText(plan, entry.because)}`, text] as const;
        }),
    ).values(),
  ];
  const title = (id: string) => plan.kits.find((kit) => kit.id === id)?.title ?? id;
  return {
    number: job.number,
    heading: `${vehicle.make} ${vehicle.model}`,
    facts: [
      ['Plate', vehicle.plate || 'no plate'],
      ['Model year', String(vehicle.modelYear ?? 'not known')],
      ['VIN', vehicle.vin ?? 'not known'],
      ['Owner', vehicle.owner],
      ['Phone or mail', vehicle.contact ?? 'not known'],
      ['Odometer', km === undefined ? 'not read' : `${Math.round(km)} km`],
      ['Bay', String(job.bay)],
      ['Start', shopTime(job.plannedStartMs, plan.rules)],
      ['Tyre', vehicle.wheels?.tyre ?? 'not known'],
      ['Wheel torque', vehicle.wheels?.torque ?? 'from its manual'],
    ],
    kits: plan.kits.map((kit) => `${kit.title}, ${kit.maker}, revision ${kit.revision}`),
    totals: [
      ['Lines', String(plan.items.length)],
      ['Stations', String(plan.stations.length)],
      ['Joint groups', String(plan.groups.length)],
      ['Steps', String(plan.steps.length)],
      ['Pieces off', String(plan.removed.reduce((sum, thing) => sum + thing.count, 0))],
      ['Stated', stated.length === 0 ? 'not stated' : minutesText(stated.reduce((sum, minutes) => sum + minutes, 0))],
    ],
    applies:
      reasons.length > MOST_REASONS
        ? [...reasons.slice(0, MOST_REASONS), `and ${reasons.length - MOST_REASONS} more on the screen`]
        : reasons,
    decided: [
      ...plan.conflicts.map((conflict) => {
        const settled = state.visit.settled[conflict.id];
        return settled
          ? `${conflictTitle(conflict)}: ${choiceText(conflict, settled.settlement.choice, title)}, ${settled.by.name}`
          : `WAITS FOR A LEAD: ${conflictTitle(conflict)}`;
      }),
      ...plan.choices.map((choice) => {
        const made = state.visit.choices[choice.id];
        const label = choice.options.find(({ value }) => value === made?.option)?.label;
        return made ? `${choice.text} ${label ?? made.option}, ${made.chosenBy}` : `NOT CHOSEN: ${choice.text}`;
      }),
    ],
    cautions: plan.cautions.map(({ text, safetyCritical }) => ({ text, critical: safetyCritical === true })),
    path: `/jobs/${job.id}`,
  };
}
