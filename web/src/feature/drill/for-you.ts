import { DRILL } from '#contract/wording/en/drill.ts';
import { type Drill, type DrillMode, soundDrill } from '#core/drill/drill.ts';
import { meantLog } from '#core/drill/drill-run.ts';
import { faultsToTake, kindsToPractise, type Mastery } from '#core/drill/mastery.ts';
import { drawFaults } from '#core/drill/place-faults.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { combinationsToPlay } from '#core/rehearse/rehearse-all.ts';

/** From so many kinds mastered on, less is shown (chosen by us). */
const PLAIN_FROM = 4;
const BLANK_FROM = 10;

/** How much a learner is shown: less, the more is told. */
const modeFor = (mastered: number): DrillMode =>
  mastered >= BLANK_FROM ? 'blank' : mastered >= PLAIN_FROM ? 'plain' : 'guided';

/**
 * A drill on one of the shop's kits with what a learner needs most.
 *
 * @returns undefined where no kit can be drilled
 */
export function drillForYou(
  kits: readonly KitDocument[],
  mastery: readonly Mastery[],
  seed: number,
  nowMs: number,
): Drill | undefined {
  const wanted = kindsToPractise(mastery, nowMs);
  const mode = modeFor(mastery.filter(({ mastered }) => mastered).length);
  for (let at = 0; at < kits.length; at++) {
    const kit = kits[(seed + at) % kits.length];
    if (!kit) continue;
    // Another vehicle each time, so that not the first answers alone are practised.
    const { play } = combinationsToPlay(kit);
    const drill: Drill = {
      ...soundDrill(kit, play[seed % play.length] ?? {}, {
        id: `for-you-${seed}`,
        title: `${DRILL.forYou}: ${kit.title}`.slice(0, 120),
      }),
      mode,
      seed,
    };
    const meant = meantLog(drill);
    if (!meant.ok) continue;
    const faults = drawFaults(meant.value.plan, seed, wanted, faultsToTake(mastery));
    if (faults.length > 0) return { ...drill, faults };
  }
  return undefined;
}
