/** What kits ask of a vehicle. Absent means not known, never "no". */
export interface VehicleFacts {
  modelYear?: number;
  engine?: string;
  drivenWheels?: string;
  body?: string;
}
