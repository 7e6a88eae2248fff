/**
 * Mistakes of the trade that no drill puts in a learner's way, and why: by their numbers in the list of the product's
 * capabilities. `line`: a drill runs on the line itself, which does not go on until it is done, so it is met there as it
 * is on a job. `record`: it is made on paper, before or after the work. `part`: only some kits have such a part, and its
 * own step measures it.
 */
export const NOT_STAGED: Readonly<Record<string, 'line' | 'record' | 'part'>> = {
  // What was unplugged, taken off or put on for a while is on the line's own list until it is back.
  M17: 'line',
  M18: 'line',
  M19: 'line',
  M20: 'line',
  // The target stands before the pull.
  M28: 'line',
  // A kit without an order is not released.
  M32: 'record',
  // An eccentric that turns along, and which way camber goes.
  M34: 'part',
  M35: 'part',
  // The cure is a gate of the line, with its clock.
  M39: 'line',
  // A castle nut's slot is found by the line.
  M45: 'part',
  // One side at a time.
  M47: 'line',
  M50: 'part',
  M52: 'line',
  // Sensors and wires have steps of their own.
  M56: 'part',
  M57: 'part',
  M59: 'part',
  // A step for two does not begin with one.
  M61: 'line',
  M62: 'line',
  M63: 'record',
  M64: 'record',
};
