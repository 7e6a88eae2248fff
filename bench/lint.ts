import type { KitDocument } from '#core/kit/kit-document.ts';
import { lintKit } from '#core/kit/lint/lint.ts';
import { largeKit } from './large-job.ts';
import { milliseconds } from './milliseconds.ts';

/** A kit of `stations` stations in 150 steps, with yes-or-no questions that decide about steps and stations. */
function conditionalKit(stations: number, questions: number): KitDocument {
  const kit = largeKit(stations);
  for (let index = 0; index < questions; index++) {
    const when = { question: `q${index}`, is: true };
    kit.questions.push({ id: `q${index}`, text: `Question ${index}?`, kind: 'yesNo' });
    kit.cautions.push({ id: `c${index}`, text: 'Mind this', when });
    const station = kit.stations[index];
    if (station) station.when = when;
  }
  kit.steps = Array.from({ length: 150 }, (_, index) => ({
    id: `step${index}`,
    text: 'Do it',
    phase: 'torque' as const,
    actions: index === 75 ? [{ type: 'torque' as const, group: 'plate' }] : [],
    ...(index < questions ? { when: { question: `q${index}`, is: true } } : {}),
  }));
  return kit;
}

/** One pass of the lint over such a kit. */
export function measureLint(stations: number, questions: number): number {
  const kit = conditionalKit(stations, questions);
  return milliseconds(() => {
    if (!Array.isArray(lintKit(kit))) throw new Error('no findings');
  });
}
