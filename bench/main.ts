import { DEMO_KITS } from '#demo/kits.ts';
import { measureAppend } from './append.ts';
import { measureBook, measureCalendar } from './book.ts';
import { measureCorner } from './corner.ts';
import { measureDrill } from './drill.ts';
import { measureFold } from './fold.ts';
import { measureGauge } from './gauge.ts';
import { measureElastic, measurePreloads } from './joints.ts';
import { measureKeyToPaint } from './key-to-paint.ts';
import { countPresses, measureLine } from './line.ts';
import { measureLint } from './lint.ts';
import { measureLoad } from './load.ts';
import { measureDays, measureFirstPlan, measureShopDay } from './schedule.ts';
import { firstLoadKb } from './screen.ts';
import { measureDraft, measureOneLine, measureSheet } from './sheet.ts';
import { confusionText, measureTraces } from './trace.ts';
import { measureVisit } from './visit.ts';

/** `npm run bench`: the measured figures as one table. Goals are aims, never pass or fail. */
const rows: Array<{ what: string; figure: string; goal: string }> = [];

const preloads = measurePreloads();
rows.push({ what: '100,000 preloads and torques, one core', figure: `${preloads.toFixed(0)} ms`, goal: '< 1000 ms' });
const [elastic32, elastic64] = [measureElastic(32), measureElastic(64)];
rows.push({ what: '64 bolts, three times round', figure: `${elastic64.toFixed(2)} ms`, goal: '< 20 ms' });
rows.push({
  what: '64 bolts against 32',
  figure: `ratio ${(elastic64 / elastic32).toFixed(1)}`,
  goal: 'at most 8: cubic first round, then square',
});

for (const [type, name] of [
  ['doubleWishbone', 'two arms'],
  ['strut', 'strut'],
] as const)
  rows.push({
    what: `corner of ${name} solved, one core`,
    figure: `${Math.round(measureCorner(type)).toLocaleString('en-GB')}/s`,
    goal: '≥ 10,000/s',
  });

const traces = measureTraces(300, 900_000);
rows.push({
  what: '3,900 pulls of model joints, seeds held out: faults named right; good pulls suspected',
  figure: `${(100 * traces.right).toFixed(1)} %; ${(100 * traces.falseAlarms).toFixed(1)} %`,
  goal: '≥ 95 %; ≤ 1 %',
});
rows.push({
  what: 'one pull judged, mean and worst',
  figure: `${traces.msPerPull.toFixed(1)} ms and ${traces.worstMs.toFixed(0)} ms`,
  goal: '≤ 5 ms',
});
process.stdout.write(`\n${confusionText(traces)}\n\n`);

const drill = measureDrill(1000);
const { careful, hasty, careless } = drill.score;
rows.push({
  what: '1,000 played learners through drills: careful, hasty, careless, mean score',
  figure: `${careful.mean.toFixed(2)}, ${hasty.mean.toFixed(2)}, ${careless.mean.toFixed(2)} in ${drill.seconds.toFixed(0)} s`,
  goal: 'told apart',
});
rows.push({
  what: 'the least a careful one scores; its false alarms; pairs told apart',
  figure: `${careful.least.toFixed(2)}; ${drill.falseAlarmsOfCareful}; ${(100 * drill.toldApart).toFixed(0)} %`,
  goal: '1; 0; 100 %',
});

const days = measureDays();
rows.push({
  what: '30 days of 12 to 41 steps planned, 1 s each: proven; over the bound, median and worst',
  figure: `${days.proven} of 30; ${days.medianOver.toFixed(1)} % and ${days.worstOver.toFixed(1)} %`,
  goal: 'at most 2 % over the best',
});
rows.push({ what: 'the slowest first plan of them', figure: `${days.slowestFirstMs.toFixed(1)} ms`, goal: '≤ 100 ms' });
const [jobs5, jobs10] = [measureFirstPlan(5), measureFirstPlan(10)];
rows.push({ what: 'first plan of 10 jobs of 60 steps', figure: `${jobs10.toFixed(0)} ms`, goal: '≤ 300 ms' });
const shopDay = measureShopDay(10, 60);
rows.push({
  what: 'a shop’s whole day of 10 jobs of 60 steps, first plan',
  figure: `${shopDay.toFixed(0)} ms`,
  goal: '≤ 300 ms',
});
rows.push({
  what: 'the same, 20 jobs against 10',
  figure: `ratio ${(measureShopDay(20, 60) / shopDay).toFixed(1)}`,
  goal: '≤ 4',
});
rows.push({ what: 'first plan, 10 jobs against 5', figure: `ratio ${(jobs10 / jobs5).toFixed(1)}`, goal: '≤ 4' });

const pages = [1, 10, 20, 100].map((count) => ({ count, ms: measureSheet(count) }));
for (const { count, ms } of pages)
  rows.push({
    what: `sheet of ${count} pages read`,
    figure: `${ms.toFixed(1)} ms`,
    goal: count === 20 ? '< 300 ms' : '',
  });
const [few, many] = [measureDraft(5), measureDraft(50)];
rows.push({
  what: 'kit drafted from 50 pages against 5',
  figure: `ratio ${(many / few).toFixed(1)}`,
  goal: '≤ 11: linear',
});
rows.push({
  what: '590,000 characters on one line read',
  figure: `${(measureOneLine(590_000) / 1000).toFixed(1)} s`,
  goal: '< 2 s',
});
const perPage = (at: number) => (pages[at]?.ms ?? 0) / (pages[at]?.count ?? 1);
rows.push({
  what: 'time per page, 100 pages against 10',
  figure: `ratio ${(perPage(3) / perPage(1)).toFixed(2)}`,
  goal: 'near 1: linear',
});

for (const [stations, questions] of [
  [100, 6],
  [400, 6],
  [400, 12],
] as const)
  rows.push({
    what: `kit of ${stations} stations, ${questions} questions linted (in a worker)`,
    figure: `${measureLint(stations, questions).toFixed(0)} ms`,
    goal: '',
  });

const visits = [1, 3, 6].map((kits) => ({ kits, ms: measureVisit(kits, 400, 12) }));
for (const { kits, ms } of visits)
  rows.push({
    what: `visit of ${kits} kits (150 steps, 400 stations, 12 questions each) resolved and merged`,
    figure: `${ms.toFixed(0)} ms`,
    goal: kits === 6 ? '< 50 ms' : '',
  });
rows.push({
  what: 'time per kit, 6 kits against 1',
  figure: `ratio ${((visits[2]?.ms ?? 0) / 6 / (visits[0]?.ms ?? 1)).toFixed(2)}`,
  goal: 'near 1: linear',
});

rows.push({
  what: 'line of 6 such kits laid out, with what is done and what is next',
  figure: `${measureLine(6, 400, 12).toFixed(0)} ms`,
  goal: '≤ 50 ms',
});
const counted = DEMO_KITS.map(countPresses);
const sum = (of: (one: (typeof counted)[number]) => number) => counted.reduce((total, one) => total + of(one), 0);
rows.push({
  what: `presses an act, ${sum(({ acts }) => acts)} acts of the demo's kits done right`,
  figure: (sum(({ presses }) => presses) / sum(({ acts }) => acts)).toFixed(2),
  goal: '≤ 1.3',
});
rows.push({
  what: "needless refusals, the same acts in the sheets' own order",
  figure: String(sum(({ refused }) => refused)),
  goal: '0',
});

const append = await measureAppend();
const perS = (value: number) => `${Math.round(value)}/s`;
rows.push({ what: 'bare single-row inserts', figure: perS(append.bare), goal: '' });
rows.push({
  what: 'pulls through the API, one by one',
  figure: `${perS(append.oneByOne)}, ratio ${(append.oneByOne / append.bare).toFixed(2)}`,
  goal: 'ratio ≥ 0.25',
});
rows.push({
  what: 'pulls through the API, 20 a batch',
  figure: `${perS(append.inBatches)}, ratio ${(append.inBatches / append.bare).toFixed(2)}`,
  goal: 'ratio ≥ 0.8',
});

rows.push({
  what: 'pulls through the API, one by one, 8 tablets at once',
  figure: `${perS(append.sideBySide)}, ratio ${(append.sideBySide / append.bare).toFixed(2)}`,
  goal: 'ratio ≥ 0.5',
});
for (const [tablets, everyMs] of [
  [300, 1000],
  [1000, 10_000],
] as const) {
  const load = await measureLoad(tablets, everyMs, 15_000);
  rows.push({
    what: `${tablets} tablets, an entry each ${everyMs / 1000} s`,
    figure: `median ${load.medianMs.toFixed(1)} ms, p99 ${load.p99Ms.toFixed(0)} ms, ${load.sent} sent`,
    goal: 'p99 ≤ 50 ms',
  });
}

const [small, large] = [measureFold(100), measureFold(400)];
rows.push({ what: 'events folded, 400 stations', figure: perS(large.foldedPerS), goal: '≥ 100000/s' });
rows.push({
  what: 'fold rate, 400 against 100 stations',
  figure: `ratio ${(large.foldedPerS / small.foldedPerS).toFixed(2)}`,
  goal: 'near 1: no growth',
});
rows.push({ what: 'commands decided and folded, 400 stations', figure: perS(large.commandsPerS), goal: '' });

for (const { what, ms } of await measureBook())
  rows.push({ what: `the book, 1,000,000 pulls: ${what}`, figure: `${ms.toFixed(0)} ms`, goal: '< 200 ms' });
rows.push({ what: 'calendar of 5,000 due items written', figure: `${measureCalendar().toFixed(0)} ms`, goal: '' });

// A line opens with a joint or with another act; the larger of the two counts.
const firstLoad = ['src/feature/line/joint/JointAct.tsx', 'src/feature/line/ActScreen.tsx'].map((screen) =>
  firstLoadKb(['src/app/start.tsx', 'src/job/JobShell.tsx', 'src/feature/line/Line.tsx', screen]),
);
rows.push({
  what: 'first-load JavaScript of the line, gzipped',
  figure: `${Math.max(...firstLoad).toFixed(1)} kB`,
  goal: '≤ 170 kB',
});
for (const plates of [8, 1]) {
  const paint = await measureKeyToPaint(plates);
  rows.push({
    what: `key to painted next station, 400 stations in ${plates === 1 ? 'one group' : `${plates} groups`}, 4× slower processor`,
    figure: `median ${paint.medianMs.toFixed(0)} ms, worst ${paint.worstMs.toFixed(0)} ms`,
    goal: '≤ 50 ms',
  });
}

const gauge = await measureGauge();
rows.push({
  what: 'live gauge at 500 readings/s, 4× slower processor',
  figure: `${gauge.framesPerS.toFixed(0)} frames/s, longest ${gauge.worstMs.toFixed(0)} ms, ${gauge.figuresPerS.toFixed(0)} figures/s`,
  goal: '60 frames/s',
});

console.table(Object.fromEntries(rows.map(({ what, ...rest }) => [what, rest])));
