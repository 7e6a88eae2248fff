import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { UnitSystem } from '#core/quantity/display.ts';

/** CSS pixels to the millimetre where a screen keeps to the nominal 96 to the inch. */
const NOMINAL_PX_PER_MM = 96 / 25.4;

/** Choices of whoever works at this device, and of the device itself. */
export interface Settings {
  system: UnitSystem;
  /** Where the big actions stand on a wide screen. */
  hand: 'right' | 'left';
  textSize: 'normal' | 'large' | 'larger';
  theme: 'day' | 'night' | 'sun';
  /** Set by laying a bank card on the glass. */
  pxPerMm: number;
  /** True once it was set, so that drawings may claim to be life-size. */
  scaled: boolean;
  /** A further key for the one big action: a foot pedal sends one. */
  pedalKey: string;
  /** A tone and a buzz when a clock is over. */
  sound: boolean;
  /** Work in gloves: whatever is pressed is larger. */
  gloves: boolean;
  /** What is next is read out. */
  voice: boolean;
  /** A few words are taken from a listening program on this device, and where it answers. */
  hears: boolean;
  listener: string;
  /** What is next stands in letters that are read across the bay, in the place of the picture. */
  far: boolean;
  /** The wrench whose real instrument hangs on this tablet, and how; it is taken again after a reload. */
  paired?: { wrenchId: string; by: 'cable' | 'air' | 'address' };
  /** Where this tablet's bridge to an instrument answers. */
  bridge: string;
  /** The stand-in's hand. */
  pullSpeedDegPerS: number;
  overshootDeg: number;
  set(change: Partial<Omit<Settings, 'set'>>): void;
}

export const useSettings = create<Settings>()(
  persist(
    (set) => ({
      system: 'metric',
      hand: 'right',
      textSize: 'normal',
      theme: 'day',
      pxPerMm: NOMINAL_PX_PER_MM,
      scaled: false,
      pedalKey: '',
      sound: true,
      voice: false,
      far: false,
      hears: false,
      listener: 'ws://localhost:9300',
      gloves: false,
      bridge: 'ws://localhost:9200',
      pullSpeedDegPerS: 45,
      overshootDeg: 0,
      set: (change) => set(change),
    }),
    { name: 'wrenchman.settings', version: 1 },
  ),
);
