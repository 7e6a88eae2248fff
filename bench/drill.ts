import { DRILL_FORMAT, DRILL_VERSION, type Drill } from '#core/drill/drill.ts';
import { meantLog } from '#core/drill/drill-run.ts';
import { drawFaults, kindsFor } from '#core/drill/place-faults.ts';
import { playDrill, STYLES } from '#core/drill/scripted-learner.ts';
import { variants } from '#core/kit/answer-space.ts';
import { DEMO_KITS } from '#demo/kits.ts';

type Style = keyof typeof STYLES;

/** What a thousand played learners make of drills on the demo's kits. */
export interface DrillFigures {
  learners: number;
  seconds: number;
  score: Record<Style, { mean: number; least: number; most: number }>;
  falseAlarmsOfCareful: number;
  /** Pairs of a careful and a careless learner on one drill whose scores tell them apart. */
  toldApart: number;
}

const FAULTS_EACH = 5;

const drillOf = (at: number): Drill => {
  const kit = DEMO_KITS[at % DEMO_KITS.length];
  if (!kit) throw new Error('no kit');
  const drill: Drill = {
    format: DRILL_FORMAT,
    version: DRILL_VERSION,
    id: `bench-${at}`,
    title: kit.title,
    mode: 'plain',
    seed: at,
    kit,
    answers: variants(kit)?.[0] ?? {},
    faults: [],
  };
  const meant = meantLog(drill);
  if (!meant.ok) throw new Error(meant.error.code);
  const kinds = kindsFor(meant.value.plan);
  // Another order of kinds for each, so that all come.
  const turned = kinds.map((_, place) => kinds[(place * 5 + at) % kinds.length] ?? 'short');
  return { ...drill, faults: drawFaults(meant.value.plan, at, [...new Set(turned)], FAULTS_EACH) };
};

/** Plays `learners` of the three styles through drills, as many of each. */
export function measureDrill(learners: number): DrillFigures {
  const styles = Object.keys(STYLES) as Style[];
  const scores: Record<Style, number[]> = { careful: [], hasty: [], careless: [] };
  let falseAlarmsOfCareful = 0;
  const begun = performance.now();
  for (let at = 0; at < learners; at++) {
    const style = styles[at % styles.length] ?? 'careful';
    const { verdict } = playDrill(drillOf(Math.floor(at / styles.length)), STYLES[style], at);
    scores[style].push(verdict.score);
    if (style === 'careful') falseAlarmsOfCareful += verdict.falseAlarms.length;
  }
  const seconds = (performance.now() - begun) / 1000;
  const pairs = scores.careless.map((careless, at) => (scores.careful[at] ?? 0) > careless);
  const of = (list: readonly number[]) => ({
    mean: list.reduce((sum, score) => sum + score, 0) / list.length,
    least: Math.min(...list),
    most: Math.max(...list),
  });
  return {
    learners,
    seconds,
    score: { careful: of(scores.careful), hasty: of(scores.hasty), careless: of(scores.careless) },
    falseAlarmsOfCareful,
    toldApart: pairs.filter(Boolean).length / pairs.length,
  };
}
