import { acrossFlatsMm } from '#core/fastener/across-flats.ts';
import type { HeadStandard } from '#core/fastener/head-dimension.ts';
import { parseThread, type Thread } from '#core/fastener/thread.ts';
import type { PlanItem } from '#core/kit/plan.ts';

/** What a piece looks like, mm, from its data; nothing is drawn that the data does not say. */
export interface HardwareShape {
  thread?: Thread;
  /** Nominal or outside diameter. */
  diameterMm: number;
  lengthMm: number;
  acrossFlatsMm: number;
  headHeightMm: number;
  flangeMm?: number;
}

const STANDARD: Partial<Record<NonNullable<PlanItem['head']>, HeadStandard>> = {
  hex: 'ISO 4014/4017',
  hexFlange: 'ISO 4162',
  socketCap: 'ISO 4762',
  castle: 'ISO 4032',
  sixLobe: 'ISO 4762',
};

/** Height of a head in thread diameters; a 90° countersink of twice the diameter is half of it deep (ISO 10642). */
const HEAD_HEIGHT: Partial<Record<NonNullable<PlanItem['head']>, number>> = {
  socketCap: 1,
  sixLobe: 1,
  countersunk: 0.5,
  // ISO 8677: 5.38 mm of an M10 (from memory).
  carriage: 0.54,
  eye: 2.2,
};

/** Heads that stand on a flange of their own. */
export const FLANGED: ReadonlySet<string | undefined> = new Set(['hexFlange', 'twelvePoint', 'sixLobeOutside']);

/**
 * Dimensions for drawing. Head heights follow the usual proportions (hex 0.65 d, socket head 1 d, nut 0.85 d;
 * common practice, no source), since no fitter tells a bolt by them.
 */
export function hardwareShape(
  item: Pick<PlanItem, 'kind' | 'thread' | 'lengthMm' | 'head' | 'acrossFlatsMm' | 'outsideMm'>,
): HardwareShape {
  const read = item.thread === undefined ? undefined : parseThread(item.thread);
  const thread = read?.ok ? read.value.thread : undefined;
  const diameterMm = thread?.nominalMm ?? item.outsideMm ?? 10;
  const standard = item.head && STANDARD[item.head];
  const flats =
    item.acrossFlatsMm ?? (standard && thread ? acrossFlatsMm(standard, thread) : undefined) ?? diameterMm * 1.6;
  const nut = item.kind === 'nut';
  return {
    thread,
    diameterMm,
    lengthMm: item.lengthMm ?? diameterMm * 3,
    acrossFlatsMm: flats,
    headHeightMm: diameterMm * (nut ? 0.85 : (HEAD_HEIGHT[item.head ?? 'hex'] ?? 0.65)),
    flangeMm: FLANGED.has(item.head) ? diameterMm * 2.1 : undefined,
  };
}
