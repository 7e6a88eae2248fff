import { measure, odometer, whole } from '../cell.ts';
import { type BookTable, type Cells, type Column, needed, text } from './column.ts';

const kg = (field: string, label: string, also: string[]): Column => ({
  field: `ratings.${field}`,
  label,
  also,
  read: measure('kg', 1, 100_000),
  example: '3050',
});

const COLUMNS: readonly Column[] = [
  text('plate', 'Plate', 'HL 204', 120, ['registration', 'licence plate', 'license plate', 'reg', 'number plate']),
  needed(text('make', 'Make', 'Tolvan', 120, ['manufacturer', 'brand', 'marque'])),
  needed(text('model', 'Model', 'Carrick 3.0')),
  needed(text('owner', 'Owner', 'Ines Harrow', 120, ['customer', 'client', 'owner name', 'name', 'customer name'])),
  text('contact', 'How to reach the owner', '555 0142', 120, [
    'phone',
    'telephone',
    'mobile',
    'email',
    'e-mail',
    'mail',
  ]),
  text('vin', 'VIN', '', 40, ['chassis', 'chassis number', 'vehicle identification number']),
  { field: 'modelYear', label: 'Model year', also: ['year', 'my'], read: whole(1886, 2100), example: '2019' },
  text('engine', 'Engine', '3.0 diesel', 120, ['motor']),
  text('gearbox', 'Gearbox', 'automatic', 120, ['transmission']),
  text('body', 'Body', 'wagon', 120, ['body style', 'type']),
  text('trim', 'Trim', 'field', 120, ['grade', 'equipment']),
  text('drivenWheels', 'Driven wheels', '4x4', 120, ['drive', 'drivetrain']),
  {
    field: 'odometer',
    label: 'Odometer',
    also: ['km', 'kilometres', 'mileage', 'odo', 'odometerkm', 'odometer km'],
    read: odometer,
    example: '82 400 km',
  },
  kg('grossKg', 'Gross weight', ['gvwr', 'gvm', 'gross', 'gross vehicle weight']),
  kg('frontAxleKg', 'Front axle', ['front axle rating', 'gawr front']),
  kg('rearAxleKg', 'Rear axle', ['rear axle rating', 'gawr rear']),
  kg('combinationKg', 'Combination', ['gcwr', 'gross combination weight']),
  kg('towKg', 'Trailer', ['towing', 'tow rating', 'braked trailer']),
  kg('kerbKg', 'Kerb weight', ['curb weight', 'kerb', 'unladen']),
  { ...text('wheels.thread', 'Wheel thread', 'M12 x 1.5'), also: ['wheel nut thread', 'stud'] },
  { ...text('wheels.torque', 'Wheel torque, as the manual prints it', '97 lbf·ft'), also: ['wheel nut torque'] },
  {
    field: 'wheels.perWheel',
    label: 'Nuts per wheel',
    also: ['studs per wheel', 'lugs'],
    read: whole(1, 12),
    example: '6',
  },
  text('wheels.tyre', 'Tyre', '265/70 R17', 120, ['tire', 'tyre size', 'tire size']),
  text('note', 'Note', '', 2000, ['notes', 'remark', 'remarks', 'comment']),
];

/** The dial's kilometres and its unit, and a plate that may be missing. */
function finish({ odometer: dial, ...rest }: Cells): Cells {
  const { km, unit } = (dial ?? {}) as { km?: number; unit?: 'mi' };
  return {
    plate: '',
    ...rest,
    ...(km === undefined ? {} : { odometerKm: km }),
    ...(unit ? { odometerUnit: unit } : {}),
  };
}

/** Vehicles with their owners. */
export const VEHICLE_TABLE: BookTable = { columns: COLUMNS, finish: finish };
