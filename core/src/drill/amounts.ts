/** An exhaust some minutes after the engine stopped, °C (chosen by us). Bare metal burns within a second from 65 to 70 °C (ISO 13732-1, from memory). */
export const HOT_CELSIUS = 140;
/** How far one side of a part stands off, mm (chosen by us: seen without a gauge). */
export const GAP_MM = 2;
/** So many fewer than there are, where a sheet counts wrongly (chosen by us). */
export const COUNTED_SHORT = 2;
