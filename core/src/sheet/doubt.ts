import type { Fact } from './fact.ts';
import { NEAR_ENOUGH, NO_UNIT, UNSAID } from './give-roles.ts';

/** Why a fact wants a person's look before it is taken. */
export type Doubt =
  | { code: 'twelveTimes'; usualNm: number; ratio: number }
  | { code: 'pairDisagrees' }
  | { code: 'forceForTorque' }
  | { code: 'threadNotSaid' }
  | { code: 'mended' }
  | { code: 'carried' }
  /** Its unit stands nowhere on the sheet. */
  | { code: 'noUnit' }
  /** Nothing in its sentence asks for it. */
  | { code: 'unsaid' }
  /** The sheet itself gives it as near enough. */
  | { code: 'nearEnough' }
  /** Only an end is printed: never over, or at least. */
  | { code: 'onlyEnd' }
  | { code: 'assumed' };

/** Confidence from which a fact is taken without a look. */
const PLAIN = 0.9;

const median = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0;

/** Torque values twelve times off their like neighbours (lbf·in against lbf·ft, M01), by index among the facts. */
function twelveTimesOff(facts: readonly Fact[]): ReadonlyMap<number, { usualNm: number; ratio: number }> {
  const torques = facts.flatMap((fact, index) =>
    fact.value.kind === 'torque' ? [{ index, about: fact.about, nm: fact.value.maxNm }] : [],
  );
  const found = new Map<number, { usualNm: number; ratio: number }>();
  for (const torque of torques) {
    const like = torques.filter(
      (other) => other !== torque && other.about !== undefined && other.about === torque.about,
    );
    // Without a like neighbour the whole sheet stands in, if it has enough to speak for it.
    const rest = torques.filter((other) => other !== torque);
    const peers = like.length > 0 ? like : rest.length >= 3 ? rest : [];
    if (peers.length === 0) continue;
    const usualNm = median(peers.map((peer) => peer.nm));
    const ratio = Math.max(torque.nm / usualNm, usualNm / torque.nm);
    // One alone among many like itself is the odd one; of two, both are asked about.
    if (ratio > 10.5 && ratio < 13.7) found.set(torque.index, { usualNm, ratio });
  }
  return found;
}

/** What is doubtful, by index among the facts. */
export function doubts(facts: readonly Fact[]): ReadonlyMap<number, Doubt> {
  const off = twelveTimesOff(facts);
  const named = new Set(facts.flatMap((fact) => (fact.value.kind === 'thread' ? [fact.step] : [])));
  const found = new Map<number, Doubt>();
  facts.forEach((fact, index) => {
    const { value, confidence, step } = fact;
    const slip = off.get(index);
    if (slip) found.set(index, { code: 'twelveTimes', ...slip });
    else if (value.kind === 'torque' && value.pair?.agrees === false) found.set(index, { code: 'pairDisagrees' });
    else if (value.kind === 'forceForTorque' || value.kind === 'sameAsAbove')
      found.set(index, { code: 'forceForTorque' });
    else if (value.kind === 'drive' && value.describes === 'fastener' && !named.has(step))
      found.set(index, { code: 'threadNotSaid' });
    else if (value.kind === 'torque' && value.only !== undefined) found.set(index, { code: 'onlyEnd' });
    else if (value.kind === 'torque' && confidence === UNSAID) found.set(index, { code: 'unsaid' });
    else if (value.kind === 'torque' && confidence === NEAR_ENOUGH) found.set(index, { code: 'nearEnough' });
    else if (value.kind === 'torque' && confidence === NO_UNIT) found.set(index, { code: 'noUnit' });
    else if (confidence < 0.65) found.set(index, { code: 'mended' });
    else if (confidence < PLAIN) found.set(index, { code: value.kind === 'torque' ? 'carried' : 'assumed' });
  });
  return found;
}
