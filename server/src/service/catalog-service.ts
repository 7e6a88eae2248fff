import { randomUUID } from 'node:crypto';
import type { StoredVehicle } from '#contract/vehicle.ts';
import { vehicleFaultText } from '#contract/wording/vehicle-text.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { fail, ok, type Result } from '#core/result.ts';
import { type Vehicle, type VehicleFault, vehicleFaults } from '#core/vehicle/vehicle.ts';
import type { Wrench } from '#core/wrench/wrench.ts';
import type { CatalogRepository } from '../store/catalog-repository.ts';

export type VehicleError =
  | { code: 'vehicleFaulty'; faults: Array<{ path: string; message: string }> }
  | { code: 'unknownVehicle' }
  | { code: 'vehicleChanged'; current: StoredVehicle };

/** The field a fault of a vehicle without one of its own lies in. */
export const VEHICLE_FAULT_PLACE = {
  yearImpossible: 'modelYear',
  monthImpossible: 'buildMonth',
  odometerImpossible: 'odometerKm',
} as const;

export class CatalogService {
  constructor(
    private readonly catalog: CatalogRepository,
    private readonly now: () => number = Date.now,
  ) {}

  vehicles(shopId: string): Promise<Vehicle[]> {
    return this.catalog.vehicles(shopId);
  }

  vehicle(shopId: string, id: string): Promise<StoredVehicle | undefined> {
    return this.catalog.vehicle(shopId, id);
  }

  private faultsOf(vehicle: Vehicle): VehicleError | undefined {
    const faults = vehicleFaults(vehicle, new Date(this.now()).getUTCFullYear());
    const place = (fault: VehicleFault) => ('field' in fault ? fault.field : VEHICLE_FAULT_PLACE[fault.code]);
    return faults.length > 0
      ? {
          code: 'vehicleFaulty',
          faults: faults.map((fault) => ({ path: place(fault), message: vehicleFaultText(fault) })),
        }
      : undefined;
  }

  async addVehicle(shopId: string, input: Vehicle): Promise<Result<StoredVehicle, VehicleError>> {
    const vehicle = { ...input, id: randomUUID() };
    const faulty = this.faultsOf(vehicle);
    if (faulty) return fail(faulty);
    await this.catalog.addVehicle(shopId, vehicle);
    return ok({ vehicle, version: 1 });
  }

  /** Takes a vehicle out again that was added for something that was refused. */
  dropUntouched(shopId: string, id: string): Promise<void> {
    return this.catalog.dropUntouched(shopId, id);
  }

  /** Saves a vehicle over the version it was read at; a doubtful VIN or rating is kept, an impossible year is not. */
  async saveVehicle(shopId: string, vehicle: Vehicle, version: number): Promise<Result<StoredVehicle, VehicleError>> {
    const faulty = this.faultsOf(vehicle);
    if (faulty) return fail(faulty);
    if (await this.catalog.saveVehicle(shopId, vehicle, version)) return ok({ vehicle, version: version + 1 });
    const current = await this.catalog.vehicle(shopId, vehicle.id);
    return fail(current ? { code: 'vehicleChanged', current } : { code: 'unknownVehicle' });
  }

  /** Takes a released revision back: it stays where jobs pin it, and no new job begins with it. */
  async withdrawKit(shopId: string, id: string, revision: number, because: string): Promise<boolean> {
    return this.catalog.withdraw(shopId, id, revision, because, this.now());
  }

  wrenches(shopId: string): Promise<Wrench[]> {
    return this.catalog.wrenches(shopId);
  }

  kits(shopId: string): Promise<KitDocument[]> {
    return this.catalog.kits(shopId);
  }

  kit(shopId: string, id: string, revision?: number): Promise<KitDocument | undefined> {
    return this.catalog.kit(shopId, id, revision);
  }
}
