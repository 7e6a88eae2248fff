import type { Role } from '#core/job/role.ts';
import type { Vehicle } from '#core/vehicle/vehicle.ts';
import type { Wrench } from '#core/wrench/wrench.ts';

/** The invented shop of the demo. PINs are shown on the sign-in screen of the demo and nowhere else. */
export const DEMO_SHOP = { id: 'harrow-lane', name: 'Harrow Lane Fitting Shop', bays: 4 };

export interface DemoPerson {
  id: string;
  name: string;
  initials: string;
  role: Role;
  pin: string;
}

export const DEMO_PEOPLE: DemoPerson[] = [
  { id: 'u-vane', name: 'Mira Vane', initials: 'MV', role: 'fitter', pin: '2468' },
  { id: 'u-orrin', name: 'Rafe Orrin', initials: 'RO', role: 'lead', pin: '1357' },
  { id: 'u-tamsin', name: 'Tamsin Quell', initials: 'TQ', role: 'fitter', pin: '3690' },
  { id: 'u-hob', name: 'Hob Larkmoor', initials: 'HL', role: 'apprentice', pin: '1122' },
  { id: 'u-ismay', name: 'Ismay Fenn', initials: 'IF', role: 'counter', pin: '7788' },
];

export type DemoVehicle = Vehicle;

export const DEMO_VEHICLES: DemoVehicle[] = [
  {
    id: 'v-tussock',
    make: 'Aldren',
    model: 'Tussock 2.8 4×4',
    modelYear: 2021,
    engine: '2.8 diesel',
    drivenWheels: 'four',
    body: 'dual-cab',
    gearbox: 'automatic',
    vin: '0AL7K2B43M0014208',
    plate: '14-208',
    owner: 'Upper Sallow Rivers Survey',
    odometerKm: 61240,
    ratings: { kerbKg: 2110, grossKg: 3050, frontAxleKg: 1450, rearAxleKg: 1800, combinationKg: 5950, towKg: 3500 },
    dimensions: { wheelbaseMm: 3085, hitchBehindMm: 1240, kerbFrontKg: 1190 },
    wheels: { thread: 'M12 x 1.5', nutSeat: 'cone', perWheel: 6, torque: '83 lbf·ft', tyre: '265/65 R17' },
    fitted: [],
  },
  {
    id: 'v-carrick',
    make: 'Tolvan',
    model: 'Carrick 3.0',
    modelYear: 2018,
    engine: '3.0 petrol',
    drivenWheels: 'four',
    body: 'wagon',
    plate: '14-115',
    owner: 'Upper Sallow Rivers Survey',
    odometerKm: 118300,
    fitted: [{ word: 'roof rack', since: '2021-04-12' }],
  },
  {
    id: 'v-gorse',
    make: 'Tolvan',
    model: 'Gorse 2.4',
    modelYear: 2022,
    engine: '2.4 diesel',
    drivenWheels: 'four',
    body: 'dual-cab',
    gearbox: 'manual',
    vin: '0TV2R4F1XN0038461',
    plate: '14-231',
    owner: 'Upper Sallow Rivers Survey',
    contact: 'stores, hut 3',
    odometerKm: 38_460,
    ratings: { kerbKg: 1980, grossKg: 2900, frontAxleKg: 1350, rearAxleKg: 1750, combinationKg: 5600, towKg: 3000 },
    dimensions: { wheelbaseMm: 3000, hitchBehindMm: 1210, kerbFrontKg: 1100 },
    wheels: { thread: 'M12 x 1.5', nutSeat: 'cone', perWheel: 6, torque: '83 lbf·ft', tyre: '245/70 R16' },
    fitted: [
      { word: 'canopy', since: '2023-06-02', loads: { massKg: 62, aheadOfRearAxleMm: 150 } },
      {
        word: 'tow bar with drop mount',
        since: '2023-09-18',
        loads: {
          massKg: 34,
          aheadOfRearAxleMm: -1050,
          hitch: [
            { name: 'receiver', trailerKg: 2800, tongueKg: 150 },
            { name: 'drop mount', trailerKg: 2500, tongueKg: 180 },
            { name: 'ball', trailerKg: 3500 },
          ],
          carrierKg: 75,
        },
      },
    ],
  },
  {
    id: 'v-merle',
    make: 'Sarn',
    model: 'Merle 1.6T',
    modelYear: 2020,
    engine: '1.6 turbo',
    drivenWheels: 'front',
    body: 'hatch',
    plate: 'HL 1',
    owner: 'Harrow Lane Fitting Shop',
    odometerKm: 23410,
  },
];

const DAY_MS = 86_400_000;
const isoDay = (atMs: number): string => new Date(atMs).toISOString().slice(0, 10);

/** Five wrenches: one too small for most joints, two live, one nearly due, one out of calibration. Dates count from `nowMs`. */
export const demoWrenches = (nowMs: number): Wrench[] => [
  {
    id: 'w-1',
    label: 'W-1',
    kind: 'click',
    squareDrive: '1/4 in',
    fullScaleNm: 25,
    lowestNm: 5,
    scaleUnit: 'lbf·in',
    calibrationDueOn: isoDay(nowMs + 200 * DAY_MS),
    serial: 'HL-3107',
    divisionNm: 0.5,
    lengthMm: 250,
    intervalMonths: 12,
    live: false,
  },
  {
    id: 'w-2',
    label: 'W-2',
    kind: 'digital',
    squareDrive: '3/8 in',
    fullScaleNm: 100,
    scaleUnit: 'N·m',
    calibrationDueOn: isoDay(nowMs + 107 * DAY_MS),
    serial: 'HL-3105',
    divisionNm: 0.1,
    lengthMm: 330,
    intervalMonths: 12,
    live: true,
  },
  {
    id: 'w-3',
    label: 'W-3',
    kind: 'digital',
    squareDrive: '1/2 in',
    fullScaleNm: 210,
    lowestNm: 40,
    scaleUnit: 'N·m',
    calibrationDueOn: isoDay(nowMs + 107 * DAY_MS),
    serial: 'HL-3109',
    divisionNm: 0.1,
    lengthMm: 420,
    intervalMonths: 12,
    live: true,
  },
  {
    id: 'w-4',
    label: 'W-4',
    kind: 'click',
    squareDrive: '1/2 in',
    fullScaleNm: 140,
    lowestNm: 28,
    scaleUnit: 'lbf·ft',
    calibrationDueOn: isoDay(nowMs + 21 * DAY_MS),
    serial: 'HL-3124',
    divisionNm: 1.3558,
    lengthMm: 400,
    intervalMonths: 12,
    live: false,
  },
  {
    id: 'w-5',
    label: 'W-5',
    kind: 'click',
    squareDrive: '1/2 in',
    fullScaleNm: 340,
    scaleUnit: 'lbf·ft',
    calibrationDueOn: isoDay(nowMs - 6 * DAY_MS),
    serial: 'HL-3122',
    divisionNm: 3,
    lengthMm: 610,
    intervalMonths: 24,
    live: false,
  },
];
