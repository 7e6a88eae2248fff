/** Numbers that look random and are the same for a seed (Lehmer, modulus 2^31 − 1, Park and Miller 1988). */
export function randomFrom(seed: number): () => number {
  let state = (Math.abs(Math.trunc(seed)) % 2_147_483_646) + 1;
  return () => {
    state = (state * 48_271) % 2_147_483_647;
    return (state - 1) / 2_147_483_646;
  };
}
