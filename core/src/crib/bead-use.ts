import { beadVolume } from '../compound/bead-volume.ts';
import { headDimension } from '../fastener/head-dimension.ts';
import { parseThread } from '../fastener/thread.ts';
import type { PlanItem, PlanStation } from '../kit/plan.ts';

/** mL of a bead where the sheet gives no thread to work it out from: two drops. Chosen by us. */
const UNKNOWN_THREAD_ML = 0.1;

/**
 * Compound one station takes, mL, from its bolt's thread and what it is screwed into: the height of its nut, or one
 * diameter in a tapped hole.
 */
export function stationBeadMl(station: Pick<PlanStation, 'stack'>, items: ReadonlyMap<string, PlanItem>): number {
  const hardware = station.stack.flatMap((piece) => (piece.kind === 'hardware' ? (items.get(piece.item) ?? []) : []));
  const bolt = hardware.find((item) => item.kind === 'bolt' && item.thread !== undefined);
  const read = bolt?.thread === undefined ? undefined : parseThread(bolt.thread);
  if (!read?.ok) return UNKNOWN_THREAD_ML;
  const { thread } = read.value;
  const nut = hardware.some((item) => item.kind === 'nut');
  const height = headDimension(thread.system === 'metric' ? 'ISO 4032' : 'ASME B18.2.2', thread)?.heightMm;
  const bead = beadVolume(thread, nut && height !== undefined ? height : thread.nominalMm);
  return bead.ok ? bead.value.beadMl : UNKNOWN_THREAD_ML;
}
