import type { ComponentType } from 'react';
import type { PlanItem } from '#core/kit/plan.ts';
import type { HardwareShape } from '../hardware-shape.ts';

/** What of a piece is drawn: a line of a plan as well as one of a kit that is being written. */
export type DrawnItem = Pick<
  PlanItem,
  | 'kind'
  | 'form'
  | 'name'
  | 'head'
  | 'thread'
  | 'lengthMm'
  | 'acrossFlatsMm'
  | 'outsideMm'
  | 'insideMm'
  | 'locking'
  | 'finish'
  | 'side'
  | 'mark'
  | 'outline'
>;

/** What a drawing of a piece takes up, mm: x along the piece, y to both sides of its middle. */
export interface Box {
  left: number;
  right: number;
  half: number;
}

/** How one sort of piece is drawn, life-size in mm. */
export interface Drawn {
  /** What the data lacks for it to be drawn as it is. */
  lacks(item: SizedItem): string | undefined;
  box(item: DrawnItem, shape: HardwareShape): Box;
  Draw: ComponentType<{ item: DrawnItem; shape: HardwareShape }>;
}
export type SizedItem = Pick<
  PlanItem,
  'kind' | 'form' | 'thread' | 'lengthMm' | 'acrossFlatsMm' | 'outsideMm' | 'insideMm' | 'outline'
>;

export const INK = { stroke: 'var(--ink)', strokeWidth: 1.6, vectorEffect: 'non-scaling-stroke' } as const;
export const STEEL = { fill: 'var(--steel)', ...INK };
/** What lies behind: a bore, a hidden thread. */
export const HIDDEN = {
  fill: 'none',
  stroke: 'var(--ink-2)',
  strokeDasharray: '2 2',
  vectorEffect: 'non-scaling-stroke',
} as const;
/** Rubber, nylon, copper: what is no steel. */
export const SOFT = { fill: 'var(--bench)', ...INK };
export const HOLE = { fill: 'var(--sheet)', ...INK };

export const pitchOf = ({ thread, diameterMm }: HardwareShape): number => thread?.pitchMm ?? diameterMm * 0.15;

/** A box with a millimetre of air about it. */
export const boxed = (left: number, right: number, half: number): Box => ({
  left: left - 1,
  right: right + 1,
  half: half + 1,
});

const acrossKnown = ({ thread, outsideMm }: SizedItem): boolean => thread !== undefined || outsideMm !== undefined;

/** A threaded piece with a length. */
export const threadAndLength = (item: SizedItem): string | undefined =>
  !acrossKnown(item) ? 'thread' : item.lengthMm === undefined ? 'length' : undefined;
export const threadOrAcross = (item: SizedItem): string | undefined => (acrossKnown(item) ? undefined : 'thread');
export const lengthOnly = ({ lengthMm }: SizedItem): string | undefined =>
  lengthMm === undefined ? 'size' : undefined;
export const outsideOnly = ({ outsideMm }: SizedItem): string | undefined =>
  outsideMm === undefined ? 'size' : undefined;
