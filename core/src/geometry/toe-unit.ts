const DEG = 180 / Math.PI;

/** Toe of one wheel as the difference across a rim, mm: D · sin(toe). Both wheels of an axle together show the sum. */
export const toeMm = (toeDeg: number, acrossMm: number): number => acrossMm * Math.sin(toeDeg / DEG);

/** Toe of one wheel from the difference across a rim, °. */
export const toeDeg = (differenceMm: number, acrossMm: number): number => Math.asin(differenceMm / acrossMm) * DEG;
