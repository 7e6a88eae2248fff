/** Pairs of letters a line: as many as an eye compares at once. */
const PAIRS = 8;

/** A fingerprint in lines of eight pairs, for comparing by eye: `64:00:EC:…` becomes `64 00 EC …`. */
export function fingerprintLines(fingerprint: string): string[] {
  const pairs = fingerprint.split(':');
  return Array.from({ length: Math.ceil(pairs.length / PAIRS) }, (_, line) =>
    pairs.slice(line * PAIRS, (line + 1) * PAIRS).join(' '),
  );
}
