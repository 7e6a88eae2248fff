/** `vlq` ships types that its own package.json does not lead to. */
declare module 'vlq' {
  export function encode(values: number | number[]): string;
  /** @throws at a sign that is none of Base64 */
  export function decode(text: string): number[];
}
