import { Link } from 'react-router';
import { type DayDocument, PLANNED_DAYS } from '#contract/day.ts';
import { say } from '#contract/wording/say.ts';
import type { DayPlan } from '#core/day/day-plan.ts';
import { shopDayStart, shopFormat } from '../../shop/shop-time.ts';

/** The shop's week: a row for each bay, a column for each day, each job in the days the plan works on it. */
export function Week({
  day,
  plan,
  onDay,
}: {
  day: DayDocument;
  plan: DayPlan;
  /** Shows a day, so many after today. */
  onDay: (days: number) => void;
}) {
  const days = Array.from({ length: PLANNED_DAYS }, (_, at) => shopDayStart(day.nowMs, at));
  const rows: Array<{ key: string; bay?: number }> = [
    ...Array.from({ length: day.bays }, (_, at) => ({ key: `bay ${at + 1}`, bay: at + 1 })),
    ...(day.jobs.some(({ bay }) => bay === undefined) ? [{ key: 'yard' }] : []),
  ];
  return (
    <div className="overflow-auto px-5 pb-6">
      <table className="w-full min-w-[56rem] table-fixed border-collapse">
        <thead>
          <tr className="border-b-2 border-ink">
            <th className="w-16 text-left">
              <span className="sr-only">{say('Bay')}</span>
            </th>
            {days.map((dayMs, at) => (
              <th key={dayMs} scope="col" className="p-0 text-left">
                <button type="button" className="plate min-h-11 px-2 text-xl" onClick={() => onDay(at)}>
                  {at === 0 ? say('Today') : shopFormat(dayMs, 'EEE d MMM')}
                </button>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(({ key, bay }) => (
            <tr key={key} className="border-b border-rule align-top">
              <th scope="row" className="plate py-2 text-left text-4xl">
                {bay ?? <span className="text-xl">{say('Yard')}</span>}
              </th>
              {days.map((dayMs, at) => {
                const endMs = shopDayStart(day.nowMs, at + 1);
                return (
                  <td key={dayMs} className="border-l border-hair p-1">
                    {day.jobs
                      .filter((job) => job.bay === bay)
                      .flatMap((job) => {
                        const steps = plan.steps.filter(
                          (step) => step.job === job.id && step.startMs < endMs && step.endMs > dayMs,
                        );
                        const own = plan.jobs.find((one) => one.job === job.id);
                        if (steps.length === 0 || !own) return [];
                        const fromMs = Math.min(...steps.map(({ startMs }) => startMs));
                        const toMs = Math.max(...steps.map((step) => step.endMs));
                        const late = own.promise?.risk === 'late';
                        return [
                          <Link
                            key={job.id}
                            to={`/plan/${job.id}`}
                            className={`mb-1 block border-2 bg-sheet px-1.5 py-1 text-sm ${late ? 'border-bad' : 'border-ink'}`}
                          >
                            <span className="plate block truncate text-base" title={job.card.vehicle.model}>
                              {job.card.vehicle.plate} {job.card.vehicle.model}
                            </span>
                            <span className="figures block whitespace-nowrap">
                              {shopFormat(fromMs, 'HH:mm')}–{shopFormat(toMs, 'HH:mm')}
                            </span>
                            <span className="block truncate text-ink-2" title={job.card.kitTitle}>
                              {job.card.kitTitle}
                            </span>
                            {own.promise && shopDayStart(own.promise.promisedMs) === dayMs && (
                              <span className={`figures block font-bold ${late ? 'text-bad' : ''}`}>
                                ▸ {shopFormat(own.promise.promisedMs, 'HH:mm')}
                                {late && say(' at risk')}
                              </span>
                            )}
                          </Link>,
                        ];
                      })}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
