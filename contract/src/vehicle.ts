import { z } from 'zod';
import type { DebtEnd } from '#core/job/debt-kind.ts';
import type { Vehicle } from '#core/vehicle/vehicle.ts';
import { exactly } from './exactly.ts';
import { KitLoadsSchema } from './kit/loads.ts';

const Short = z.string().trim().max(120);
const Kg = z.number().optional();

/** A vehicle as it is saved. Whether year and ratings can be is judged by the core, which names what and why. */
export const VehicleSchema = exactly<Vehicle>()(
  z.strictObject({
    id: z.string().min(1).max(64),
    make: Short,
    model: Short,
    plate: Short,
    owner: Short,
    contact: Short.optional(),
    vin: z.string().trim().max(40).optional(),
    modelYear: z.number().optional(),
    buildMonth: z.number().optional(),
    engine: Short.optional(),
    drivenWheels: Short.optional(),
    body: Short.optional(),
    gearbox: Short.optional(),
    trim: Short.optional(),
    odometerKm: z.number().optional(),
    odometerUnit: z.enum(['km', 'mi']).optional(),
    ratings: z
      .strictObject({
        grossKg: Kg,
        frontAxleKg: Kg,
        rearAxleKg: Kg,
        combinationKg: Kg,
        towKg: Kg,
        kerbKg: Kg,
      })
      .optional(),
    dimensions: z
      .strictObject({
        wheelbaseMm: z.number().optional(),
        hitchBehindMm: z.number().optional(),
        kerbFrontKg: Kg,
      })
      .optional(),
    wheels: z
      .strictObject({
        thread: Short.optional(),
        nutSeat: z.enum(['cone', 'ball', 'flat']).optional(),
        perWheel: z.number().int().min(1).max(12).optional(),
        torque: Short.optional(),
        tyre: Short.optional(),
      })
      .optional(),
    fitted: z
      .array(
        z.strictObject({
          word: z.string().trim().min(1).max(80),
          amount: z.strictObject({ value: z.number(), printed: z.string().trim().min(1).max(40) }).optional(),
          note: z.string().max(200).optional(),
          serials: z.array(z.string().min(1).max(120)).max(200).optional(),
          since: z.iso.date().optional(),
          jobNumber: Short.optional(),
          loads: KitLoadsSchema.optional(),
        }),
      )
      .max(200)
      .optional(),
    boltUses: z
      .array(z.strictObject({ bolt: z.string().trim().min(1).max(160), uses: z.number().int().min(0).max(99) }))
      .max(400)
      .optional(),
    note: z.string().max(2000).optional(),
  }),
);

/** A vehicle with the version it was read at: two people saving at once are told. */
export const SaveVehicleSchema = z.strictObject({ vehicle: VehicleSchema, version: z.number().int().min(0) });
export type SaveVehicle = z.infer<typeof SaveVehicleSchema>;

/** Erasing what is personal cannot be taken back: a lead gives their secret for it. */
export const EraseSchema = z.strictObject({ secret: z.string().min(4).max(200) });

export interface StoredVehicle {
  vehicle: Vehicle;
  version: number;
}

/** One joint of a past job, as the drawn vehicle shows it. */
export interface PastJoint {
  station: string;
  label: string;
  name: string;
  group: string;
  spot?: { along: number; across: number };
  printed: string;
  torqueNm?: number;
  wrench?: string;
  by?: string;
  atMs?: number;
  done: boolean;
}

/** A visit of a vehicle, in its history. */
export interface PastVisit {
  id: string;
  number: string;
  startedMs: number;
  closedAtMs?: number;
  odometerKm?: number;
  kits: string[];
  joints: PastJoint[];
  /** What came off and where it ended. */
  debts: Array<{ name: string; count: number; ended: number; ends: DebtEnd[]; opened: boolean }>;
  /** Its kits or its entries cannot be read any more: it is listed, and no more can be said. */
  unreadable?: true;
}

export interface VehicleHistory extends StoredVehicle {
  visits: PastVisit[];
}
