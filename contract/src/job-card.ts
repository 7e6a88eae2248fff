import type { JobState } from '#core/job/job-state.ts';
import type { Plan } from '#core/kit/plan.ts';
import type { JobDocument } from './job.ts';
import { choiceText, conflictTitle } from './wording/conflict-text.ts';
import { minutesText } from './wording/minutes-text.ts';
import { reasonsText } from './wording/plan-text.ts';
import { say } from './wording/say.ts';
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
          const text = say('{name}, because {reasonsText}', {
            name: entry.name,
            reasonsText: reasonsText(plan, entry.because),
          });
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
      [say('Plate'), vehicle.plate || say('no plate')],
      [say('Model year'), String(vehicle.modelYear ?? say('not known'))],
      ['VIN', vehicle.vin ?? say('not known')],
      [say('Owner'), vehicle.owner],
      [say('Phone or mail'), vehicle.contact ?? say('not known')],
      [say('Odometer'), km === undefined ? say('not read') : `${Math.round(km)} km`],
      [say('Bay'), String(job.bay)],
      [say('Start'), shopTime(job.plannedStartMs, plan.rules)],
      [say('Tyre'), vehicle.wheels?.tyre ?? say('not known')],
      [say('Wheel torque'), vehicle.wheels?.torque ?? say('from its manual')],
    ],
    kits: plan.kits.map((kit) =>
      say('{title}, {maker}, revision {revision}', { title: kit.title, maker: kit.maker, revision: kit.revision }),
    ),
    totals: [
      [say('Lines'), String(plan.items.length)],
      [say('Stations'), String(plan.stations.length)],
      [say('Joint groups'), String(plan.groups.length)],
      [say('Steps'), String(plan.steps.length)],
      [say('Pieces off'), String(plan.removed.reduce((sum, thing) => sum + thing.count, 0))],
      [
        say('Stated'),
        stated.length === 0 ? say('not stated') : minutesText(stated.reduce((sum, minutes) => sum + minutes, 0)),
      ],
    ],
    applies:
      reasons.length > MOST_REASONS
        ? [
            ...reasons.slice(0, MOST_REASONS),
            say('and {count} more on the screen', { count: reasons.length - MOST_REASONS }),
          ]
        : reasons,
    decided: [
      ...plan.conflicts.map((conflict) => {
        const settled = state.visit.settled[conflict.id];
        return settled
          ? `${conflictTitle(conflict)}: ${choiceText(conflict, settled.settlement.choice, title)}, ${settled.by.name}`
          : say('WAITS FOR A LEAD: {conflictTitle}', { conflictTitle: conflictTitle(conflict) });
      }),
      ...plan.choices.map((choice) => {
        const made = state.visit.choices[choice.id];
        const label = choice.options.find(({ value }) => value === made?.option)?.label;
        return made
          ? `${choice.text} ${label ?? made.option}, ${made.chosenBy}`
          : say('NOT CHOSEN: {text}', { text: choice.text });
      }),
    ],
    cautions: plan.cautions.map(({ text, safetyCritical }) => ({ text, critical: safetyCritical === true })),
    path: `/jobs/${job.id}`,
  };
}
