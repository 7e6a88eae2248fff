interface SignedText {
  text: string;
  key: string;
  signature: string;
}

export function sha256(what: string | Uint8Array): string;
export function canonical(value: unknown): string;
export function isSigned(signed: SignedText): boolean;
export function isTheShops(key: string, given: string | undefined, changes?: readonly SignedText[]): boolean;
export function followChain(
  first: string,
  entries: ReadonlyArray<{ seq: number; hash: string; event: object }>,
  head?: { seq: number; hash: string },
): { breaks: number[]; open: number[] };
